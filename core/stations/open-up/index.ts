import { levelRank, type AccessPlan, type OpenStep } from '../../access/index.ts';
import { LONGEST_TEXT, type GroupCount, type Happened, type School } from '../../events/index.ts';
import { openingDone, provingSide, schoolOf } from '../../plan/index.ts';
import { supplyBars, unplacedKits, type JobContext } from '../../job/index.ts';
import type { Accessory } from '../../overlay/index.ts';
import { judgeMinutes, type MeasureDoubt } from '../../judging/index.ts';
import { needsHold, type Level, type LevelNeed, type OpenLevel, type Piece, type Way } from '../../vehicle/index.ts';
import { happened, refused, tooLong, unless, unlessDoubtful, type Act, type Refusal } from '../act.ts';
import { consentBars } from '../consent.ts';
import { block, question, todo, type Asked } from '../hold.ts';
import { positionsTaken } from '../stand.ts';

export * from './capture.ts';
export { oneSided, sameOnOtherSide } from './other-side.ts';
export { areSame, areTwo, twins, type Twin } from './twins.ts';
export { canHaveIsolated, forQualified, isolationUnknown, supplyIsolated, type Isolated } from './isolation.ts';
import { beforeDead } from './isolation.ts';
import { twins } from './twins.ts';

export function asked(context: JobContext, plan: AccessPlan | undefined): Asked[] {
  const lost = (plan?.problems ?? []).map((problem) => {
    switch (problem.code) {
      case 'unreachable-target':
        return block('target-unreachable', { target: problem.target });
      case 'unreachable-piece':
        return block('piece-unreachable', { piece: problem.piece });
      case 'cannot-order':
        return block('steps-wait-for-each-other', { piece: problem.moves[0]?.piece ?? '', count: problem.moves.length });
    }
  });
  const twice = twins(context).map(({ piece, is }) => question('piece-twice', { piece: piece.id, is: is.id }));
  if (openingDone(context)) return [...lost, ...twice];
  const count = plan?.steps.length ?? 0;
  const [unsaid] = unplacedKits(context).filter((kit) => !context.state.enough.includes(kit));
  if (plan && count === 0 && unsaid !== undefined) return [...lost, ...twice, question('reach-undescribed', { kit: unsaid })];
  return count > 0 || !plan ? [...lost, ...twice, todo('pieces-to-open', { count, piece: plan?.steps[0]?.piece ?? '' })] : [...lost, ...twice];
}

export function begun({ state }: JobContext): boolean {
  return Object.keys(state.reached).length > 0;
}

/** Where nothing is asked it is settled only once all is open: before that nobody can have seen it. */
export const ready = (context: JobContext): boolean => openingDone(context);

/** Minutes above which one wonders about a seized fastener, where the rule set names none: so many times what it names otherwise. */
const SEIZED = { likelyMin: 30, times: 5 };

/** What makes one wonder about the minutes of something that was found fitted, there and back; and about what seized fasteners add. */
export function doubtsOfFound(openMin: number, closeMin: number): MeasureDoubt[] {
  const there = judgeMinutes(openMin);
  return there.length > 0 ? there : judgeMinutes(closeMin);
}
export const doubtsOfSeized = ({ rules }: Pick<JobContext, 'rules'>, count: number, addMin: number): MeasureDoubt[] =>
  judgeMinutes(addMin, (rules.seizedMin === undefined ? SEIZED.likelyMin : rules.seizedMin * SEIZED.times) * count);

/** Something that was found fitted on this vehicle: it comes off before the pieces it holds. */
export function foundFitted(accessory: Accessory, why?: string): Act {
  return unlessDoubtful(doubtsOfFound(accessory.openMin, accessory.closeMin), why, (word) => ({ type: 'accessory.found', payload: { ...accessory, ...word } }));
}

/** Fasteners of a piece that do not come loose as they should, and what that adds. */
export function seized(context: JobContext, piece: string, group: string, count: number, addMin: number, why?: string): Act {
  return unlessDoubtful(doubtsOfSeized(context, count, addMin), why, (word) => ({ type: 'fastener.seized', payload: { piece, group, count, addMin, ...word } }));
}

/** Pieces that must be open, or further open, for needs to hold. */
export function missingFor({ state }: Pick<JobContext, 'state'>, needs: readonly LevelNeed[]): string[] {
  return needs.filter((need) => !needsHold([need], state.pieces)).map((need) => need.piece);
}

/** Why the other side is not begun: the first one is still to be proved. */
function toProve(context: JobContext, plan: AccessPlan): Refusal[] {
  const side = plan.proveAfter === 0 ? provingSide(context) : undefined;
  return side ? [{ code: 'prove-first', side }] : [];
}

/** What stands against a step of the plan at a moment; empty where it can be done. */
export function against(context: JobContext, plan: AccessPlan, step: OpenStep, at: string, by?: string): Refusal[] {
  const missing = missingFor(
    context,
    step.needs.filter((need) => !isolation(context, step, need)),
  );
  const supply = context.profile.supplies.find((entry) => entry.id === step.isolates);
  return [
    ...(missing.length > 0 ? [{ code: 'open-first' as const, pieces: missing }] : []),
    ...supplyBars(
      context,
      step.dead.map((entry) => ({ supply: entry, is: 'dead' })),
      at,
    ),
    ...(supply ? beforeDead(context) : []),
    ...(supply?.by === 'qualified people' && !by?.trim() ? [{ code: 'qualified-first' as const, supply: supply.id }] : []),
    ...(supply?.by === 'qualified people' ? tooLong(by, LONGEST_TEXT.isolation) : []),
    ...toProve(context, plan),
    ...consentBars(context, { kind: 'piece', piece: step.piece, level: step.level }, wayOf(context, step)?.irreversible),
  ];
}

/** The way of the profile that a step goes. */
export const wayOf = ({ profile }: Pick<JobContext, 'profile'>, { piece, level, way }: Pick<OpenStep, 'piece' | 'level' | 'way'>): Way | undefined =>
  profile.pieces
    .find(({ id }) => id === piece)
    ?.levels.find((entry) => entry.level === level)
    ?.ways.find(({ id }) => id === way);

/** A need that stands for a dead supply is answered by the supply itself. */
function isolation({ profile }: JobContext, step: OpenStep, need: LevelNeed): boolean {
  return profile.supplies.some((supply) => step.dead.includes(supply.id) && supply.piece === need.piece && supply.level === need.level);
}

/**
 * A step of the plan done: the piece moved with its fasteners in the tray, its sensors unplugged, the supply that it isolates dead.
 * @param counts fasteners that came out, as counted: fewer or more than the profile says where that is what was there
 * @param by who isolated a supply and by which procedure, where that is for qualified people
 */
export function moved(context: JobContext, plan: AccessPlan, step: OpenStep, counts: readonly GroupCount[], at: string, by?: string): Act {
  const odd = counts.flatMap(({ group }): Refusal[] => (step.fasteners.some((entry) => entry.id === group) ? [] : [{ code: 'unknown', what: 'fastener group', id: group }]));
  return unless([...against(context, plan, step, at, by), ...odd], () => {
    const { order, unplugged } = context.state;
    const side = plan.proveAfter !== undefined && order?.side === undefined ? plan.schools.oneSideFirst?.side : undefined;
    const events: Happened[] = [];
    if (side) events.push({ type: 'order.chosen', payload: { school: schoolOf(context), people: order?.people ?? 1, side } });
    for (const sensor of step.sensors) if (!unplugged.includes(sensor)) events.push({ type: 'sensor.unplugged', payload: { sensor } });
    events.push(...positionsTaken(context, step.positions ?? []));
    events.push({ type: 'piece.moved', payload: { piece: step.piece, level: step.level, way: step.way, fasteners: [...counts] } });
    if (step.isolates) events.push({ type: 'supply.set', payload: { supply: step.isolates, is: 'dead', ...(by?.trim() ? { by: by.trim() } : {}) } });
    return events;
  });
}

/** The step that comes once another is done: the first of the plan that is not that one. */
export function nextAfter(plan: AccessPlan | undefined, step: OpenStep | undefined): OpenStep | undefined {
  return plan?.steps.find((other) => other.piece !== step?.piece || other.level !== step.level);
}

/** The order of opening and how many open, chosen by hand; a side that was being proved is chosen anew with it. */
export function chooseOrder(context: JobContext, change: { school?: School; people?: 1 | 2 }): Act {
  const { order } = context.state;
  const school = change.school ?? schoolOf(context);
  const side = change.school === undefined || change.school === order?.school ? order?.side : undefined;
  return happened({ type: 'order.chosen', payload: { school, people: change.people ?? order?.people ?? 1, ...(side ? { side } : {}) } });
}

/** A way that this vehicle does not have, or that does not go. Where it goes on no vehicle of the kind, the piece did not come with what was open: that speaks against who said that it does. */
export function wayBlocked(
  { profile }: JobContext,
  { place, way, why, level, never = false }: { place: string; way: string; why: string; level?: OpenLevel; never?: boolean },
): Act {
  const ways =
    level === undefined
      ? profile.mounts.find((mount) => mount.id === place)?.reach
      : profile.pieces.find((piece) => piece.id === place)?.levels.find((entry) => entry.level === level)?.ways;
  if (!ways?.some((entry) => entry.id === way)) return refused({ code: 'unknown', what: 'way', id: way });
  if (!why.trim()) return refused({ code: 'nothing' });
  return unless(tooLong(why.trim(), LONGEST_TEXT.why), () => [
    { type: 'way.blocked', payload: { place, way, why: why.trim(), ...(level ? { level } : {}) } },
    ...(level && never ? [{ type: 'piece.tried' as const, payload: { piece: place, level } }] : []),
  ]);
}

/** Whether a piece can have been open when the vehicle came: nobody has opened it here, and it isolates no supply, which would count as dead. */
export const canHaveCome = ({ state, profile }: Pick<JobContext, 'state' | 'profile'>, id: string): boolean =>
  (state.pieces[id] ?? 'fitted') === 'fitted' &&
  !state.history.some(({ piece }) => piece === id) &&
  !state.accessories[id] &&
  !profile.supplies.some(({ piece }) => piece === id) &&
  profile.pieces.some((piece) => piece.id === id);

/** Pieces that a plan opens for a way of which they were only seen open: nobody has said that they had to be. */
export function onlySeen(context: Pick<JobContext, 'profile'>, plan: AccessPlan): string[] {
  const needs = plan.steps.flatMap((step) => (wayOf(context, step)?.needs ?? []).filter(({ piece }) => piece !== step.piece));
  const said = new Set(needs.flatMap(({ piece, seen }) => (seen ? [] : [piece])));
  return [...new Set(needs.map(({ piece }) => piece))].filter((piece) => !said.has(piece) && plan.steps.some((step) => step.piece === piece));
}

/** Levels that a piece can have come at where a step takes it to one: that one, or off where it can be. */
export const couldHaveCome = (piece: Piece | undefined, level: Level): OpenLevel[] =>
  (piece?.levels ?? []).map((entry) => entry.level).filter((own): own is OpenLevel => own === level || own === 'off');

/** A piece that was open, or not there at all, when the vehicle came: it counts as open, nobody opened it here, and it stays as it came. */
export function cameOpen(context: JobContext, piece: string, level: OpenLevel): Act {
  if (!canHaveCome(context, piece)) return refused({ code: 'unknown', what: 'piece', id: piece });
  const listed = context.profile.pieces.find(({ id }) => id === piece)?.levels.some((entry) => entry.level === level);
  return listed ? happened({ type: 'piece.found', payload: { piece, level } }) : refused({ code: 'unknown', what: 'level', id: level });
}

/** Whether a piece was taken over from another kind and nobody has opened it on this one: it may not be there at all. */
export const canBeWithout = (context: JobContext, id: string): boolean =>
  canHaveCome(context, id) && context.profile.pieces.some((piece) => piece.id === id && piece.assumed !== undefined) && !context.profile.sensors.some(({ on }) => on === id);

/** A piece that was taken over from another kind and that this kind does not have: it is planned no more, and nothing waits for it. */
export function notOfKind(context: JobContext, piece: string): Act {
  return canBeWithout(context, piece) ? happened({ type: 'kind.described', payload: { without: [piece] } }) : refused({ code: 'unknown', what: 'piece', id: piece });
}

/** Pieces of a plan that are assumed, by the kind that they were taken over from. */
export function assumedIn({ profile }: Pick<JobContext, 'profile'>, plan: AccessPlan): { of: string; pieces: string[] }[] {
  const planned = new Set(plan.steps.map(({ piece }) => piece));
  const assumed = profile.pieces.filter(({ id, assumed: of }) => of !== undefined && planned.has(id));
  return [...new Set(assumed.flatMap(({ assumed: of }) => of ?? []))].map((of) => ({ of, pieces: assumed.filter((piece) => piece.assumed === of).map(({ id }) => id) }));
}

/** Whether pieces are open that opening could be given up for. */
export function canLeave(context: JobContext): boolean {
  return context.state.left === undefined && !context.state.cancelled && Object.values(context.state.pieces).some((level) => levelRank(level) > 0) && !openingDone(context);
}
