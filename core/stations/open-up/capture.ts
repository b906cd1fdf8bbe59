import { LONGEST_TEXT, type GroupCount, type Happened } from '../../events/index.ts';
import { reachUnknown } from '../../plan/index.ts';
import { suppliesNow, unplacedKits, type JobContext } from '../../job/index.ts';
import type { OpenStep } from '../../access/index.ts';
import { judgeMinutes, type MeasureDoubt } from '../../judging/index.ts';
import {
  askingDead,
  fastenerKey,
  OPEN_LEVELS,
  isScrewed,
  levelRank,
  listedLevel,
  pieceKey,
  standingIn,
  type Beside,
  type BoxMm,
  type Drive,
  type FastenerGroup,
  type LevelNeed,
  type OpenLevel,
  type Piece,
  type PieceLevel,
  type Position,
  type Release,
  type Side,
  type Way,
  type Zone,
} from '../../vehicle/index.ts';
import { happened, refused, tooLong, unless, unlessDoubtful, type Act, type Refusal } from '../act.ts';
import { positionsTaken } from '../stand.ts';

/** Fasteners of one kind that came out with a piece. */
export interface CameOut {
  drive: Drive;
  size?: string;
  lengthMm?: number;
  count: number;
  release: Release;
  singleUse?: boolean;
  /** Where they sit, where it is said. */
  place?: string;
}

/** A piece that came off, or open, and that nobody has described: as whoever opened it saw it. */
export interface CamePiece {
  name: string;
  side?: Side;
  zone?: Zone;
  box: BoxMm;
  level: OpenLevel;
  /** From fitted to that level, as the clock took it or as it was said. */
  openMin: number;
  people: number;
  fasteners: readonly CameOut[];
  beside: readonly Beside[];
  brittle: boolean;
  /** How the vehicle had to stand for it, where it did not stand as it comes. */
  stands?: readonly Position[];
  /** Pieces that were open and that it would have come without, and those that had to be; of the others nobody has said it. */
  without?: readonly string[];
  needed?: readonly string[];
  /** What can hurt there, in a few words. */
  caution?: string;
}

/** How a fastener of a drive lets go where nobody says otherwise. */
export const USUAL_RELEASE: Readonly<Record<Drive, Release>> = {
  hex: 'unscrew',
  'six-lobe': 'unscrew',
  'six-lobe plus': 'unscrew',
  'cross-head': 'unscrew',
  'hex key': 'unscrew',
  'push-pin': 'push centre',
  'fir-tree clip': 'pull out',
  hook: 'slide',
  'plug lock': 'squeeze tabs',
  none: 'pull out',
};

/** Minutes over which a step that was not described before was likely begun late, or lay over a pause. */
const LIKELY_MIN = 20;

/** What makes one wonder about the minutes of a step that nobody described. */
export const doubtsOfMinutes = (minutes: number): MeasureDoubt[] => judgeMinutes(minutes, LIKELY_MIN);

/** All of the kind that is open now: what the next piece came with, and where hands get to. What an owner added to this one vehicle is none of its kind. */
export const openNow = ({ state, profile }: JobContext): LevelNeed[] =>
  Object.entries(state.pieces).flatMap(([piece, level]) =>
    level === 'fitted' || state.accessories[piece] || !profile.pieces.some(({ id }) => id === piece) ? [] : [{ piece, level }],
  );

/** Pieces that are open now and of which it can be said whether they had to be, those opened last first: nobody is asked whether something could have been done live. */
export function openBefore(context: JobContext): string[] {
  const isolating = new Set(context.profile.supplies.map(({ piece }) => piece));
  return openNow(context)
    .map(({ piece }) => piece)
    .filter((piece) => !isolating.has(piece))
    .reverse();
}

/** A way by which somebody gets somewhere now: what is open, which supplies are dead, how the vehicle has to stand. */
export function wayNow(context: JobContext, stands: readonly Position[] = []): Way {
  const dead = suppliesNow(context).flatMap(({ supply, is }) => (is === 'dead' ? [supply] : []));
  return askingDead({ id: SEEN_WAY, needs: openNow(context), extraMin: 0, ...standingIn(stands) }, dead);
}
const SEEN_WAY = 'seen';

/** The way of a piece that came: less what it would have come without, and what nobody has said that it had to be as seen. */
function wayCame(context: JobContext, { stands, without = [], needed = [] }: Pick<CamePiece, 'stands' | 'without' | 'needed'>): Way {
  const way = wayNow(context, stands);
  const spared = openBefore(context).filter((piece) => without.includes(piece));
  const needs = way.needs.filter(({ piece }) => !spared.includes(piece)).map(({ piece, level }) => ({ piece, level, ...(needed.includes(piece) ? {} : { seen: true }) }));
  return { ...way, needs };
}

function groupOf(
  { drive, size, lengthMm, count, release, singleUse = false, place }: CameOut,
  index: number,
  { level, side = 'centre' }: Pick<CamePiece, 'level' | 'side'>,
): FastenerGroup {
  return {
    id: `fixing-${index + 1}`,
    drive,
    ...(size?.trim() ? { size: size.trim() } : {}),
    ...(lengthMm === undefined ? {} : { lengthMm }),
    count,
    place: place?.trim() || 'where it was found',
    side,
    singleUse,
    release,
    // Snug in plastic until somebody says how tight: that breaks nothing.
    tighten: isScrewed(release) ? { snug: 'plastic' } : {},
    atLevel: level,
  };
}

export function pieceOf(context: JobContext, came: CamePiece, id: string): Piece {
  const { name, side = 'centre', zone = 'front', box, level, openMin, people, fasteners, beside, brittle, caution = '' } = came;
  return {
    id,
    name: name.trim(),
    side,
    zone,
    box,
    // What was open then is all that is known of a way to it; going back takes as long until somebody has done it.
    levels: [{ level, openMin, closeMin: openMin, people, ways: [wayCame(context, came)] }],
    fasteners: fasteners.map((entry, index) => groupOf(entry, index, came)),
    cautions: caution.trim() ? [{ text: caution.trim() }] : [],
    ...(beside.length > 0 ? { beside: [...beside] } : {}),
    ...(brittle ? { brittle } : {}),
  };
}

/** A piece that came as it was described: the vehicle stood so for it, its fasteners came out, and what was said at once of what was open then. */
export function cameAs(
  context: JobContext,
  { level, stands = [], without = [], needed = [] }: Pick<CamePiece, 'level' | 'stands' | 'without' | 'needed'>,
  { id, fasteners }: Pick<Piece, 'id' | 'fasteners'>,
): Happened[] {
  const open = new Set(openBefore(context));
  const [spared, had] = [without, needed].map((pieces) => pieces.filter((piece) => open.has(piece)));
  const said = { ...(spared?.length ? { without: spared } : {}), ...(had?.length ? { needed: had } : {}) };
  const counts = fasteners.map(({ id: group, count }): GroupCount => ({ group, count }));
  return [...positionsTaken(context, stands), { type: 'piece.moved', payload: { piece: id, level, fasteners: counts, ...said } }];
}

/** What of a piece is still to be said, and what is too long. */
export function faultsOfPiece({ name, side, zone, openMin, fasteners, caution }: CamePiece): Refusal[] {
  const missing = [name.trim() === '', side === undefined, zone === undefined, !(openMin > 0), ...fasteners.map(({ count }) => !(Number.isInteger(count) && count >= 1))].filter(
    Boolean,
  ).length;
  const long = fasteners.flatMap(({ size, place }) => [...tooLong(size, LONGEST_TEXT.size), ...tooLong(place, LONGEST_TEXT.bag)]);
  return [...(missing > 0 ? [{ code: 'missing' as const, count: missing }] : []), ...tooLong(name, LONGEST_TEXT.accessory), ...tooLong(caution, LONGEST_TEXT.caution), ...long];
}

/** The piece of the profile that a piece is which somebody describes: of that id, or of that name on that side. */
export const knownAs = ({ pieces }: Pick<JobContext['profile'], 'pieces'>, { name, side }: Pick<CamePiece, 'name' | 'side'>, id: string): Piece | undefined =>
  pieces.find((piece) => piece.id === id || (side !== undefined && pieceKey(piece) === pieceKey({ name, side })));

/**
 * A piece that came open and that nobody has described: described with what was open then, and moved, in one act.
 * @param id for good: of its name and four letters drawn by the device
 * @param sure said where its minutes made one wonder
 */
export function pieceCame(context: JobContext, came: CamePiece, id: string, sure = false): Act {
  const { profile } = context;
  const faults = faultsOfPiece(came);
  if (faults.length > 0) return refused(...faults);
  const known = knownAs(profile, came, id);
  if (known) return refused({ code: 'described', piece: known.id });
  const piece = pieceOf(context, came, id);
  // The minutes are kept as they are said: a person either takes them or writes others.
  const act = unlessDoubtful(sure ? [] : doubtsOfMinutes(came.openMin), undefined, () => ({ type: 'kind.described', payload: { pieces: [piece] } }));
  return 'refused' in act ? act : { events: [...act.events, ...cameAs(context, came, piece)] };
}

/** A piece that was open and went further, to a level that nobody had described of it. */
export type WentFurther = Pick<CamePiece, 'level' | 'openMin' | 'people' | 'fasteners' | 'stands' | 'without' | 'needed'>;

/** Levels that a piece which is open can still go to, beyond all that anybody has described of it. */
export function furtherLevels({ state, profile }: Pick<JobContext, 'state' | 'profile'>, id: string): OpenLevel[] {
  const piece = profile.pieces.find((entry) => entry.id === id);
  if (!piece || (state.pieces[id] ?? 'fitted') === 'fitted' || state.accessories[id]) return [];
  const highest = Math.max(...[state.pieces[id] ?? 'fitted', ...piece.levels.map(({ level }) => level)].map(levelRank));
  return OPEN_LEVELS.filter((level) => levelRank(level) > highest);
}

/** Pieces that are open and can go further than anybody has described, those opened last first. */
export const canGoFurther = (context: JobContext): string[] =>
  openNow(context)
    .map(({ piece }) => piece)
    .filter((piece) => furtherLevels(context, piece).length > 0)
    .reverse();

/**
 * A piece that went further than anybody had described: its next level described with what was open then, and moved, in one act.
 * @param said its minutes are those of this move alone
 * @param sure said where its minutes made one wonder
 */
export function wentFurther(context: JobContext, id: string, said: WentFurther, sure = false): Act {
  const { state, profile } = context;
  if (!furtherLevels(context, id).includes(said.level)) return refused({ code: 'unknown', what: 'level', id: said.level });
  const here = profile.pieces.find((entry) => entry.id === id);
  const piece = state.described.pieces[id] ?? here;
  const before = here && listedLevel(here, state.pieces[id] ?? 'fitted');
  if (!piece || !before) return refused({ code: 'unknown', what: 'piece', id });
  const faults = faultsOfPiece({ ...said, name: piece.name, side: piece.side, zone: piece.zone, box: piece.box, beside: [], brittle: false });
  if (faults.length > 0) return refused(...faults);
  const fromFitted = (min: number, ownMin: number) => (min * said.people + ownMin * before.people) / said.people;
  const level: PieceLevel = {
    level: said.level,
    openMin: fromFitted(said.openMin, before.openMin),
    closeMin: fromFitted(said.openMin, before.closeMin),
    people: said.people,
    ways: [wayCame(context, said)],
  };
  const taken = new Set(piece.fasteners.map((group) => group.id));
  const groups = said.fasteners.map((entry, index): FastenerGroup => {
    // Named by the level: another device may take it to another one meanwhile.
    const own = freeId(`${said.level}-${index + 1}`, taken);
    taken.add(own);
    return { ...groupOf(entry, index, { level: said.level, side: piece.side }), id: own };
  });
  const further: Piece = { ...piece, levels: [...piece.levels, level].sort((a, b) => levelRank(a.level) - levelRank(b.level)), fasteners: [...piece.fasteners, ...groups] };
  const act = unlessDoubtful(sure ? [] : doubtsOfMinutes(said.openMin), undefined, () => ({ type: 'kind.described', payload: { pieces: [further] } }));
  return 'refused' in act ? act : { events: [...act.events, ...cameAs(context, said, { id, fasteners: groups })] };
}

/** An id that is not taken. */
const freeId = (id: string, taken: ReadonlySet<string>): string => (taken.has(id) ? freeId(`${id}-2`, taken) : id);

/** Fasteners as a form counts them. */
export const cameOutOf = (fasteners: readonly FastenerGroup[]): CameOut[] =>
  fasteners.map(({ drive, size, lengthMm, count, release, singleUse, place }) => ({
    drive,
    ...(size === undefined ? {} : { size }),
    ...(lengthMm === undefined ? {} : { lengthMm }),
    count,
    release,
    singleUse,
    place,
  }));

/**
 * A piece of the profile that is held otherwise than that says: its fasteners at a step of the plan, as they were found. One that looks as the profile has it
 * stays that one, with its place and how tight it goes.
 */
export function heldOtherwise(
  { profile }: Pick<JobContext, 'profile'>,
  { piece: id, level, fasteners: before }: Pick<OpenStep, 'piece' | 'level' | 'fasteners'>,
  found: readonly CameOut[],
): Act {
  const piece = profile.pieces.find((entry) => entry.id === id);
  if (!piece) return refused({ code: 'unknown', what: 'piece', id });
  const uncounted = found.filter(({ count }) => !(Number.isInteger(count) && count >= 1)).length;
  const bars: Refusal[] = [
    ...(uncounted > 0 ? [{ code: 'missing' as const, count: uncounted }] : []),
    ...found.flatMap(({ size, place }) => [...tooLong(size, LONGEST_TEXT.size), ...tooLong(place, LONGEST_TEXT.bag)]),
  ];
  if (bars.length > 0) return refused(...bars);
  const lookOf = (kind: CameOut) => fastenerKey({ ...kind, singleUse: kind.singleUse ?? false });
  const left = [...before];
  const ids = new Set(piece.fasteners.map((group) => group.id));
  const groups = found.map((entry, index): FastenerGroup => {
    const own = left.findIndex((group) => fastenerKey(group) === lookOf(entry) && (entry.place === undefined || entry.place === group.place));
    const [known] = own < 0 ? [] : left.splice(own, 1);
    if (known) return { ...known, count: entry.count };
    let number = index + 1;
    while (ids.has(`found-${number}`)) number++;
    ids.add(`found-${number}`);
    return { ...groupOf(entry, index, { level: level as OpenLevel, side: piece.side }), id: `found-${number}` };
  });
  const fasteners = [...piece.fasteners.filter((group) => !before.some((own) => own.id === group.id)), ...groups];
  const same = left.length === 0 && groups.every((group) => before.some((own) => own.id === group.id && own.count === group.count));
  return same ? refused({ code: 'already' }) : happened({ type: 'kind.described', payload: { held: [{ piece: id, fasteners }] } });
}

/** Pieces of the kind that can be planned in besides: those that are not open, nor planned or wanted already. */
export function openable({ state, profile }: Pick<JobContext, 'state' | 'profile'>, planned: readonly string[]): Piece[] {
  return profile.pieces.filter(
    ({ id, levels }) => levels.length > 0 && levelRank(state.reached[id] ?? 'fitted') === 0 && !planned.includes(id) && !state.wanted.some(({ piece }) => piece === id),
  );
}

/** A piece that has to be open as well: it is planned in with all that lies before it. */
export function want(context: JobContext, id: string): Act {
  const piece = openable(context, []).find((entry) => entry.id === id);
  const level = piece?.levels.at(-1)?.level;
  return level === undefined ? refused({ code: 'unknown', what: 'piece', id }) : happened({ type: 'piece.wanted', payload: { piece: id, level } });
}

/** All is open that the kits are worked at of which nobody has described how they sit. */
export function enough(context: JobContext): Act {
  const kits = unplacedKits(context).filter((kit) => !context.state.enough.includes(kit));
  return unless(reachUnknown(context) ? [] : [{ code: 'already' }], () => [{ type: 'opening.enough', payload: { kits } }]);
}
