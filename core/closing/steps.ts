import { deadFor, fastenersBetween, levelRank, stepName, toolsBetween, type Position, type SetUp } from '../access/index.ts';
import { estimateStep, type Estimate, type TakenBySteps } from '../schedule/index.ts';
import type { Subject } from '../subject/index.ts';
import {
  listedLevel,
  positionsOf,
  type FastenerGroup,
  type Level,
  type LevelNeed,
  type Piece,
  type Side,
  type Supply,
  type SupplyAsk,
  type SupplyId,
  type SupplyState,
  type VehicleProfile,
  type Zone,
} from '../vehicle/index.ts';

/** A move that was made, or is to be made, with what it needed at that moment besides a dead supply. */
export interface MadeMove {
  piece: string;
  from: Level;
  level: Level;
  /** The way it went, where it is known. */
  way?: string;
  needs: LevelNeed[];
}

/** Work that must be behind the job before something covers it: a test, an aim, a fitting step, a joint. */
export interface Gate {
  subject: Subject & { kind: 'test' | 'aim' | 'fit' | 'joint' | 'cap' | 'leg' | 'out' };
  side: Side;
  /** What covers it: each piece once it goes back below that level. */
  coveredBy: LevelNeed[];
  /** Pieces that must be back before it can run. */
  after: string[];
  asks: SupplyAsk[];
  /** Whether it is behind the job. */
  passed: boolean;
}

/** A piece put back by one level. */
export interface CloseStep {
  kind: 'piece';
  piece: string;
  /** The level it comes back from and to. */
  from: Level;
  to: Level;
  side: Side;
  zone: Zone;
  people: number;
  /** What the profile says. */
  minutes: number;
  /** What this shop takes, from the profile and the times taken so far. */
  estimate: Estimate;
  /** How the vehicle itself must stand. */
  positions?: Position[];
  tools: string[];
  fasteners: FastenerGroup[];
  sensors: string[];
  /** What must be behind the job before this step. */
  gates: Gate[];
  /** Pieces that must be back, or further back, before this step. */
  first: string[];
  /** Supplies that must be dead for it. */
  dead: SupplyId[];
  /** The supply that comes back live with it. */
  enlivens?: SupplyId;
}

/** A supply made live or dead between other steps, by the piece that isolates it. */
export interface SupplyStep {
  kind: 'supply';
  supply: SupplyId;
  to: SupplyState;
  piece: string;
  people: number;
  minutes: number;
  /** Until it counts as dead; work that does not ask for it goes on meanwhile. */
  waitMin: number;
}

/** The moment for work that must come before what covers it. */
export interface GateStep {
  kind: 'gate';
  gate: Gate;
}

export type ClosingStep = CloseStep | SupplyStep | GateStep;

/** Steps that put a piece back, without changes of a supply and moments for other work. */
export function piecesBack(steps: readonly ClosingStep[]): CloseStep[] {
  return steps.flatMap((step) => (step.kind === 'piece' ? [step] : []));
}

/** Kind of position that a supply is for the order of work. */
export const supplyPosition = (supply: SupplyId): string => `supply ${supply}`;

/** Minutes that the profile gives the people of a step to put a piece back from one level to a lower one. */
export function closeMinutes(piece: Piece, from: Level, to: Level): number {
  const above = listedLevel(piece, from);
  const below = listedLevel(piece, to);
  if (!above) return 0;
  return Math.max(0, above.closeMin * above.people - (below && below !== above ? below.closeMin * below.people : 0)) / above.people;
}

/** Set-up of a job in which making a supply live or dead costs what the piece that isolates it takes, with the wait and what the vehicle forgets. */
export function withSupplies(setUp: SetUp, { supplies, pieces }: Pick<VehicleProfile, 'supplies' | 'pieces'>): SetUp {
  if (supplies.length === 0) return setUp;
  const places = supplies.map((supply) => {
    const live = supplyStep(supply, 'live', pieces);
    const dead = supplyStep(supply, 'dead', pieces);
    return [supplyPosition(supply.id), { live: Math.round(live.minutes * live.people * 100), dead: Math.round((dead.minutes * dead.people + dead.waitMin) * 100) }];
  });
  return { ...setUp, places: { ...setUp.places, ...Object.fromEntries(places) } };
}

/** The step that makes a supply live or dead. */
export function supplyStep(supply: Supply, to: SupplyState, pieces: readonly Piece[]): SupplyStep {
  const piece = pieces.find((entry) => entry.id === supply.piece);
  const level = piece && listedLevel(piece, supply.level);
  const minutes = to === 'dead' ? (level?.openMin ?? 0) : (level?.closeMin ?? 0) + (supply.liveMin ?? 0);
  return { kind: 'supply', supply: supply.id, to, piece: supply.piece, people: level?.people ?? 1, minutes, waitMin: to === 'dead' ? supply.waitMin : 0 };
}

/** Supplies that must be dead while a piece is as far open as a level. */
export function keptDeadAt(piece: Piece | undefined, level: Level): SupplyId[] {
  return (piece?.levels ?? []).filter((entry) => levelRank(entry.level) <= levelRank(level)).flatMap((entry) => entry.deadWhileOpen ?? []);
}

/** Whether a step back from one level to another ends a need. */
export function ends(need: LevelNeed, { piece, from, to }: { piece: string; from: Level; to: Level }): boolean {
  return need.piece === piece && levelRank(to) < levelRank(need.level) && levelRank(need.level) <= levelRank(from);
}

/** The undoing of one move as a step. */
export function closeStep(profile: VehicleProfile, move: MadeMove, gates: readonly Gate[], taken: TakenBySteps): Omit<CloseStep, 'first'> {
  const piece = profile.pieces.find((candidate) => candidate.id === move.piece);
  const level = piece && listedLevel(piece, move.level);
  const way = level?.ways.find((candidate) => candidate.id === move.way);
  const positions = positionsOf(way);
  const minutes = piece ? closeMinutes(piece, move.level, move.from) : 0;
  const back = { piece: move.piece, from: move.level, to: move.from };
  const enlivens = profile.supplies.find((supply) => ends({ piece: supply.piece, level: supply.level }, back));
  return {
    kind: 'piece',
    ...back,
    side: piece?.side ?? 'centre',
    zone: piece?.zone ?? 'front',
    people: level?.people ?? 1,
    minutes,
    estimate: estimateStep(minutes, taken[stepName({ piece: move.piece, from: move.level, level: move.from })]),
    ...(positions.length > 0 ? { positions } : {}),
    tools: piece ? toolsBetween(piece, move.from, move.level) : [],
    fasteners: piece ? fastenersBetween(piece, move.from, move.level) : [],
    sensors: profile.sensors.filter((sensor) => sensor.on === move.piece).map((sensor) => sensor.id),
    gates: gates.filter((gate) => gate.coveredBy.some((need) => ends(need, back))),
    dead: deadFor(level, way),
    ...(enlivens ? { enlivens: enlivens.id } : {}),
  };
}
