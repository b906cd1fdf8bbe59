import { describedOnce, leftOpen, type DescribedHere, heldAs, needsAsKept, withFurther } from '../overlay/index.ts';
import type { Kit } from '../kit/index.ts';
import {
  askingDead,
  inMeasureOrder,
  isUndescribed,
  levelRank,
  middleMm,
  pieceKey,
  withMeasures,
  withoutPieces,
  withTelling,
  type Circuit,
  type Described,
  type GapPoint,
  type KindNote,
  type LampFunction,
  type Level,
  type LevelNeed,
  type MeasureId,
  type MountPosition,
  type Piece,
  type PieceLevel,
  type Sensor,
  type Supply,
  type TellingFact,
  type VehiclePlug,
  type VehicleProfile,
  type FastenerGroup,
  fastenerKey,
  refitCycle,
  type RefitRule,
} from '../vehicle/index.ts';
import { hidesAll, kindTaught, stillNew, withChanges, type KindTaught, type WayChange } from './changes.ts';
import { asFound, confirmedPieces } from './assumed.ts';
import { factsTaken, factsTold } from './facts.ts';
import { asWay, type ProposedLevel } from './levels.ts';
import { liveMinOf } from './revived.ts';
import { kitsProposed, type JobDescribed, type KitProposed } from './kits.ts';
import { teachWays } from './propose.ts';
import type { OpenThen, SeenJob, SeenMove } from './seen.ts';

/** An entry that jobs described and the profile does not have; `jobs` those that did. */
export interface Proposed<T> {
  entry: T;
  jobs: string[];
}

/** What jobs of a kind teach: entries that nobody had described, and ways that the profile does not have. */
export interface KindCaptured extends KindTaught {
  pieces: Proposed<Piece>[];
  functions: Proposed<LampFunction>[];
  mounts: Proposed<MountPosition>[];
  supplies: Proposed<Supply>[];
  sensors: Proposed<Sensor>[];
  gaps: Proposed<GapPoint>[];
  plugs: Proposed<VehiclePlug>[];
  circuits: Proposed<Circuit>[];
  /** What tells its vehicles apart, with the pieces that not all of them have. */
  facts: Proposed<TellingFact>[];
  /** What had to go back before something else, as those said who put it back. */
  refitRules: Proposed<RefitRule>[];
  /** Pieces that were taken over from another kind and that jobs opened: as they were found, and as they were assumed. */
  confirmed: (Proposed<Piece> & { before: Piece })[];
  /** Pieces that jobs found held otherwise than the profile says, as the newest of them said it. */
  otherwise: (Proposed<Piece> & { before: Piece })[];
  /** Pieces that were taken over from another kind and that jobs said this one does not have. */
  without: { piece: string; jobs: string[] }[];
  /** Supplies of which nobody had measured what bringing them back takes, with what jobs took for it. */
  revived: Proposed<Supply>[];
  /** Measures that nobody had taken, as jobs measured them: the middle of what they say, and what stood there before. */
  measures: { measure: MeasureId; valueMm: number; beforeMm: number; jobs: string[] }[];
  /** What was noted on the jobs: whether it is of the kind, or of that one vehicle, a person says. */
  notes: Proposed<KindNote>[];
  kits: KitProposed[];
  /** Lists that the profile has as not described and of which jobs said that there is no more; each with those jobs. */
  whole: { list: Described; jobs: string[] }[];
}

/**
 * Under which id a piece or a place that jobs described is kept: two of one name on one side are one, under the id of the first, and one that the profile has is
 * that one.
 */
function idsOf<T extends Pick<Piece, 'id' | 'name' | 'side'>>(own: readonly T[], described: readonly T[], keyOf: (entry: T) => string = pieceKey): Map<string, string> {
  const byName = new Map(own.map((entry) => [keyOf(entry), entry.id]));
  const known = new Set(own.map(({ id }) => id));
  const ids = new Map<string, string>();
  for (const entry of described) {
    const id = known.has(entry.id) ? entry.id : (byName.get(keyOf(entry)) ?? entry.id);
    byName.set(keyOf(entry), byName.get(keyOf(entry)) ?? id);
    ids.set(entry.id, ids.get(entry.id) ?? id);
  }
  return ids;
}

/** Moves by the pieces that they are kept under. Where two descriptions of a job are one piece, it was opened once: by the first of them that led so far. */
function openedOnce(moves: readonly SeenMove[], to: (piece: string) => string): SeenMove[] {
  const reached = new Map<string, { by: string; rank: number }>();
  const byForce = new Set(moves.flatMap(({ piece, broken }) => (broken ? [to(piece)] : [])));
  return moves.flatMap((move): SeenMove[] => {
    const [piece, rank] = [to(move.piece), levelRank(move.level)];
    const before = reached.get(piece);
    if (before && before.by !== move.piece && before.rank >= rank) return [];
    if (!before || rank > before.rank) reached.set(piece, { by: move.piece, rank });
    // Of one that two devices opened within a minute, neither had to be open for the other.
    const open = needsAsKept(move.open, to).filter((need) => need.piece !== piece || levelRank(need.level) < rank);
    const answers = move.answers?.map((answer) => ({ ...answer, piece: to(answer.piece) }));
    return [{ ...move, piece, open, ...(answers ? { answers } : {}), ...(byForce.has(piece) ? { broken: true } : {}) }];
  });
}

/** A job with each piece by the id that it is kept under. */
function renamed(job: SeenJob, ids: ReadonlyMap<string, string>, places: ReadonlyMap<string, string>): SeenJob {
  const to = (piece: string) => ids.get(piece) ?? piece;
  const open = (list: OpenThen): LevelNeed[] => needsAsKept(list, to);
  return {
    ...job,
    moves: openedOnce(job.moves, to),
    targets: job.targets.map((target) => ({ ...target, target: places.get(target.target) ?? target.target, open: open(target.open) })),
    tried: job.tried.map((tried) => ({ ...tried, piece: to(tried.piece), open: open(tried.open) })),
    closings: job.closings.map((closing) => ({ ...closing, piece: to(closing.piece) })),
    answers: job.answers.map((answer) => ({ ...answer, piece: to(answer.piece) })),
  };
}

/** One text for a plug of one name on one side that shows one face: of two faces they are two. */
const plugKey = (plug: VehiclePlug): string => [pieceKey(plug), ...plug.pins.map(({ row, column }) => `${row}/${column}`).sort()].join(' ');

/** Under which ids the pieces, places and plugs of jobs are kept. */
const keptUnder = (told: readonly JobDescribed[], profile: Pick<VehicleProfile, 'pieces' | 'mounts' | 'plugs'>) => ({
  ids: idsOf(
    profile.pieces,
    told.flatMap(({ described }) => Object.values(described.pieces)),
  ),
  places: new Map([
    ...idsOf(
      profile.mounts,
      told.flatMap(({ described }) => Object.values(described.mounts)),
    ),
    ...idsOf(
      profile.plugs,
      told.flatMap(({ described }) => Object.values(described.plugs)),
      plugKey,
    ),
  ]),
});

/** A move of a job. */
export interface JobMove {
  job: string;
  event: string;
}

/**
 * Moves of jobs of which the minutes went into a profile with the levels that it has and the one before it had not: opening and going back. Whoever plans
 * with it must not count them once more.
 */
export function minutesKept(jobs: readonly SeenJob[], saidBy: readonly JobDescribed[], before: VehicleProfile, after: Pick<VehicleProfile, 'pieces'>): JobMove[] {
  const { ids, places } = keptUnder(
    saidBy.map((job) => ({ ...job, described: describedOnce(job.described) })),
    before,
  );
  const has = ({ pieces }: Pick<VehicleProfile, 'pieces'>, piece: string, level: Level) =>
    pieces.some((own) => own.id === piece && own.levels.some((entry) => entry.level === level));
  const isNew = (piece: string, level: Level) => has(after, piece, level) && !has(before, piece, level);
  return jobs.flatMap((job) => {
    const { moves, closings } = renamed(job, ids, places);
    const taken = [...moves.filter(({ piece, level }) => isNew(piece, level)), ...closings.filter(({ piece, from }) => isNew(piece, from))];
    return taken.map(({ event }) => ({ job: job.job, event }));
  });
}

/** A supply with what bringing it back took on the jobs that measured it. */
function broughtBack(supply: Supply, told: readonly JobDescribed[]): Supply {
  const { liveMin } = liveMinOf(supply.id, told) ?? {};
  return liveMin === undefined ? supply : { ...supply, liveMin };
}

const same = (id: string): string => id;

/** A sensor on the side of the piece that carries it. */
const onPiece = ({ id, name, on }: Sensor, pieces: readonly Piece[]) => ({ id, name, side: pieces.find((piece) => piece.id === on)?.side ?? 'centre' });

/** Entries that jobs described, each once as it was described first, with the jobs that did. */
function proposed<T extends { id: string }>(own: readonly T[], told: readonly { job: string; entries: readonly T[] }[], idOf: (id: string) => string): Proposed<T>[] {
  const known = new Set(own.map(({ id }) => id));
  const found = new Map<string, Proposed<T>>();
  for (const { job, entries } of told) {
    for (const entry of entries) {
      const id = idOf(entry.id);
      if (known.has(id)) continue;
      const before = found.get(id) ?? { entry: { ...entry, id }, jobs: [] };
      found.set(id, { ...before, jobs: [...new Set([...before.jobs, job])] });
    }
  }
  return [...found.values()];
}

/** A piece with the supplies that each of its ways was gone dead with; what itself isolates one is taken as it is. */
const pieceAskingDead = (piece: Piece, supplies: readonly Supply[]): Piece => {
  const others = supplies.filter((supply) => supply.piece !== piece.id);
  return { ...piece, levels: piece.levels.map((level) => ({ ...level, ways: level.ways.map((way) => askingDead(way, others)) })) };
};

/** Places and plugs with the ways that can be said of them; one to which none is left is left out. Gives back how many ways were lost by it. */
function reachable<T extends Pick<MountPosition, 'reach' | 'hiddenBy'>>(
  own: readonly Piece[],
  places: readonly Proposed<T>[],
  supplies: readonly Supply[],
): { places: Proposed<T>[]; lost: number } {
  const levels = new Map(own.map((piece) => [piece.id, piece.levels]));
  const said = places.map(({ entry, jobs }) => {
    const reach = entry.reach.filter(({ needs }) => sayable(needs, levels)).map((way) => askingDead(way, supplies));
    return { entry: { ...entry, reach, hiddenBy: hidesAll(reach) }, jobs };
  });
  const waysOf = (list: readonly { entry: T }[]) => list.reduce((sum, { entry }) => sum + entry.reach.length, 0);
  const kept = said.filter(({ entry }) => entry.reach.length > 0);
  return { places: kept, lost: waysOf(places) - waysOf(kept) };
}

/**
 * A piece that a job took to be as on the other side: as another job described it, else as those who opened it found it, with what it was taken to take. What
 * nobody opened there nobody has seen.
 */
function assumedAsFound(
  proposal: Proposed<Piece>,
  told: readonly JobDescribed[],
  jobs: readonly SeenJob[],
  idOf: (piece: string) => string,
): (Proposed<Piece> & { prior?: Piece })[] {
  const { entry, jobs: by } = proposal;
  if (entry.assumed === undefined) return [proposal];
  const said = told.flatMap(({ described }) => Object.values(described.pieces).filter(({ id, assumed }) => idOf(id) === entry.id && assumed === undefined));
  if (said[0]) return [{ entry: { ...said[0], id: entry.id }, jobs: by }];
  // By what they take alone: a way that was assumed is none that was gone.
  const prior = { ...entry, levels: entry.levels.map((level) => ({ ...level, ways: [] })) };
  const held = told.flatMap(({ described }) => Object.entries(described.held).flatMap(([id, fasteners]) => (idOf(id) === entry.id ? [fasteners] : [])));
  if (jobs.some(({ moves }) => moves.some((move) => move.piece === entry.id))) return [{ entry: asFound(heldAs(entry, held[0]), jobs), jobs: by, prior }];
  return [];
}

const levelOf = ({ measured: _measured, ways, ...level }: ProposedLevel): PieceLevel => ({ ...level, ways: ways.map(asWay) });

/** Whether every need of a way can be said of these pieces. */
const sayable = (needs: readonly LevelNeed[], levels: ReadonlyMap<string, readonly PieceLevel[]>) =>
  needs.every((need) => levels.get(need.piece)?.some(({ level }) => levelRank(level) >= levelRank(need.level)));

/**
 * Pieces with the ways that can be said of them: one that none is left of is left out, with every way that leads over it, until nothing more goes. Gives
 * back how many ways were lost by it.
 */
function closed<T extends { entry: Piece }>(own: readonly Piece[], pieces: readonly T[]): { pieces: T[]; lost: number } {
  const levels = new Map([...own, ...pieces.map(({ entry }) => entry)].map((piece) => [piece.id, piece.levels]));
  const left = pieces.map((piece): T => {
    const said = piece.entry.levels.map((level) => ({ ...level, ways: level.ways.filter(({ needs }) => sayable(needs, levels)) })).filter(({ ways }) => ways.length > 0);
    const there = new Set<string>(said.map(({ level }) => level));
    return { ...piece, entry: { ...piece.entry, levels: said, fasteners: piece.entry.fasteners.filter(({ atLevel }) => there.has(atLevel)) } };
  });
  const waysOf = (list: readonly { entry: Piece }[]) => list.reduce((sum, { entry }) => sum + entry.levels.reduce((all, { ways }) => all + ways.length, 0), 0);
  const kept = left.filter(({ entry }) => entry.levels.length > 0);
  const lost = waysOf(pieces) - waysOf(kept);
  if (lost === 0 && kept.length === pieces.length) return { pieces: kept, lost };
  const rest = closed(own, kept);
  return { pieces: rest.pieces, lost: lost + rest.lost };
}

/** Rules of going back that jobs said and the profile does not have, each once, and none that closes a circle with those before it. */
function refitTold(told: readonly JobDescribed[], profile: Pick<VehicleProfile, 'refitRules'>, idOf: (piece: string) => string): Proposed<RefitRule>[] {
  const found: Proposed<RefitRule>[] = [];
  for (const { job, described } of told) {
    for (const said of Object.values(described.refitRules)) {
      const entry = { ...said, first: idOf(said.first), then: idOf(said.then) };
      const is = (rule: RefitRule) => rule.id === entry.id || (rule.first === entry.first && rule.then === entry.then && !rule.when);
      if (profile.refitRules.some(is)) continue;
      const before = found.find((known) => is(known.entry));
      if (before) before.jobs = [...new Set([...before.jobs, job])];
      else if (refitCycle({ refitRules: [...profile.refitRules, ...found.map((known) => known.entry), entry] }).length === 0) found.push({ entry, jobs: [job] });
    }
  }
  return found;
}

/** Levels of pieces of a profile to which jobs took them and that it does not have, as all of them show it, and what came out at them. */
function wentBeyond(
  told: readonly JobDescribed[],
  { pieces }: Pick<VehicleProfile, 'pieces'>,
  levels: ReadonlyMap<string, ProposedLevel[]>,
): Map<string, { piece: Piece; jobs: string[] }> {
  return new Map(
    pieces.flatMap((own) => {
      const said = told.flatMap(({ job, described }) => (described.pieces[own.id] ? [{ job, piece: described.pieces[own.id] as Piece }] : []));
      const shown = (levels.get(own.id) ?? []).filter(({ level }) => said.some(({ piece }) => piece.levels.some((entry) => entry.level === level)));
      const whole = said.reduce<Piece>((sum, { piece }) => withFurther(sum, piece), { ...own, levels: [], fasteners: [] });
      const piece = withFurther(own, { ...whole, levels: shown.map(levelOf) });
      const by = said.filter(({ piece: one }) => one.levels.some(({ level }) => !own.levels.some((known) => known.level === level))).map(({ job }) => job);
      return piece === own ? [] : [[own.id, { piece, jobs: by }] as const];
    }),
  );
}

/** What holds pieces of a profile as jobs found it, where that is other than it says: as the newest of them said it, with those that said so. */
function heldOtherwise(told: readonly JobDescribed[], { pieces }: Pick<VehicleProfile, 'pieces'>): Map<string, { fasteners: FastenerGroup[]; jobs: string[] }> {
  const text = (groups: readonly FastenerGroup[]) => groups.map((group) => [group.id, group.count, group.atLevel, fastenerKey(group)].join(' ')).join(';');
  const alike = (one: readonly FastenerGroup[], other: readonly FastenerGroup[]) => text(one) === text(other);
  return new Map(
    pieces.flatMap(({ id, fasteners: own }) => {
      const said = told.flatMap(({ job, described }) => (described.held[id] ? [{ job, fasteners: described.held[id] }] : []));
      const [newest] = said;
      return newest && !alike(newest.fasteners, own)
        ? [[id, { fasteners: newest.fasteners, jobs: said.filter(({ fasteners }) => alike(fasteners, newest.fasteners)).map(({ job }) => job) }] as const]
        : [];
    }),
  );
}

/**
 * What jobs of a kind teach beyond its profile: pieces and lamps that they described, the levels and minutes of a piece as all of them show it, and the ways
 * of what the profile has. Two descriptions of one name on one side are one piece.
 */
export function kindCaptured(jobs: readonly SeenJob[], saidBy: readonly JobDescribed[], profile: VehicleProfile, kits: readonly Kit[] = []): KindCaptured {
  const told = saidBy.map((job) => ({ ...job, described: describedOnce(job.described) }));
  const { ids, places } = keptUnder(told, profile);
  const gaps = idsOf(
    profile.gaps,
    told.flatMap(({ described }) => Object.values(described.gaps)),
  );
  const seen = jobs.map((job) => renamed(job, ids, places));
  const ofJobs = <T>(entriesOf: (described: DescribedHere) => Readonly<Record<string, T>>) =>
    told.map(({ job, described }) => ({ job, entries: Object.values(entriesOf(described)) }));
  const piece = (id: string) => ids.get(id) ?? id;
  const entries = proposed(
    profile.pieces,
    ofJobs(({ pieces: list }) => list),
    piece,
  ).flatMap((entry) => assumedAsFound(entry, told, seen, piece));
  const { levels, reach } = teachWays(seen, { ...profile, pieces: [...profile.pieces, ...entries.flatMap(({ prior }) => prior ?? [])] });
  const shown = entries.map(({ entry, jobs: by }) => ({ entry: { ...entry, levels: (levels.get(entry.id) ?? []).map(levelOf) }, jobs: by }));
  const { pieces, lost } = closed(profile.pieces, shown);
  const all = [...profile.pieces, ...pieces.map(({ entry }) => entry)];
  const supplies = proposed(
    profile.supplies,
    ofJobs(({ supplies: list }) => list),
    same,
  ).map((supply) => ({ ...supply, entry: broughtBack({ ...supply.entry, piece: piece(supply.entry.piece) }, told) }));
  const reached = <T extends Pick<MountPosition, 'id' | 'reach'>>({ entry, jobs: by }: Proposed<T>) => ({
    entry: { ...entry, reach: (reach.get(entry.id) ?? []).map(asWay) },
    jobs: by,
  });
  const spots = proposed(
    profile.mounts,
    ofJobs(({ mounts: list }) => list),
    (id) => places.get(id) ?? id,
  ).map(reached);
  const { places: mounts, lost: lostPlaces } = reachable(all, spots, []);
  const faces = proposed(
    profile.plugs,
    ofJobs(({ plugs: list }) => list),
    (id) => places.get(id) ?? id,
  ).map(reached);
  const { places: plugs, lost: lostPlugs } = reachable(all, faces, []);
  const taught = kindTaught(seen, { ...profile, pieces: all, supplies: [...profile.supplies, ...supplies.map(({ entry }) => entry)] });
  const sensors = idsOf(
    profile.sensors.map((sensor) => onPiece(sensor, all)),
    told.flatMap(({ described }) => Object.values(described.sensors).map((sensor) => onPiece({ ...sensor, on: piece(sensor.on) }, all))),
  );
  const held = heldOtherwise(told, profile);
  const beyond = wentBeyond(told, profile, levels);
  const confirmed = confirmedPieces(seen, profile, held).map((found) => ({ ...found, entry: withFurther(found.entry, beyond.get(found.entry.id)?.piece) }));
  return {
    ...taught,
    unsayable: taught.unsayable + lost + lostPlaces + lostPlugs,
    pieces,
    mounts,
    gaps: proposed(
      profile.gaps,
      ofJobs(({ gaps: list }) => list),
      (id) => gaps.get(id) ?? id,
    ),
    plugs,
    circuits: proposed(
      profile.circuits,
      ofJobs(({ circuits: list }) => list),
      same,
    ),
    facts: factsTold(told, profile, all, piece),
    refitRules: refitTold(told, profile, piece),
    confirmed,
    otherwise: profile.pieces.flatMap((before) => {
      const [holding, further] = [held.get(before.id), beyond.get(before.id)];
      if (confirmed.some(({ entry }) => entry.id === before.id) || (!holding && !further)) return [];
      const entry = withFurther(heldAs(before, holding?.fasteners), further?.piece);
      return [{ entry, before, jobs: [...new Set([...(holding?.jobs ?? []), ...(further?.jobs ?? [])])] }];
    }),
    revived: profile.supplies.flatMap((supply) => {
      const measured = supply.liveMin === undefined ? liveMinOf(supply.id, told) : undefined;
      return measured ? [{ entry: broughtBack(supply, told), jobs: measured.jobs }] : [];
    }),
    measures: inMeasureOrder(profile.unmeasured ?? []).flatMap((measure) => {
      const by = told.flatMap(({ job, described }) => (described.measures[measure] === undefined ? [] : [{ job, mm: described.measures[measure] }]));
      return by.length > 0 ? [{ measure, valueMm: middleMm(by.map(({ mm }) => mm)), beforeMm: profile.measures[measure], jobs: by.map(({ job }) => job) }] : [];
    }),
    without: profile.pieces.flatMap(({ id }) => {
      // What another vehicle of the kind had is no matter of the kind: the two differ by it.
      if (seen.some(({ moves }) => moves.some((move) => move.piece === id))) return [];
      // What isolates a supply or carries a sensor is named elsewhere: that is corrected by hand.
      if (profile.supplies.some(({ piece: isolating }) => isolating === id) || profile.sensors.some(({ on }) => on === id)) return [];
      const by = told.filter(({ described }) => described.without.includes(id)).map(({ job }) => job);
      return by.length > 0 ? [{ piece: id, jobs: by }] : [];
    }),
    supplies,
    sensors: proposed(
      profile.sensors,
      ofJobs(({ sensors: list }) => list),
      (id) => sensors.get(id) ?? id,
    ).map((sensor) => ({ ...sensor, entry: { ...sensor.entry, on: piece(sensor.entry.on) } })),
    notes: proposed(
      profile.notes ?? [],
      told.map(({ job, notes = [] }) => ({ job, entries: notes })),
      same,
    ),
    kits: kitsProposed(told, profile, kits, { places, pieces: ids }),
    functions: proposed(
      profile.functions,
      ofJobs(({ functions: list }) => list),
      same,
    ),
    whole: (['functions', 'sensors'] as const).flatMap((list) => {
      const by = told.filter(({ described }) => described.whole.includes(list)).map(({ job }) => job);
      return by.length > 0 && isUndescribed(profile, list) ? [{ list, jobs: by }] : [];
    }),
  };
}

/** What of that somebody took, by ids: entries, ways, kits by their slug, and lists that are whole from now on. */
export interface Taken {
  pieces: readonly string[];
  mounts: readonly string[];
  supplies: readonly string[];
  sensors: readonly string[];
  gaps: readonly string[];
  plugs: readonly string[];
  circuits: readonly string[];
  facts: readonly string[];
  confirmed: readonly string[];
  otherwise: readonly string[];
  refitRules: readonly string[];
  without: readonly string[];
  revived: readonly string[];
  measures: readonly MeasureId[];
  notes: readonly string[];
  kits: readonly string[];
  functions: readonly string[];
  ways: readonly string[];
  whole: readonly Described[];
}

export const NOTHING_TAKEN: Taken = {
  pieces: [],
  mounts: [],
  supplies: [],
  sensors: [],
  gaps: [],
  plugs: [],
  circuits: [],
  facts: [],
  confirmed: [],
  otherwise: [],
  refitRules: [],
  without: [],
  revived: [],
  measures: [],
  notes: [],
  kits: [],
  functions: [],
  ways: [],
  whole: [],
};

/** Lists of a profile of which a kit names entries. */
const NAMED = ['mounts', 'pieces', 'plugs', 'circuits'] as const;

/** What is left of what somebody took once what leads over something that was left is left as well. */
export function takenTogether(captured: KindCaptured, profile: VehicleProfile, taken: Taken) {
  const { pieces, functions, mounts, supplies, sensors, gaps, plugs, circuits, facts, confirmed, otherwise, refitRules, without, revived, measures, notes, kits, changes, whole } =
    captured;
  const kept = closed(
    profile.pieces,
    pieces.filter(({ entry }) => taken.pieces.includes(entry.id)),
  ).pieces.map(({ entry }) => entry);
  const levels = new Map([...profile.pieces, ...kept].map((piece) => [piece.id, piece.levels]));
  const there = (place: WayChange['place']) => ('target' in place ? true : levels.has(place.piece));
  const isolated = supplies.map(({ entry }) => entry).filter(({ id, piece, level }) => taken.supplies.includes(id) && levels.get(piece)?.some((own) => own.level === level));
  const isolable = [...profile.supplies, ...isolated];
  const reached = <T extends Pick<MountPosition, 'id' | 'reach' | 'hiddenBy'>>(places: readonly Proposed<T>[], ids: readonly string[]) =>
    reachable(
      [...profile.pieces, ...kept],
      places.filter(({ entry }) => ids.includes(entry.id)),
      isolable,
    ).places.map(({ entry }) => entry);
  const spots = reached(mounts, taken.mounts);
  const lines = circuits.map(({ entry }) => entry).filter(({ id }) => taken.circuits.includes(id));
  const fed = new Set([...profile.circuits, ...lines].map(({ id }) => id));
  // A circuit that was left is not named by a pin either.
  const faces = reached(plugs, taken.plugs).map((plug) => ({
    ...plug,
    pins: plug.pins.map(({ circuit, ...pin }) => ({ ...pin, ...(circuit !== undefined && fed.has(circuit) ? { circuit } : {}) })),
  }));
  const known = {
    mounts: new Set([...profile.mounts, ...spots].map(({ id }) => id)),
    plugs: new Set([...profile.plugs, ...faces].map(({ id }) => id)),
    circuits: fed,
    pieces: levels,
  };
  return {
    pieces: kept.map((piece) => pieceAskingDead(piece, isolable)),
    mounts: spots,
    gaps: gaps.map(({ entry }) => entry).filter(({ id }) => taken.gaps.includes(id)),
    plugs: faces,
    circuits: lines,
    facts: factsTaken(facts, taken.facts, new Set([...levels.keys()].filter((id) => !taken.without.includes(id)))),
    confirmed: confirmed.map(({ entry }) => entry).filter(({ id }) => taken.confirmed.includes(id)),
    refitRules: refitRules
      .map(({ entry }) => entry)
      .filter(({ id, first, then }) => taken.refitRules.includes(id) && [first, then].every((piece) => levels.has(piece) && !taken.without.includes(piece))),
    otherwise: otherwise
      .filter(({ entry }) => taken.otherwise.includes(entry.id))
      .map(({ entry, before }) => {
        // A level that leads over something that was left is left as well.
        const there = entry.levels.filter((level) => before.levels.some((own) => own.level === level.level) || level.ways.some(({ needs }) => sayable(needs, levels)));
        const said = there.map((level) => ({ ...level, ways: level.ways.filter(({ needs }) => sayable(needs, levels)) }));
        return pieceAskingDead({ ...entry, levels: said, fasteners: entry.fasteners.filter(({ atLevel }) => said.some(({ level }) => level === atLevel)) }, isolable);
      }),
    without: without.map(({ piece }) => piece).filter((id) => taken.without.includes(id)),
    revived: revived.map(({ entry }) => entry).filter(({ id }) => taken.revived.includes(id)),
    measures: measures.filter(({ measure }) => taken.measures.includes(measure)),
    supplies: isolated,
    // What carried a sensor was left, or what of a kit sits in a place that was: neither can be said.
    sensors: sensors.map(({ entry }) => entry).filter(({ id, on }) => taken.sensors.includes(id) && levels.has(on)),
    kits: kits.filter(({ kit, names }) => taken.kits.includes(kit.slug) && NAMED.every((list) => names[list].every((id) => known[list].has(id)))).map(({ kit }) => kit),
    notes: notes.map(({ entry }) => entry).filter(({ id }) => taken.notes.includes(id)),
    functions: functions.map(({ entry }) => entry).filter(({ id }) => taken.functions.includes(id)),
    changes: changes.filter(({ way, place }) => taken.ways.includes(way.id) && there(place) && sayable(way.needs, levels)),
    whole: whole.map(({ list }) => list).filter((list) => taken.whole.includes(list)),
  };
}

/** A profile with what was taken of what its jobs taught. */
export function withCaptured(profile: VehicleProfile, captured: KindCaptured, taken: Taken): VehicleProfile {
  const { changes, whole, kits: _kits, notes, measures, ...entries } = takenTogether(captured, profile, taken);
  const found = new Map([...entries.confirmed, ...entries.otherwise].map((piece) => [piece.id, piece]));
  const base = withoutPieces({ ...profile, pieces: profile.pieces.map((piece) => found.get(piece.id) ?? piece) }, entries.without);
  const { undescribed, ...rest } = withChanges(base, entries.without.length > 0 ? stillNew(base, changes) : changes);
  const held = {
    ...rest,
    ...leftOpen(undescribed, whole),
    functions: [...rest.functions, ...entries.functions],
    pieces: [...rest.pieces, ...entries.pieces],
    mounts: [...rest.mounts, ...entries.mounts],
    supplies: [...rest.supplies.map((supply) => entries.revived.find(({ id }) => id === supply.id) ?? supply), ...entries.supplies],
    sensors: [...rest.sensors, ...entries.sensors],
    gaps: [...rest.gaps, ...entries.gaps],
    plugs: [...rest.plugs, ...entries.plugs],
    circuits: [...rest.circuits, ...entries.circuits],
    refitRules: [...rest.refitRules, ...entries.refitRules],
    ...(notes.length > 0 ? { notes: [...(rest.notes ?? []), ...notes] } : {}),
  };
  return withMeasures(withTelling(held, entries.facts), Object.fromEntries(measures.map(({ measure, valueMm }) => [measure, valueMm])));
}
