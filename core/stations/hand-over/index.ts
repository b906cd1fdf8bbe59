import { describedNothing } from '../../overlay/index.ts';
import {
  functionsOf,
  kitsFittedBefore,
  kitsOnVehicle,
  lensesOf,
  lostFunctions,
  LOW_LIVE,
  replacedPieces,
  suppliesNow,
  supplyBars,
  testsOf,
  type JobContext,
} from '../../job/index.ts';
import { hasLeft, type BaselineResult, type Happened, type Stroke, type WarningLamp } from '../../events/index.ts';
import type { KitTest } from '../../kit/index.ts';
import { key } from '../../subject/index.ts';
import type { LampFunction } from '../../vehicle/index.ts';
import { happened, refused, unless, type Act, type Refusal } from '../act.ts';
import { block, question, todo, type Asked, type Standing } from '../hold.ts';
import { lensWorse } from '../../judging/index.ts';
import { askedOfWarnings } from '../check-in/index.ts';
import { askedOfNights } from '../itself/index.ts';

const RESULT_ORDER: BaselineResult[] = ['works', 'dim', 'flickers', 'dead'];

/** Whether a function left worse than it came. A function not fitted on arrival cannot get worse. */
export function functionWorse(before: BaselineResult | undefined, after: BaselineResult): boolean {
  if (before === undefined || before === 'not fitted') return false;
  const rank = (result: BaselineResult) => (result === 'not fitted' ? RESULT_ORDER.length : RESULT_ORDER.indexOf(result));
  return rank(after) > rank(before);
}

/** Factory lamps that are still to be tried again: all but those that a kit takes the place of. */
export function toTryAgain(context: JobContext): LampFunction[] {
  const lost = lostFunctions(context);
  return functionsOf(context).filter((lamp) => !context.state.final[lamp.id] && !lost.includes(lamp.id));
}

/** A test of a kit that lights something, to be tried once more with everything closed; as it came out, where it was. */
export interface ClosedTest {
  kit: string;
  test: KitTest;
  passed?: boolean;
}

/** What the kits light, each to be tried once more with everything closed: what worked while it was open can be pinched since. */
export function closedTests(context: JobContext): ClosedTest[] {
  return [...kitsOnVehicle(context), ...kitsFittedBefore(context)].flatMap((onVehicle) => {
    const kit = onVehicle.kit.slug;
    return testsOf(onVehicle)
      .filter(({ lamps }) => lamps.length > 0)
      .map((test): ClosedTest => ({ kit, test, passed: context.state.finalTests[kit]?.[test.id] }));
  });
}

/** What stands against trying the new lamps with everything closed: something is open, the supply is dead. */
export function againstClosed(context: JobContext, at: string): Refusal[] {
  const replaced = replacedPieces(context);
  const open = Object.entries(context.state.pieces).flatMap(([piece, level]) => (level !== 'fitted' && !replaced.includes(piece) ? [piece] : []));
  return [...(open.length > 0 ? [{ code: 'back-first' as const, pieces: open }] : []), ...supplyBars(context, LOW_LIVE, at)];
}

/** A new lamp tried with everything closed: what it did is noted where it failed. */
export function triedClosed(context: JobContext, kit: string, test: string, works: boolean, at: string, note?: string): Act {
  const known = closedTests(context).find((entry) => entry.kit === kit && entry.test.id === test);
  if (!known) return refused({ code: 'unknown', what: 'test', id: test });
  if (works && known.passed) return refused({ code: 'already' });
  return unless(againstClosed(context, at), () => [{ type: 'final.tested', payload: { kit, test, passed: works, ...(note?.trim() ? { note: note.trim() } : {}) } }]);
}

/** All new lamps that were not written down one by one were tried with everything closed and light as they should. */
export function othersTriedClosed(context: JobContext, at: string): Act {
  const open = closedTests(context).filter(({ passed }) => passed === undefined);
  if (open.length === 0) return refused({ code: 'nothing' });
  return unless(againstClosed(context, at), () => open.map(({ kit, test }): Happened => ({ type: 'final.tested', payload: { kit, test: test.id, passed: true } })));
}

/** Strokes that are lines: a tap alone is none. */
export const linesOf = (strokes: readonly Stroke[]): Stroke[] => strokes.filter(({ points }) => points.length >= 4);

/** The customer's signature, as it was drawn. */
export function customerSigned({ state }: JobContext, strokes: readonly Stroke[]): Act {
  if (state.signed) return refused({ code: 'already' });
  const drawn = linesOf(strokes);
  return drawn.length > 0 ? happened({ type: 'customer.signed', payload: { strokes: drawn } }) : refused({ code: 'nothing' });
}

/** Warning lamps that are lit leaving and were not on arrival. */
export const newWarnings = ({ warnings }: Pick<JobContext['state'], 'warnings'>): WarningLamp[] => (warnings.after ?? []).filter((lamp) => !warnings.before?.includes(lamp));

/** Lenses that are looked at leaving: those that were graded on arrival and that no kit takes the place of. */
export const lensesLeaving = (context: JobContext): LampFunction[] =>
  lensesOf(context).filter(({ id }) => context.state.lenses.before[id] !== undefined && !lostFunctions(context).includes(id));

/** Those that are still to be looked at again. */
export const lensesToLookAt = (context: JobContext): LampFunction[] => lensesLeaving(context).filter(({ id }) => context.state.lenses.after[id] === undefined);

/** All lenses that were not graded one by one were looked at and are as they came. */
export function lensesAsOnArrival(context: JobContext): Act {
  const lenses = lensesToLookAt(context);
  if (lenses.length === 0) return refused({ code: 'nothing' });
  return happened(
    ...lenses.flatMap(({ id }): Happened[] => {
      const grade = context.state.lenses.before[id];
      return grade ? [{ type: 'lens.graded', payload: { lamp: id, moment: 'after', grade } }] : [];
    }),
  );
}

export function asked(context: JobContext): Asked[] {
  const { state, profile } = context;
  // Cancelled before anything was touched it leaves as it came.
  if (state.cancelled && !state.touched) return [];
  const wanted = askedOfNights(context);
  const closed = closedTests(context);
  const unlit = closed.filter(({ passed }) => passed === undefined);
  if (unlit.length > 0) wanted.push(todo('new-untried', { count: unlit.length }));
  for (const { kit, test, passed } of closed) if (passed === false) wanted.push(block('new-failed', { kit, test: test.id }, key({ kind: 'closed', kit, test: test.id })));
  const untried = toTryAgain(context);
  if (untried.length > 0) wanted.push(todo('final-missing', { count: untried.length }));
  for (const lamp of functionsOf(context)) {
    const after = state.final[lamp.id];
    if (after && functionWorse(state.baseline[lamp.id], after)) wanted.push(question('function-worse', { lamp: lamp.id, result: after }, key({ kind: 'function', lamp: lamp.id })));
  }
  if (state.codesRead.after === undefined) wanted.push(todo('codes-after-missing', {}, key({ kind: 'codes' })));
  wanted.push(...askedOfWarnings(context, 'after'));
  for (const lamp of newWarnings(state)) wanted.push(question('warning-new', { lamp }, key({ kind: 'warning', lamp })));
  const lenses = lensesToLookAt(context);
  if (lenses.length > 0) wanted.push(todo('lenses-after-missing', { count: lenses.length }, key({ kind: 'lenses', moment: 'after' })));
  for (const { id } of lensesLeaving(context)) {
    const [came, leaves] = [state.lenses.before[id], state.lenses.after[id]];
    if (came && leaves && lensWorse(leaves, came) > 0) wanted.push(question('lens-worse', { lamp: id, grade: leaves }, key({ kind: 'lens', lamp: id })));
  }
  const before = new Set(state.codes.before.map((entry) => entry.code));
  for (const { code } of state.codes.after) if (!before.has(code)) wanted.push(question('code-new', { code }, key({ kind: 'code', code })));
  const gaps = profile.gaps.filter((gap) => state.gaps.before[gap.id] !== undefined && state.gaps.after[gap.id] === undefined);
  if (gaps.length > 0) wanted.push(todo('gap-after-missing', { count: gaps.length }));
  const odd = state.questions.filter(({ code }) => code !== 'contradicted');
  for (const { code, event } of state.questions) if (code === 'contradicted') wanted.push(question('contradicted', { event }, key({ kind: 'entry', entry: event })));
  if (odd.length > 0) wanted.push(question('log-question', { count: odd.length }, key({ kind: 'log' })));
  return wanted;
}

export function begun({ state }: JobContext): boolean {
  return Object.keys(state.final).length > 0 || Object.keys(state.finalTests).length > 0 || state.signed !== undefined;
}

/** It is settled by being signed, never by having nothing to ask. */
export const ready = (): boolean => false;

/** What stands against reading the codes again: a supply that is dead, something that the vehicle forgot and was not set again. */
export function againstCodes(context: JobContext, at: string): Refusal[] {
  const settings = suppliesNow(context).flatMap(({ forgotten, is, supply }) =>
    is === 'live' ? forgotten.filter((setting) => context.state.exceptions[key({ kind: 'setting', supply: supply.id, setting })] === undefined) : [],
  );
  return [...supplyBars(context, LOW_LIVE, at), ...(settings.length > 0 ? [{ code: 'settings-first' as const, settings }] : [])];
}

/** The fault codes read again once everything is live and set as it was. */
export function codesReadAfter(context: JobContext, at: string): Act {
  return unless(againstCodes(context, at), () => [{ type: 'codes.read', payload: { moment: 'after', count: context.state.codes.after.length } }]);
}

/** A factory lamp tried again. */
export function tryAgain(context: JobContext, lamp: string, result: BaselineResult, at: string): Act {
  if (!functionsOf(context).some((entry) => entry.id === lamp)) return refused({ code: 'unknown', what: 'lamp', id: lamp });
  return unless(result === 'not fitted' ? [] : supplyBars(context, LOW_LIVE, at), () => [{ type: 'final.tried', payload: { lamp, result } }]);
}

/** Lamps that can be said to be as on arrival in one go: those still to be tried of which it is known how they came. */
export function asOnArrival(context: JobContext): LampFunction[] {
  return toTryAgain(context).filter((lamp) => context.state.baseline[lamp.id] !== undefined);
}

/** All lamps that were not written down one by one were tried and are as they came. A lamp that was never tried on arrival is not among them. */
export function othersAsOnArrival(context: JobContext, at: string): Act {
  const lamps = asOnArrival(context);
  if (lamps.length === 0) return refused({ code: 'nothing' });
  return unless(supplyBars(context, LOW_LIVE, at), () =>
    lamps.flatMap((lamp): Happened[] => {
      const result = context.state.baseline[lamp.id];
      return result ? [{ type: 'final.tried', payload: { lamp: lamp.id, result } }] : [];
    }),
  );
}

/** The job signed off at the last event seen; `lastSeq` where the device knows of a later one than the state. */
export function sign({ state }: JobContext, standing: Standing, lastSeq = state.lastSeq): Act {
  if (hasLeft(state)) return refused({ code: 'already' });
  if (!standing.readyToSign) return refused({ code: 'missing', count: standing.missing.length });
  return happened({ type: 'job.signed', payload: { atSeq: lastSeq } });
}

/** Of what a job taught something that the library can keep: its kind of vehicle, by what was described or judged on it; kits, by slug. */
export function taughtHere({ state }: Pick<JobContext, 'state'>): { kind: boolean; kits: string[] } {
  return {
    kind: !describedNothing(state.described) || Object.keys(state.judged).length > 0,
    kits: Object.keys(state.kitsDescribed),
  };
}
