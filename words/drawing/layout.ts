import { wordLines } from './word-lines.ts';

/** What a lane of the picture says, already in words. */
export interface LaneWords {
  guard: string[];
  /** Between what guards it and its branches: a relay's contact. */
  contact?: string;
  branches: { joint?: string; ends: string; colour?: string }[];
}

export interface LaidBranch {
  y: number;
  /** Where the colour of its wire is written; undefined where there is no room for it. */
  code?: { x: number; y: number };
  /** From the lane's trunk to the joint, and from there to the end. */
  toJoint: string;
  toEnd: string;
  joint: { x: number; lines: string[] };
  end: { x: number; lines: string[] };
}

export interface LaidLane {
  y: number;
  height: number;
  /** `name`: how many of its lines are the circuit's name. */
  guard: { x: number; y: number; width: number; height: number; lines: string[]; name: number };
  contact?: { x: number; y: number };
  branches: LaidBranch[];
}

export interface LaidPicture {
  width: number;
  height: number;
  ground: number;
  lanes: LaidLane[];
}

/** Height of a branch, and what parts lanes. */
const BRANCH = 72;
const BETWEEN = 18;
/** So far below the middle of its branch a wire lies, for the names above it. */
const BELOW = 9;
const EDGE = 8;
/** Signs of the longest colour of a wire, with some air. */
const CODE_SIGNS = 18;
/** Room above the first lane for the name of the ground. */
const HEAD = 22;
/** Height of a line in the box of what guards a circuit. */
const LINE = 17;
/** Width that one sign of a name takes. */
const SIGN = 7.2;

/**
 * The electrical picture in columns from source to ground: what guards the circuit, a relay's contact where there is one, the joint with its
 * name above the wire, what is fed, and the ground. Names are broken to the room of their column; a narrow picture has the same columns nearer.
 */
export function layPicture(lanes: readonly LaneWords[], width: number): LaidPicture {
  const guardWidth = Math.min(150, width * 0.25);
  const trunk = EDGE + guardWidth + width * 0.035;
  const jointX = width * 0.5;
  const endX = width * 0.8;
  const room = (px: number) => Math.max(6, Math.floor(px / SIGN));
  let y = HEAD;
  const laid = lanes.map((lane): LaidLane => {
    const [name = [], ...rest] = lane.guard.map((line) => wordLines(line, room(guardWidth - 10)));
    const lines = [...name, ...rest.flat()];
    const guardHeight = lines.length * LINE + 10;
    const own = Math.max(1, lane.branches.length) * BRANCH;
    const height = Math.max(own, guardHeight + 18);
    const top = y + (height - own) / 2;
    const middle = top + own / 2 + BELOW;
    const branches = lane.branches.map((branch, index): LaidBranch => {
      const at = top + (index + 0.5) * BRANCH + BELOW;
      return {
        y: at,
        ...(room(jointX - trunk) < CODE_SIGNS ? {} : { code: { x: (trunk + (branch.joint === undefined ? endX : jointX)) / 2, y: at + 15 } }),
        toJoint: `M${EDGE + guardWidth} ${middle}H${trunk}V${at}H${branch.joint === undefined ? endX - 16 : jointX - 11}`,
        toEnd: branch.joint === undefined ? '' : `M${jointX + 11} ${at}H${endX - 16}`,
        joint: { x: jointX, lines: branch.joint === undefined ? [] : wordLines(branch.joint, room(width * 0.34)) },
        end: { x: endX, lines: wordLines(branch.ends, room(width * 0.3)) },
      };
    });
    const guard = { x: EDGE, y: middle - guardHeight / 2, width: guardWidth, height: guardHeight, lines, name: name.length };
    const [first] = branches;
    const contact = lane.contact === undefined || !first ? {} : { contact: { x: jointX, y: first.y } };
    const out = { y, height, guard, ...contact, branches };
    y += height + BETWEEN;
    return out;
  });
  return { width, height: Math.max(EDGE, y - BETWEEN) + EDGE + 12, ground: width - EDGE - 8, lanes: laid };
}
