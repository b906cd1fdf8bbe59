import { lookAlikeGroups, type AccessPlan } from '../../access/index.ts';
import { supplyStep, type ClosePlan, type CloseStep, type ClosingStep, type Gate, type SupplyStep } from '../../closing/index.ts';
import { openingDone, gatesOf, planClosingOf } from '../../plan/index.ts';
import { keepingDead, replacedPieces, suppliesNow, supplyBars, type JobContext } from '../../job/index.ts';
import { LONGEST_TEXT, outstanding, wanting, type GroupCount, type Happened } from '../../events/index.ts';
import { key, same } from '../../subject/index.ts';
import { levelRank, listedLevel, needsHold, type FastenerGroup, type SupplyId, type SupplyState } from '../../vehicle/index.ts';
import { happened, refused, tooLong, unless, type Act, type Refusal } from '../act.ts';
import { block, question, todo, type Asked } from '../hold.ts';
import { missingFor } from '../open-up/index.ts';
import { askedOfStand, positionsTaken } from '../stand.ts';

const COVERED = { test: 'covered-untested', aim: 'covered-unaimed' } as const;

function covered(context: JobContext, plan: AccessPlan | undefined, closing: ClosePlan): Asked[] {
  const { state } = context;
  const unrunnable = closing.problems.flatMap((problem) => (problem.code === 'gate-cannot-run' ? [problem.subject] : []));
  return gatesOf(context, plan).flatMap((gate): Asked[] => {
    const { subject } = gate;
    if (gate.passed || (subject.kind !== 'test' && subject.kind !== 'aim') || unrunnable.some((entry) => same(entry, subject))) return [];
    const by = gate.coveredBy.find((need) => state.reached[need.piece] !== undefined && !needsHold([need], state.pieces) && needsHold([need], state.reached));
    if (!by) return [];
    const of = subject.kind === 'test' ? subject.test : subject.lamp;
    return [block(COVERED[subject.kind], { kit: subject.kit, test: of, piece: by.piece }, key(subject))];
  });
}

/** What the vehicle has forgotten and can be set again now, with its supply live. */
export function toRestore(context: JobContext): { supply: SupplyId; setting: string }[] {
  return suppliesNow(context).flatMap(({ supply, is, forgotten }) => (is === 'live' ? forgotten.map((setting) => ({ supply: supply.id, setting })) : []));
}

/** What Close up still asks for: what a test or an aim would be covered by, pieces open, supplies dead, settings forgotten, parts to bag, fasteners out. */
export function asked(context: JobContext, plan: AccessPlan | undefined, closing = planClosingOf(context, plan)): Asked[] {
  const { state } = context;
  const wanted = covered(context, plan, closing);
  const replaced = replacedPieces(context);
  const next = closing.steps.flatMap((step) => (step.kind === 'piece' ? [step.piece] : []));
  const open = Object.entries(state.pieces).filter(([piece, level]) => level !== 'fitted' && !replaced.includes(piece));
  // The next step back stands first, so that everybody is told the same one.
  const place = (piece: string) => (next.includes(piece) ? next.indexOf(piece) : next.length);
  for (const [piece, level] of open.sort(([a], [b]) => place(a) - place(b))) wanted.push(todo('piece-open', { piece, level }));
  wanted.push(...askedOfStand(context));
  for (const { supply, is } of suppliesNow(context)) {
    if (is === 'dead' && levelRank(state.pieces[supply.piece] ?? 'fitted') === 0) wanted.push(todo('supply-dead', { supply: supply.id }));
  }
  for (const { supply, setting } of toRestore(context)) wanted.push(todo('setting-forgotten', { supply, setting }, key({ kind: 'setting', supply, setting })));
  for (const piece of replaced) if (state.pieces[piece] === 'off' && !state.bagged[piece]) wanted.push(todo('part-to-bag', { piece }));
  for (const [piece, groups] of Object.entries(state.tray)) {
    for (const [group, tally] of Object.entries(groups)) {
      const left = outstanding(tally);
      if (left > 0 && !replaced.includes(piece)) wanted.push(todo('fasteners-out', { piece, group, count: left }, key({ kind: 'tray', piece, group })));
      if (!replaced.includes(piece) && (state.pieces[piece] ?? 'fitted') === 'fitted') {
        const missing = wanting(tally);
        if (missing > 0) wanted.push(question('fastener-wanting', { piece, group, count: missing }, key({ kind: 'wanting', piece, group })));
        const single = context.profile.pieces.find((entry) => entry.id === piece)?.fasteners.find((entry) => entry.id === group)?.singleUse;
        if (single && tally.back > 0) wanted.push(question('used-again', { piece, group, count: tally.back }, key({ kind: 'again', piece, group })));
      }
      if (tally.dropped > 0) wanted.push(question('fastener-dropped', { piece, group, count: tally.dropped }, key({ kind: 'dropped', piece, group })));
    }
  }
  return wanted;
}

export function begun({ state }: JobContext): boolean {
  return Object.keys(state.reached).some((piece) => state.pieces[piece] === 'fitted');
}

/** Where nothing is asked it is settled only once something went back, with all open that had to be. */
export const ready = (context: JobContext): boolean => openingDone(context) && begun(context);

/** Pieces that a kit took the place of and that are not bagged yet. */
export function toBag(context: JobContext): string[] {
  return replacedPieces(context).filter((piece) => context.state.pieces[piece] === 'off' && !context.state.bagged[piece]);
}

/** Steps of the way back for what is open now; those of what is still planned to be opened are not among them. */
export function stepsNow({ state }: Pick<JobContext, 'state'>, closing: ClosePlan): ClosePlan['steps'] {
  return closing.steps.filter((step) => step.kind !== 'piece' || state.moves.some((move) => move.piece === step.piece && move.level === step.from));
}

/** Fasteners of a group that lie ready for a step: what came out, less what broke; all of the profile's where nothing was counted out. */
export function readyOf({ state }: Pick<JobContext, 'state'>, piece: string, group: FastenerGroup): number {
  const tally = state.tray[piece]?.[group.id];
  return tally ? outstanding(tally) : group.count;
}

/** Places of a group that are empty at a step: for those that lie ready, and for those that broke. */
export function placesOf({ state }: Pick<JobContext, 'state'>, piece: string, group: FastenerGroup): number {
  const tally = state.tray[piece]?.[group.id];
  return readyOf({ state }, piece, group) + (tally ? wanting(tally) : 0);
}

/** Groups of a step of which it has to be said whether new ones went in: those that are used once only. */
export function newAsked({ state }: Pick<JobContext, 'state'>, step: Pick<CloseStep, 'piece' | 'fasteners'>): FastenerGroup[] {
  return step.fasteners.filter((group) => group.singleUse && placesOf({ state }, step.piece, group) > 0);
}

/** Sensors that a step brings home and that are still unplugged: each is plugged in and locked by a tap of its own. */
export function sensorsFirst({ state }: Pick<JobContext, 'state'>, step: Pick<CloseStep, 'to' | 'sensors'>): string[] {
  return step.to === 'fitted' ? step.sensors.filter((sensor) => state.unplugged.includes(sensor)) : [];
}

/** Places of a group that are empty although their piece is home: old ones lie ready, or one broke. */
export interface EmptyPlaces {
  piece: string;
  group: string;
  /** Old ones in the tray, and places that are empty. */
  ready: number;
  places: number;
  /** Only new ones belong there. */
  onceOnly: boolean;
}

/** Where something is still to go in although its piece is home. */
export function emptyPlaces(context: JobContext): EmptyPlaces[] {
  const { state, profile } = context;
  const replaced = replacedPieces(context);
  return profile.pieces.flatMap(({ id: piece, fasteners }) =>
    (state.pieces[piece] ?? 'fitted') === 'fitted' && !replaced.includes(piece)
      ? fasteners.flatMap((group): EmptyPlaces[] => {
          if (!state.tray[piece]?.[group.id]) return [];
          const [ready, places] = [readyOf(context, piece, group), placesOf(context, piece, group)];
          return places > 0 ? [{ piece, group: group.id, ready, places, onceOnly: group.singleUse }] : [];
        })
      : [],
  );
}

/** Fasteners that go in after their piece went home: old ones, new ones. */
export function putIn(context: JobContext, piece: string, group: string, { old, fresh }: { old: number; fresh: number }): Act {
  const empty = emptyPlaces(context).find((entry) => entry.piece === piece && entry.group === group);
  if (!empty) return refused({ code: 'already' });
  if (old + fresh < 1) return refused({ code: 'nothing' });
  if (old > empty.ready) return refused({ code: 'count', group, most: empty.ready });
  if (old + fresh > empty.places) return refused({ code: 'count', group, most: empty.places });
  return happened(
    ...(old > 0 ? [{ type: 'piece.moved' as const, payload: { piece, level: 'fitted' as const, fasteners: [{ group, count: old }] } }] : []),
    ...(fresh > 0 ? [{ type: 'fastener.renewed' as const, payload: { piece, group, count: fresh } }] : []),
  );
}

/** Places of a step at which a longer or shorter fastener of the same drive would go in too, with the lengths to choose from. */
export function lengthsAsked(step: Pick<CloseStep, 'fasteners'>): { group: FastenerGroup; lengthsMm: number[] }[] {
  return lookAlikeGroups(step.fasteners).flatMap((list) => list.map((group) => ({ group, lengthsMm: list.flatMap((entry) => entry.lengthMm ?? []) })));
}

/** Gates that a step waits for. */
export function gatesAgainst(step: CloseStep): Gate[] {
  return step.gates.filter((gate) => !gate.passed);
}

/** Pieces that go back while a supply is dead and stand before a step that makes it live. */
function backWhileDead(context: JobContext, closing: ClosePlan, step: ClosingStep, supply: SupplyId): string[] {
  const list = stepsNow(context, closing);
  return list.slice(0, Math.max(0, list.indexOf(step))).flatMap((entry) => (entry.kind === 'piece' && entry.dead.includes(supply) ? [entry.piece] : []));
}

/** What stands against putting a piece back: gates, pieces that go first, a supply that is not as it must be. */
export function against(context: JobContext, closing: ClosePlan, step: CloseStep, at: string): Refusal[] {
  const gates = gatesAgainst(step);
  const list = stepsNow(context, closing);
  const earlier = list.slice(0, list.indexOf(step)).flatMap((entry) => (entry.kind === 'piece' ? [entry.piece] : []));
  const wantsDead = step.enlivens ? backWhileDead(context, closing, step, step.enlivens) : [];
  const first = [...new Set([...step.first.filter((piece) => earlier.includes(piece)), ...wantsDead])];
  return [
    ...(gates.length > 0 ? [{ code: 'gate-first' as const, subjects: gates.map((gate) => gate.subject) }] : []),
    ...(first.length > 0 ? [{ code: 'back-first' as const, pieces: first }] : []),
    ...supplyBars(
      context,
      step.dead.map((supply) => ({ supply, is: 'dead' })),
      at,
    ),
    ...(step.enlivens ? againstLive(context, closing, step.enlivens, true) : []),
    ...sensorBars(context, step),
  ];
}

function sensorBars(context: JobContext, step: CloseStep): Refusal[] {
  const sensors = sensorsFirst(context, step);
  return sensors.length > 0 ? [{ code: 'sensor-first', sensors }] : [];
}

/** What stands against a supply live: pieces that keep it dead; for good also work that still wants it dead. */
function againstLive(context: JobContext, closing: ClosePlan, supply: SupplyId, forGood: boolean): Refusal[] {
  const kept = keepingDead(context, supply).map((piece): Refusal => ({ code: 'kept-dead', supply, piece }));
  const work = forGood
    ? gatesOf(context, undefined).filter(
        (gate) =>
          !gate.passed &&
          gate.asks.some((ask) => ask.supply === supply && ask.is === 'dead') &&
          closing.steps.some((step) => step.kind === 'gate' && same(step.gate.subject, gate.subject)),
      )
    : [];
  return [...kept, ...(work.length > 0 ? [{ code: 'dead-work-first' as const, subjects: work.map((gate) => gate.subject) }] : [])];
}

export interface PutBack {
  /** Old fasteners that went back, as counted; what lies ready, less the new ones, where it is not said. */
  counts: Readonly<Record<string, number>>;
  /** New ones that were put in; none where it is not said. Of those that are used once only it has to be. */
  renewed: Readonly<Record<string, number>>;
  /** Length taken at each place where look-alikes lie in the tray. */
  lengthsMm: Readonly<Record<string, number>>;
}

/** Fasteners of a group that go back with a step: old ones, and new ones. */
export function countedBack(
  context: Pick<JobContext, 'state'>,
  step: CloseStep,
  group: FastenerGroup,
  { counts, renewed: fresh }: Omit<PutBack, 'lengthsMm'>,
): { old: number; fresh: number } {
  const [ready, places] = [readyOf(context, step.piece, group), placesOf(context, step.piece, group)];
  const put = fresh[group.id] ?? 0;
  return { old: counts[group.id] ?? Math.min(ready, Math.max(0, places - put)), fresh: put };
}

/** All places of a group filled with new ones, or with the old ones that lie ready again. */
export function filled(context: Pick<JobContext, 'state'>, step: Pick<CloseStep, 'piece'>, group: FastenerGroup, by: 'new' | 'old'): { old: number; fresh: number } {
  return by === 'new' ? { old: 0, fresh: placesOf(context, step.piece, group) } : { old: readyOf(context, step.piece, group), fresh: 0 };
}

/** Fasteners that go back with a step in all, old and new, and the places that there are for them. */
export function countedAll(context: Pick<JobContext, 'state'>, step: CloseStep, back: Omit<PutBack, 'lengthsMm'>): { old: number; fresh: number; places: number } {
  const groups = step.fasteners.map((group) => ({ ...countedBack(context, step, group, back), places: placesOf(context, step.piece, group) }));
  const sum = (of: 'old' | 'fresh' | 'places') => groups.reduce((total, group) => total + group[of], 0);
  return { old: sum('old'), fresh: sum('fresh'), places: sum('places') };
}

/** A piece put back by one step: its fasteners counted, new ones apart, its supply live where it isolates one. */
export function putBack(context: JobContext, closing: ClosePlan, step: CloseStep, back: PutBack, at: string): Act {
  const wrong = lengthsAsked(step).filter(({ group }) => back.lengthsMm[group.id] !== group.lengthMm);
  const unsaid = newAsked(context, step).filter(({ id }) => back.renewed[id] === undefined);
  const odd = step.fasteners.flatMap((group): Refusal[] => {
    const { old, fresh } = countedBack(context, step, group, back);
    const [ready, places] = [readyOf(context, step.piece, group), placesOf(context, step.piece, group)];
    if (old > ready) return [{ code: 'count', group: group.id, most: ready }];
    return old + fresh > places ? [{ code: 'count', group: group.id, most: places }] : [];
  });
  const asksBolts: Refusal[] = wrong.length > 0 ? [{ code: 'bolts-asked', piece: step.piece, groups: wrong.map(({ group }) => group.id) }] : [];
  const asksNew: Refusal[] = unsaid.length > 0 ? [{ code: 'new-or-old', piece: step.piece, groups: unsaid.map(({ id }) => id) }] : [];
  return unless([...against(context, closing, step, at), ...asksBolts, ...asksNew, ...odd], () => {
    const counted = step.fasteners.map((group) => ({ group: group.id, ...countedBack(context, step, group, back) }));
    const fasteners: GroupCount[] = counted.map(({ group, old }) => ({ group, count: old }));
    return [
      ...positionsTaken(context, step.positions ?? []),
      { type: 'piece.moved', payload: { piece: step.piece, level: step.to, fasteners } },
      ...counted.flatMap(({ group, fresh }): Happened[] => (fresh > 0 ? [{ type: 'fastener.renewed', payload: { piece: step.piece, group, count: fresh } }] : [])),
      ...(step.enlivens ? [{ type: 'supply.set' as const, payload: { supply: step.enlivens, is: 'live' as const } }] : []),
    ];
  });
}

/** Fasteners that come out of the isolating piece, or go back into it, with a change of a supply: said before it is tapped. None where that piece stands so already. */
export function switchCounts(context: JobContext, { supply, to }: SupplyStep): GroupCount[] {
  const { state, profile } = context;
  const known = profile.supplies.find((entry) => entry.id === supply);
  const piece = profile.pieces.find((entry) => entry.id === known?.piece);
  const level = piece && known && listedLevel(piece, known.level);
  if (!known || !piece || !level) return [];
  const isOff = levelRank(state.pieces[piece.id] ?? 'fitted') >= levelRank(known.level);
  if (isOff === (to === 'dead')) return [];
  const groups = piece.fasteners.filter((group) => levelRank(group.atLevel) <= levelRank(level.level));
  return groups.map((group) => ({ group: group.id, count: to === 'live' ? readyOf(context, piece.id, group) : group.count }));
}

/**
 * A supply made live for a test, or dead again for what comes after, by the piece that isolates it.
 * @param by who isolated it and by which procedure, where that is for qualified people
 */
export function switchSupply(context: JobContext, closing: ClosePlan, step: SupplyStep, by?: string): Act {
  const { state, profile } = context;
  const known = profile.supplies.find((entry) => entry.id === step.supply);
  const piece = profile.pieces.find((entry) => entry.id === known?.piece);
  const level = piece && known && listedLevel(piece, known.level);
  if (!known || !piece || !level) return refused({ code: 'unknown', what: 'supply', id: step.supply });
  const now = suppliesNow(context).find(({ supply }) => supply.id === step.supply)?.is;
  if (now === step.to) return refused({ code: 'already' });
  const fasteners = switchCounts(context, step);
  const isOff = levelRank(state.pieces[piece.id] ?? 'fitted') >= levelRank(known.level);
  if (step.to === 'live') {
    const first = backWhileDead(context, closing, step, known.id);
    return unless([...againstLive(context, closing, known.id, false), ...(first.length > 0 ? [{ code: 'back-first' as const, pieces: first }] : [])], () => [
      ...(isOff
        ? [
            {
              type: 'piece.moved' as const,
              payload: { piece: piece.id, level: 'fitted' as const, fasteners },
            },
          ]
        : []),
      { type: 'supply.set', payload: { supply: known.id, is: 'live' } },
    ]);
  }
  const way = level.ways.find((entry) => needsHold(entry.needs, state.pieces));
  const bars: Refusal[] = [
    ...(way ? [] : [{ code: 'open-first' as const, pieces: missingFor(context, level.ways[0]?.needs ?? []) }]),
    ...(known.by === 'qualified people' && !by?.trim() ? [{ code: 'qualified-first' as const, supply: known.id }] : []),
    ...(known.by === 'qualified people' ? tooLong(by, LONGEST_TEXT.isolation) : []),
  ];
  return unless(bars, () => [
    ...(isOff || !way
      ? []
      : [
          {
            type: 'piece.moved' as const,
            payload: { piece: piece.id, level: known.level, way: way.id, fasteners },
          },
        ]),
    { type: 'supply.set', payload: { supply: known.id, is: 'dead', ...(by?.trim() ? { by: by.trim() } : {}) } },
  ]);
}

/** The change of a supply by itself, for work that asks for it before the way back comes to it. */
export function supplySwitch({ profile }: JobContext, supply: SupplyId, to: SupplyState): SupplyStep | undefined {
  const known = profile.supplies.find((entry) => entry.id === supply);
  return known && supplyStep(known, to, profile.pieces);
}

/** Something that the vehicle forgot while a supply was dead set again; only once that is live. */
export function settingRestored(context: JobContext, supply: SupplyId, setting: string, at: string): Act {
  const now = suppliesNow(context).find((entry) => entry.supply.id === supply);
  if (!now?.forgotten.includes(setting)) return refused({ code: 'already' });
  return unless(supplyBars(context, [{ supply, is: 'live' }], at), () => [{ type: 'setting.restored', payload: { supply, setting } }]);
}

/** A piece that a kit took the place of bagged for the owner, its fasteners with it. */
export function bagged(context: JobContext, piece: string, where: string): Act {
  if (!toBag(context).includes(piece)) return refused({ code: 'already' });
  return where.trim() ? happened({ type: 'part.bagged', payload: { piece, where: where.trim() } }) : refused({ code: 'nothing' });
}

export * from './judged.ts';
export { canGoFirst, goesBackFirst } from './refit.ts';
