import {
  idleOfOrder,
  levelRank,
  onTheClock,
  precedence,
  sequence,
  setUpOfOrder,
  twoLanes,
  type Clock,
  type LanePlan,
  type Position,
  type SequenceStep,
  type SetUp,
} from '../access/index.ts';
import { evaluate, type FactValues } from '../facts/index.ts';
import type { TakenBySteps } from '../schedule/index.ts';
import type { Subject } from '../subject/index.ts';
import { hundredthsToMinutes, minutesToHundredths } from '../units/index.ts';
import { standIn, type LevelNeed, type Stand, type SupplyId, type SupplyState, type VehicleProfile } from '../vehicle/index.ts';
import { closeStep, ends, keptDeadAt, supplyPosition, supplyStep, withSupplies, type CloseStep, type ClosingStep, type Gate, type MadeMove } from './steps.ts';

/** What is left where a gate cannot be passed before what covers it goes back. */
export type GateOffer = 'test with the piece hung' | 'test on a bench supply' | 'aim after closing' | 'test after closing';

export type CloseTrouble = { code: 'refit-contradiction'; pieces: string[] } | { code: 'gate-cannot-run'; subject: Subject; pieces: string[]; offers: GateOffer[] };

export interface ClosePlan extends Clock {
  steps: ClosingStep[];
  personMin: number;
  problems: CloseTrouble[];
}

export interface ClosingRequest {
  /** Without the pieces that this vehicle does not have. */
  profile: VehicleProfile;
  facts: FactValues;
  moves: readonly MadeMove[];
  /** Pieces that the kits take the place of: they stay off. */
  replaced: readonly string[];
  gates: readonly Gate[];
  setUp: SetUp;
  people?: 1 | 2;
  taken?: TakenBySteps;
  /** How the supplies are once all moves are made; live where it is not said. */
  supplyNow?: Partial<Record<SupplyId, SupplyState>>;
  /** How the vehicle stands once all moves are made. */
  stand?: Stand;
}

/** A line of the order that is being made: a step back, a gate that asks for a supply, or a supply back live for good. */
type Item = { kind: 'back'; step: Omit<CloseStep, 'first'> } | { kind: 'gate'; gate: Gate } | { kind: 'live'; supply: SupplyId };

/**
 * The order of putting back: every move has its undoing, a move made through something is undone before that something moves back,
 * and the refit rules that hold on this vehicle are kept. The undoing of a dead move is dead. A gate stands before the step that covers
 * it; one that asks for a supply live waits for the pieces that keep that supply dead. Supplies change as seldom as they can, the last
 * one back live after all dead work. Where the rules contradict that order, the pieces concerned are named and the rest is ordered
 * without the rules; a gate that no order lets run is named with what is left to do.
 */
export function planClosing(request: ClosingRequest): ClosePlan {
  const { profile, facts, replaced, gates, setUp, people = 1, taken = {}, supplyNow = {}, stand = {} } = request;
  const moves = request.moves.filter((move) => !replaced.includes(move.piece));
  const undo = undoOrder(moves);
  const steps = moves.map((move) => closeStep(profile, move, gates, taken));
  const rules = profile.refitRules.filter((rule) => evaluate(rule.when, facts) !== 'no');
  const withRules = undo.map((list) => [...list]);
  for (const rule of rules) {
    const last = lowest(moves, rule.first);
    const start = lowest(moves, rule.then);
    if (last !== undefined && start !== undefined) withRules[start]?.push(last);
  }
  const problems: CloseTrouble[] = [];
  const contradiction = inCircle(withRules);
  if (contradiction.length > 0) problems.push({ code: 'refit-contradiction', pieces: cycleAmong(contradiction, withRules).map((index) => moves[index]?.piece ?? '') });
  const board = new Board(profile, steps, contradiction.length > 0 ? undo : withRules, { supplyNow, stand });
  const held = new Set<Gate>();
  for (const gate of [...gates].sort((a, b) => Number(asksDead(b)) - Number(asksDead(a)))) {
    if (gate.passed) continue;
    const stuck = board.place(gate);
    if (stuck === undefined) held.add(gate);
    else problems.push({ code: 'gate-cannot-run', subject: gate.subject, pieces: stuck.pieces, offers: offersFor(gate, stuck, profile) });
  }
  board.restoreSupplies();
  return board.plan({ setUp: withSupplies(setUp, profile), people, problems, shown: (gate) => gate.passed || held.has(gate) });
}

const asksDead = (gate: Gate) => gate.asks.some((ask) => ask.is === 'dead');

/** Why a gate cannot run: the pieces that cover it too early, and whether it is a dead supply that keeps it from running. */
interface Stuck {
  pieces: string[];
  keptDead: boolean;
}

/** The lines to be put in order with what each comes after. */
class Board {
  private readonly items: Item[];
  private before: number[][];
  private readonly supplyNow: Partial<Record<SupplyId, SupplyState>>;
  private readonly stand: Stand;

  constructor(
    private readonly profile: VehicleProfile,
    private readonly steps: readonly Omit<CloseStep, 'first'>[],
    before: readonly (readonly number[])[],
    { supplyNow, stand }: { supplyNow: Partial<Record<SupplyId, SupplyState>>; stand: Stand },
  ) {
    this.supplyNow = supplyNow;
    this.stand = stand;
    this.items = steps.map((step) => ({ kind: 'back', step }));
    this.before = before.map((list) => [...list]);
  }

  /** Whether supplies change at all on the way back. */
  private get switches(): boolean {
    return (
      Object.values(this.supplyNow).includes('dead') || this.steps.some((step) => step.dead.length > 0) || this.items.some((item) => item.kind === 'gate' && asksDead(item.gate))
    );
  }

  private backs(which: (step: Omit<CloseStep, 'first'>) => boolean): number[] {
    return this.steps.flatMap((step, index) => (which(step) ? [index] : []));
  }

  /** Puts a gate before what covers it. Gives back what is in its way where that goes round in a circle; nothing is changed then. */
  place(gate: Gate): Stuck | undefined {
    const covering = this.backs((step) => gate.coveredBy.some((need) => ends(need, step)));
    const first = gate.after.flatMap((piece) => this.backs((step) => step.piece === piece && step.to === 'fitted'));
    const live = gate.asks.filter((ask) => ask.is === 'live').map((ask) => ask.supply);
    const keeping = this.backs((step) => {
      const piece = this.profile.pieces.find((entry) => entry.id === step.piece);
      return live.some((supply) => keptDeadAt(piece, step.from).includes(supply) && !keptDeadAt(piece, step.to).includes(supply));
    });
    const earlier = this.items.flatMap((item, index) => (item.kind === 'gate' && live.length > 0 && waitsFor(gate, item.gate) ? [index] : []));
    const named = (list: readonly number[]) => [...new Set(list.flatMap((index) => this.steps[index]?.piece ?? []))];
    const comesAfter = [...first, ...keeping, ...earlier];
    const waitedFor = (from: readonly number[]) => allBefore(from, this.before);
    const behindIt = waitedFor(comesAfter);
    const inItsWay = covering.filter((index) => behindIt.has(index));
    if (inItsWay.length > 0) return { pieces: named(inItsWay), keptDead: keeping.some((index) => inItsWay.some((covers) => waitedFor([index]).has(covers))) };
    if (comesAfter.length === 0 && gate.asks.length === 0) return undefined;
    const item = this.items.length;
    const tried = [...this.before.map((list, index) => (covering.includes(index) ? [...list, item] : list)), comesAfter];
    this.items.push({ kind: 'gate', gate });
    this.before = tried;
    return undefined;
  }

  private asksOf(item: Item): { supply: SupplyId; is: SupplyState }[] {
    if (item.kind === 'gate') return item.gate.asks;
    if (item.kind === 'live') return [{ supply: item.supply, is: 'live' }];
    return item.step.enlivens ? [{ supply: item.step.enlivens, is: 'live' }] : item.step.dead.map((supply) => ({ supply, is: 'dead' as const }));
  }

  /** Every supply that is dead, or still becomes so, comes back live after all that wants it dead; what leads to its isolation stays open until then. */
  restoreSupplies(): void {
    for (const supply of this.profile.supplies) {
      const dead = this.items.flatMap((item, index) => (this.asksOf(item).some((ask) => ask.supply === supply.id && ask.is === 'dead') ? [index] : []));
      const own = this.backs((step) => step.enlivens === supply.id);
      if (dead.length === 0 && own.length === 0) continue;
      let [restore] = own;
      if (restore === undefined) {
        restore = this.items.push({ kind: 'live', supply: supply.id }) - 1;
        this.before.push([]);
      }
      this.before[restore]?.push(...dead);
      const piece = this.profile.pieces.find((entry) => entry.id === supply.piece);
      const leads: LevelNeed[] = piece?.levels.find((level) => level.level === supply.level)?.ways[0]?.needs ?? [];
      for (const index of this.backs((step) => leads.some((need) => ends(need, step)))) if (!this.before[index]?.includes(restore)) this.before[index]?.push(restore);
    }
  }

  plan({ setUp, people, problems, shown }: { setUp: SetUp; people: 1 | 2; problems: CloseTrouble[]; shown: (gate: Gate) => boolean }): ClosePlan {
    const lines = this.items.flatMap((item, index) => (this.switches || item.kind !== 'gate' || (this.before[index]?.length ?? 0) > 0 ? [index] : []));
    const place = new Map(lines.map((index, at) => [index, at]));
    const toOrder = lines.map((index): SequenceStep & { duration: number } => this.orderable(index, place));
    const supplies = this.profile.supplies.map(({ id }) => ({ kind: supplyPosition(id), place: this.supplyNow[id] ?? 'live' }));
    const start = standIn(this.stand, supplies);
    const lanes: LanePlan | undefined = people === 2 ? twoLanes(toOrder, setUp, { start }) : undefined;
    const order = (lanes ? [...lanes.entries].sort((a, b) => a.start - b.start).map((entry) => entry.step) : sequence(toOrder, setUp, start).order).map((at) => lines[at] ?? 0);
    const steps = this.spellOut(order, shown);
    // A change of a supply is a step of its own, and is counted as one.
    const free: SetUp = { ...setUp, places: { ...setUp.places, ...Object.fromEntries(this.profile.supplies.map(({ id }) => [supplyPosition(id), { live: 0, dead: 0 }])) } };
    const sorted = order.map((index) => place.get(index) ?? 0);
    const between = setUpOfOrder(toOrder, sorted, free, start) + idleOfOrder(toOrder, sorted, free, start);
    const supplyMin = steps.reduce((sum, step) => sum + (step.kind === 'supply' ? step.minutes + step.waitMin : 0), 0);
    const timed = steps.flatMap((step) => (step.kind === 'piece' ? [step] : []));
    return {
      steps,
      personMin: steps.reduce((sum, step) => sum + (step.kind === 'gate' ? 0 : step.minutes * step.people), 0),
      ...onTheClock(timed, hundredthsToMinutes(between) + supplyMin, lanes && inOrder(lanes, order, place, steps, this.items)),
      problems,
    };
  }

  private orderable(index: number, place: ReadonlyMap<number, number>): SequenceStep & { duration: number } {
    const item = this.items[index];
    const before = (this.before[index] ?? []).flatMap((earlier) => place.get(earlier) ?? []);
    const ask = item && this.asksOf(item)[0];
    const supply = ask ? [{ kind: supplyPosition(ask.supply), place: ask.is }] : [];
    const standing = (own: readonly Position[] = []) => (supply.length + own.length > 0 ? { positions: [...supply, ...own] } : {});
    if (item?.kind !== 'back') return { side: item?.kind === 'gate' ? item.gate.side : 'centre', zone: 'front', tools: [], people: 1, before, duration: 0, ...standing() };
    const { side, zone, tools, people, estimate, positions } = item.step;
    return { side, zone, tools, people, before, duration: minutesToHundredths(estimate.medianMin), ...standing(positions) };
  }

  /** The order with every change of a supply written out where it happens; the one that brings it back for good is the isolating piece's own step back. */
  private spellOut(order: readonly number[], shown: (gate: Gate) => boolean): ClosingStep[] {
    const now = new Map(this.profile.supplies.map((supply) => [supply.id, this.supplyNow[supply.id] ?? 'live']));
    const steps: ClosingStep[] = [];
    const written = new Set<number>();
    const write = (index: number) => {
      const item = this.items[index];
      if (!item || written.has(index)) return;
      written.add(index);
      if (item.kind === 'gate') steps.push({ kind: 'gate', gate: item.gate });
      if (item.kind !== 'back') return;
      const first = new Set((this.before[index] ?? []).flatMap((earlier) => this.steps[earlier]?.piece ?? []));
      steps.push({ ...item.step, gates: item.step.gates.filter(shown), first: [...first].filter((piece) => piece !== item.step.piece) });
    };
    const change = (supply: SupplyId, to: SupplyState, at: number) => {
      const known = this.profile.supplies.find((entry) => entry.id === supply);
      if (!known || now.get(supply) === to) return;
      now.set(supply, to);
      const again = order.slice(at).some((index) => this.asksOf(this.items[index] as Item).some((ask) => ask.supply === supply && ask.is === 'dead'));
      const own = this.backs((step) => step.enlivens === supply)[0];
      if (to === 'live' && !again && own !== undefined) write(own);
      else steps.push(supplyStep(known, to, this.profile.pieces));
    };
    order.forEach((index, at) => {
      const item = this.items[index];
      if (!item || written.has(index)) return;
      for (const ask of this.asksOf(item)) change(ask.supply, ask.is, at);
      write(index);
    });
    return steps;
  }
}

/** A live gate of a side waits for the work of its own kit there that is still to be done. */
function waitsFor(gate: Gate, other: Gate): boolean {
  const kitOf = (subject: Gate['subject']) => ('kit' in subject ? subject.kit : undefined);
  const work = other.subject.kind === 'fit' || other.subject.kind === 'joint';
  return work && kitOf(gate.subject) === kitOf(other.subject) && (gate.side === other.side || gate.side === 'centre' || other.side === 'centre');
}

/** Lanes with their steps numbered as the plan lists them; changes of a supply are not in them. */
function inOrder(lanes: LanePlan, order: readonly number[], place: ReadonlyMap<number, number>, steps: readonly ClosingStep[], items: readonly Item[]): LanePlan {
  const timed = steps.flatMap((step) => (step.kind === 'piece' ? [step] : []));
  const entries = order.flatMap((index) => {
    const item = items[index];
    const entry = lanes.entries.find((candidate) => candidate.step === place.get(index));
    return item?.kind === 'back' && entry ? [{ item, entry }] : [];
  });
  const sorted = timed.flatMap((step) => entries.find(({ item }) => item.step.piece === step.piece && item.step.from === step.from)?.entry ?? []);
  return { ...lanes, entries: sorted };
}

/** Indexes, and all that they come after, directly or through others. */
function allBefore(from: readonly number[], before: readonly (readonly number[])[]): Set<number> {
  const found = new Set(from);
  for (const index of found) for (const earlier of before[index] ?? []) found.add(earlier);
  return found;
}

/** Indexes that never become free because they wait for each other. */
function inCircle(before: readonly (readonly number[])[]): number[] {
  const done = new Set<number>();
  for (let grew = true; grew;) {
    grew = false;
    before.forEach((list, index) => {
      if (done.has(index) || !list.every((earlier) => done.has(earlier))) return;
      done.add(index);
      grew = true;
    });
  }
  return before.map((_, index) => index).filter((index) => !done.has(index));
}

/** What is left to do for a test or an aim; fitting and joining cannot come after what covers them. */
function offersFor(gate: Gate, stuck: Stuck, { pieces }: VehicleProfile): GateOffer[] {
  if (gate.subject.kind === 'fit' || ['joint', 'cap', 'leg', 'out'].includes(gate.subject.kind)) return [];
  const hangs = stuck.pieces.some((piece) => pieces.find((entry) => entry.id === piece)?.levels.some((level) => level.level === 'hung'));
  return [
    ...(hangs ? ['test with the piece hung' as const] : []),
    ...(stuck.keptDead ? ['test on a bench supply' as const] : []),
    gate.subject.kind === 'aim' ? 'aim after closing' : 'test after closing',
  ];
}

/** For every undoing the indexes of those that must come earlier: the opening precedence turned round. */
function undoOrder(moves: readonly MadeMove[]): number[][] {
  const opening = precedence(moves);
  const before: number[][] = moves.map(() => []);
  opening.forEach((earlier, index) => earlier.forEach((place) => before[place]?.push(index)));
  return before;
}

/** Index of the move that leaves a piece's fitted state: its undoing closes the piece. */
function lowest(moves: readonly MadeMove[], piece: string): number | undefined {
  let found: number | undefined;
  moves.forEach((move, index) => {
    if (move.piece === piece && (found === undefined || levelRank(move.level) < levelRank(moves[found]?.level ?? 'off'))) found = index;
  });
  return found;
}

function cycleAmong(leftOver: readonly number[], before: readonly (readonly number[])[]): number[] {
  const among = new Set(leftOver);
  const trail: number[] = [];
  let at = leftOver[0];
  while (at !== undefined && !trail.includes(at)) {
    trail.push(at);
    at = (before[at] ?? []).find((index) => among.has(index));
  }
  return at === undefined ? trail : trail.slice(trail.indexOf(at));
}
