import { wordLines } from './word-lines.ts';

/** What a lane of the picture says, already in words. */
export interface LaneWords {
  guard: string[];
  /** Between what guards it and its branches: a relay's contact. */
  contact?: string;
  branches: { joint?: string; ends: string; colour?: string; size?: string; leg?: string; coil?: boolean; state?: 'joined' | 'open' | 'wrong' }[];
}

interface Rect {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A line of a name with its place. */
export interface Written {
  x: number;
  y: number;
  text: string;
}

export interface LaidBranch {
  y: number;
  /** The colour and size of its wire, and the size of the kit's leg; undefined where there is no room for them. */
  code?: Written;
  leg?: Written;
  /** From the lane's trunk to the joint, and from there to the end. */
  toJoint: string;
  toEnd: string;
  /** From the end to the ground. */
  back: string;
  /** Both halves of the joint, apart while it is open, and what may be tapped for it. */
  joint: { x: number; lines: Written[]; halves: string[]; touch: Rect };
  /** A lamp, or the coil of a relay: its outline, and what marks it. */
  end: { x: number; lines: Written[]; outline: string; mark: string };
}

export interface LaidLane {
  y: number;
  height: number;
  /** `name`: how many of its lines are the circuit's name. */
  guard: Rect & { lines: Written[]; name: number };
  contact?: { x: number; y: number; lines: Written[]; outline: string; mark: string };
  branches: LaidBranch[];
}

export interface LaidPicture {
  width: number;
  height: number;
  /** Where the ground stands, its rail with the sign at its foot, and its name. */
  ground: number;
  rail: string;
  sign: string;
  name: Written;
  lanes: LaidLane[];
}

/** Height of a branch, and what parts lanes. */
const BRANCH = 72;
const BETWEEN = 18;
/** So far below the middle of its branch a wire lies, for the names above it. */
const BELOW = 9;
const EDGE = 8;
/** Room above the first lane for the name of the ground. */
const HEAD = 22;
/** Height of a line in the box of what guards a circuit, and of one of a name above a wire. */
const LINE = 17;
const NAME_LINE = 14;
/** Width that one sign of a name takes. */
const SIGN = 7.2;
/** Signs of the longest colour of a wire, with some air. */
const CODE_SIGNS = 18;
/** Half of a lamp, of a coil's and of a contact's box, of a joint. */
const LAMP = 16;
const COIL = [16, 11] as const;
const CONTACT = [19, 12] as const;
const PLUG = 11;
/** From the middle of a joint to each half, open and joined. */
const APART = 6;
const TOGETHER = 1;

const boxAround = (x: number, y: number, [halfWidth, halfHeight]: readonly [number, number]) =>
  `M${x - halfWidth} ${y - halfHeight}h${2 * halfWidth}v${2 * halfHeight}h${-2 * halfWidth}z`;
const circleAround = (x: number, y: number, r: number) => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;

/** A name above a wire, its last line nearest to it. */
const above = (lines: readonly string[], x: number, y: number): Written[] => lines.map((text, order) => ({ x, y: y - 22 - (lines.length - 1 - order) * NAME_LINE, text }));

/**
 * The electrical picture in columns from source to ground: what guards the circuit, a relay's contact where there is one, the joint with its
 * name above the wire, what is fed, and the ground. Names are broken to the room of their column; a narrow picture has the same columns nearer.
 * All that screen and paper draw has its place here.
 */
export function layPicture(lanes: readonly LaneWords[], width: number): LaidPicture {
  const guardWidth = Math.min(150, width * 0.25);
  const trunk = EDGE + guardWidth + width * 0.035;
  const jointX = width * 0.5;
  const endX = width * 0.8;
  const ground = width - 2 * EDGE;
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
    const branches = lane.branches.map(({ joint, ends, colour, size, leg, coil = false, state = 'open' }, index): LaidBranch => {
      const at = top + (index + 0.5) * BRANCH + BELOW;
      const apart = state === 'joined' ? TOGETHER : APART;
      // Colour and size where both find room, else the colour; in little room nothing, it would run into the plug.
      const space = room(jointX - trunk);
      const code = [[colour, size].flatMap((word) => word ?? []).join(', '), colour ?? ''].find((text) => text !== '' && text.length <= space);
      const written = code !== undefined && space >= CODE_SIGNS;
      return {
        y: at,
        ...(written ? { code: { x: (trunk + jointX) / 2, y: at + 15, text: code } } : {}),
        ...(leg !== undefined && written ? { leg: { x: (jointX + endX) / 2, y: at + 15, text: leg } } : {}),
        toJoint: `M${EDGE + guardWidth} ${middle}H${trunk}V${at}H${joint === undefined ? endX - LAMP : jointX - PLUG}`,
        toEnd: joint === undefined ? '' : `M${jointX + PLUG} ${at}H${endX - LAMP}`,
        back: `M${endX + LAMP} ${at}H${ground}`,
        joint: {
          x: jointX,
          lines: joint === undefined ? [] : above(wordLines(joint, room(width * 0.34)), jointX, at),
          halves: joint === undefined ? [] : [`M${jointX - apart} ${at - 12}h-10v24h10z`, `M${jointX + apart} ${at - 12}h10v24h-10z`],
          touch: { x: jointX - width * 0.17, y: at - 50, width: width * 0.34, height: 74 },
        },
        end: {
          x: endX,
          lines: above(wordLines(ends, room(width * 0.3)), endX, at),
          outline: coil ? boxAround(endX, at, COIL) : circleAround(endX, at, LAMP),
          mark: coil ? `M${endX - 8} ${at + 11}l16-22` : `M${endX - 11} ${at - 11}l22 22m0-22l-22 22`,
        },
      };
    });
    const guardY = middle - guardHeight / 2;
    const guard = {
      x: EDGE,
      y: guardY,
      width: guardWidth,
      height: guardHeight,
      lines: lines.map((text, order) => ({ x: EDGE + 8, y: guardY + 18 + order * LINE, text })),
      name: name.length,
    };
    const [first] = branches;
    const contact =
      lane.contact === undefined || !first
        ? {}
        : {
            contact: {
              x: jointX,
              y: first.y,
              lines: above([lane.contact], jointX, first.y + 2),
              outline: boxAround(jointX, first.y, CONTACT),
              mark: `M${jointX - 19} ${first.y}h9l18-9m2 9h9`,
            },
          };
    const out = { y, height, guard, ...contact, branches };
    y += height + BETWEEN;
    return out;
  });
  const height = Math.max(EDGE, y - BETWEEN) + EDGE + 12;
  const foot = height - 16;
  return {
    width,
    height,
    ground,
    rail: `M${ground} 24V${foot}`,
    sign: `M${ground - 11} ${foot}h22m-18 5h14m-10 5h6`,
    name: { x: ground + 8, y: 16, text: 'ground' },
    lanes: laid,
  };
}
