import { minutesToHundredths } from '../units/index.ts';
import { estimateStep, type Estimate, type TakenBySteps } from '../schedule/index.ts';
import type { RuleSet } from '../rules/index.ts';
import {
  LEVELS,
  positionsOf,
  type FastenerGroup,
  type Level,
  type LevelNeed,
  type Piece,
  type PieceLevel,
  type Side,
  type Supply,
  type SupplyId,
  type Way,
  type Zone,
} from '../vehicle/index.ts';
import { levelRank, wayNeeds, type AccessProfile } from './problem.ts';
import type { Position, SetUp, Stand } from './sequence.ts';
import type { Move } from './solve.ts';

/** What has to be done before a piece moves, said at the step; `stands` where the vehicle stands so already, and is left so. */
export type Preparation =
  | { code: 'turn' | 'stands'; kind: string; place: string }
  | { code: 'mark'; what: string }
  | { code: 'cover-paint' }
  | { code: 'before-dead'; what: string }
  | { code: 'unplug'; sensor: string }
  | { code: 'support'; leashMm?: number };

/** A move as it is named: of opening where it says which way it went, else of putting back, which goes the way it came. */
export interface NamedMove {
  piece: string;
  from: Level;
  level: Level;
  way?: string;
}

/** Name under which the times of a move are kept. */
export function stepName({ piece, from, level, way }: NamedMove): string {
  return `${piece}/${from}>${level}${way === undefined ? '' : `/${way}`}`;
}

const isLevel = (text: string | undefined): text is Level => (LEVELS as readonly (string | undefined)[]).includes(text);

/** The move of a name; undefined where it is none. */
export function moveNamed(name: string): NamedMove | undefined {
  const [, piece, from, level, way] = /^([^/]+)\/([^>]+)>([^/]+)(?:\/(.+))?$/.exec(name) ?? [];
  return piece !== undefined && isLevel(from) && isLevel(level) ? { piece, from, level, ...(way === undefined ? {} : { way }) } : undefined;
}

/** One step of opening. Minutes are for the people of the step working together. */
export interface OpenStep {
  slot: number;
  piece: string;
  from: Level;
  level: Level;
  way: string;
  needs: LevelNeed[];
  side: Side;
  zone: Zone;
  people: number;
  /** What the profile says. */
  minutes: number;
  /** Set-up before it in the order of the plan: a change of side, zone, tool or position, a helper called. */
  setUpMin: number;
  /** What this shop takes, from the profile and the times taken so far. */
  estimate: Estimate;
  tools: string[];
  fasteners: FastenerGroup[];
  /** Sensors that leave their place or their plug with this step. */
  sensors: string[];
  prepare: Preparation[];
  /** How the vehicle itself must stand. */
  positions?: Position[];
  /** Supplies that must be dead for it. */
  dead: SupplyId[];
  /** The supply that it isolates. */
  isolates?: SupplyId;
}

/** Clips that a trim tool lets go, whatever their size. */
const TRIM_CLIPS: readonly string[] = ['push-pin', 'fir-tree clip'];

/** Name of the tool that a fastener group wants: size before drive, or the drive alone. */
export function toolOf(group: FastenerGroup): string | undefined {
  if (group.drive === 'none' || group.drive === 'plug lock') return undefined;
  if (TRIM_CLIPS.includes(group.drive)) return 'trim tool';
  return group.size ? `${group.size} ${group.drive}` : group.drive;
}

/** Minutes of a change of the vehicle's position where the rules do not say. */
const POSITION_MIN = 0.5;

/** Set-up times of a rule set in whole hundredths of a minute. */
export function setUpOf(rules: Pick<RuleSet, 'sequence'>): SetUp {
  const { sideMin, zoneMin, toolMin, helperMin, positionMin = POSITION_MIN, positions = [] } = rules.sequence;
  const places: Record<string, Record<string, number>> = {};
  for (const { kind, place, min } of positions) places[kind] = { ...places[kind], [place]: minutesToHundredths(min) };
  return {
    side: minutesToHundredths(sideMin),
    zone: minutesToHundredths(zoneMin),
    tool: minutesToHundredths(toolMin),
    helper: minutesToHundredths(helperMin),
    position: minutesToHundredths(positionMin),
    ...(positions.length > 0 ? { places } : {}),
  };
}

/** Fastener groups that come out when a piece goes from one level to another. */
export function fastenersBetween(piece: Piece, from: Level, to: Level): FastenerGroup[] {
  return piece.fasteners.filter((group) => levelRank(group.atLevel) > levelRank(from) && levelRank(group.atLevel) <= levelRank(to));
}

/** Tools for the fasteners that come out, or go back, between two levels. */
export function toolsBetween(piece: Piece, from: Level, to: Level): string[] {
  return [...new Set(fastenersBetween(piece, from, to).flatMap((group) => toolOf(group) ?? []))];
}

/** Minutes that the profile gives the people of a step to open a piece from one level to another by a way. */
export function openMinutes(piece: Piece, { from, level, way }: { from: Level; level: Level; way?: string }): number {
  const above = piece.levels.find((candidate) => candidate.level === level);
  const below = piece.levels.find((candidate) => candidate.level === from);
  if (!above) return 0;
  const extraMin = above.ways.find((candidate) => candidate.id === way)?.extraMin ?? 0;
  return (above.openMin * above.people - (below ? below.openMin * below.people : 0) + extraMin) / above.people;
}

function preparations(piece: Piece, level: Level, way: Way | undefined, sensors: readonly string[], isolates: Supply | undefined): Preparation[] {
  return [
    ...(isolates?.before ?? []).map((what) => ({ code: 'before-dead' as const, what })),
    ...positionsOf(way).map((position) => ({ code: 'turn' as const, ...position })),
    ...(piece.witness ? [{ code: 'mark' as const, what: piece.witness }] : []),
    ...(piece.painted ? [{ code: 'cover-paint' as const }] : []),
    ...sensors.map((sensor) => ({ code: 'unplug' as const, sensor })),
    ...(level === 'hung' ? [{ code: 'support' as const, ...(piece.leashMm === undefined ? {} : { leashMm: piece.leashMm }) }] : []),
  ];
}

/** What has to be done before a step as the vehicle stands at that moment: where it stands as it must, it is left so. */
export function preparationsIn(prepare: readonly Preparation[], stand: Stand): Preparation[] {
  return prepare.map((entry) => {
    if (entry.code !== 'turn' && entry.code !== 'stands') return entry;
    return { ...entry, code: stand[entry.kind] === entry.place ? ('stands' as const) : ('turn' as const) };
  });
}

/** What a step is of besides the profile: times taken so far, and whether a kit takes the piece's place, so that it never returns. */
export interface StepOn {
  taken?: TakenBySteps;
  replaced?: boolean;
}

/** One move as a step with its tools, fasteners and what has to be done before. */
export function stepOf(move: Move, piece: Piece, profile: AccessProfile, { taken = {}, replaced = false }: StepOn = {}): Omit<OpenStep, 'slot'> {
  const level = piece.levels.find((candidate) => candidate.level === move.level);
  const way = level?.ways.find((candidate) => candidate.id === move.way);
  const people = level?.people ?? 1;
  const minutes = openMinutes(piece, move);
  const fasteners = fastenersBetween(piece, move.from, move.level);
  const sensors = profile.sensors.filter((sensor) => sensor.on === piece.id).map((sensor) => sensor.id);
  const isolates = isolatedBy(profile.supplies ?? [], move);
  const positions = positionsOf(way);
  return {
    piece: piece.id,
    from: move.from,
    level: move.level,
    way: move.way,
    needs: way ? wayNeeds(way, level, profile.supplies ?? []) : [],
    side: piece.side,
    zone: piece.zone,
    people,
    minutes,
    setUpMin: 0,
    estimate: estimateStep(minutes, taken[stepName(move)]),
    tools: toolsBetween(piece, move.from, move.level),
    fasteners,
    sensors,
    prepare: preparations(piece, move.level, way, sensors, isolates).filter((entry) => !(replaced && entry.code === 'mark')),
    ...(positions.length > 0 ? { positions } : {}),
    dead: deadFor(level, way),
    ...(isolates ? { isolates: isolates.id } : {}),
  };
}

/** Supplies that a way to a level asks to be dead. */
export function deadFor(level: PieceLevel | undefined, way: Way | undefined): SupplyId[] {
  const asks = [...(level?.asks ?? []), ...(way?.asks ?? [])];
  return [...new Set(asks.filter((ask) => ask.is === 'dead').map((ask) => ask.supply))];
}

/** The supply that a move isolates: it brings the isolating piece from below its level to that level or beyond. */
export function isolatedBy(supplies: readonly Supply[], { piece, from, level }: { piece: string; from: Level; level: Level }): Supply | undefined {
  return supplies.find((supply) => supply.piece === piece && levelRank(from) < levelRank(supply.level) && levelRank(level) >= levelRank(supply.level));
}

/**
 * For every move the indexes of the moves that must come before it: its own lower levels, and for each need of its way the lowest
 * move that brings that piece far enough. What is open at the start needs nobody to open it.
 * @param present levels at the start, for pieces that are not fitted
 */
export function precedence(moves: readonly { piece: string; level: Level; needs: LevelNeed[] }[], present: ReadonlyMap<string, Level> = new Map()): number[][] {
  return moves.map((move, index) => {
    const before = new Set<number>();
    for (const need of move.needs) {
      if (levelRank(present.get(need.piece) ?? 'fitted') >= levelRank(need.level)) continue;
      const provider = lowestReaching(moves, need);
      if (provider !== undefined && provider !== index) before.add(provider);
    }
    moves.forEach((other, place) => {
      if (other.piece === move.piece && levelRank(other.level) < levelRank(move.level)) before.add(place);
    });
    return [...before];
  });
}

function lowestReaching(moves: readonly { piece: string; level: Level }[], need: LevelNeed): number | undefined {
  let found: number | undefined;
  moves.forEach((move, index) => {
    if (move.piece !== need.piece || levelRank(move.level) < levelRank(need.level)) return;
    if (found === undefined || levelRank(move.level) < levelRank(moves[found]?.level ?? 'off')) found = index;
  });
  return found;
}
