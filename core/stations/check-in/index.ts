import { factValues, LONGEST_TEXT, warningsWhyKey, type BaselineResult, type LensGrade, type Moment, type WarningLamp } from '../../events/index.ts';
import { functionsOf, lensesOf, LOW_LIVE, supplyBars, type JobContext } from '../../job/index.ts';
import { judgeGap, judgeLens, judgeRest, judgeWarnings, type MeasureDoubt } from '../../judging/index.ts';
import { key } from '../../subject/index.ts';
import { checkVehicleNumber } from '../../vehicle/index.ts';
import { happened, refused, unless, unlessDoubtful, tooLong, type Act } from '../act.ts';
import { question, todo, type Asked } from '../hold.ts';
import { askedOfTwins } from '../same-place.ts';
import { askedOfList } from '../undescribed.ts';

export * from './gaps.ts';
export * from './measures.ts';
export * from './differs.ts';
export { lampsOffered, lampsSeen, noMore } from '../undescribed.ts';

/** What the warning lamps of a moment ask: that they are looked at, and what is lit without a fault code and without a word. */
export function askedOfWarnings({ state }: Pick<JobContext, 'state'>, moment: Moment): Asked[] {
  const lit = state.warnings[moment];
  if (!lit) return [todo(`warnings-${moment}-missing`, {}, key({ kind: 'warnings', moment }))];
  if (state.measureWhy[warningsWhyKey(moment)] !== undefined) return [];
  return judgeWarnings(lit, state.codesRead[moment]).flatMap((doubt) =>
    doubt.code === 'no code' ? [question('warnings-uncoded', { lit: doubt.lit.join(', ') }, key({ kind: 'uncoded', moment }))] : [],
  );
}

export function asked({ state, profile, ...context }: JobContext): Asked[] {
  // A vehicle that leaves without the work is not looked over for it.
  if (state.cancelled) return [];
  const lamps = functionsOf({ state, profile, ...context });
  const wanted: Asked[] = [];
  wanted.push(...askedOfList({ profile }, 'functions'));
  if (!state.number) wanted.push(todo('number-missing', {}, key({ kind: 'number' })));
  const untried = lamps.filter((lamp) => !state.baseline[lamp.id]);
  if (untried.length > 0) wanted.push(todo('baseline-missing', { count: untried.length, of: lamps.length }));
  if (state.restV === undefined) wanted.push(todo('battery-missing'));
  if (state.codesRead.before === undefined) wanted.push(todo('codes-before-missing', {}, key({ kind: 'codes' })));
  wanted.push(...askedOfWarnings({ state }, 'before'));
  const lenses = lensesOf({ state, profile, ...context }).filter((lens) => state.lenses.before[lens.id] === undefined);
  if (lenses.length > 0) wanted.push(todo('lenses-before-missing', { count: lenses.length }, key({ kind: 'lenses', moment: 'before' })));
  const gaps = profile.gaps.filter((gap) => state.gaps.before[gap.id] === undefined);
  if (gaps.length > 0) wanted.push(todo('gaps-before-missing', { count: gaps.length }));
  wanted.push(...askedOfTwins({ state, profile }, 'gaps'));
  const silent = profile.facts.filter((fact) => !state.facts[fact.id]);
  if (silent.length > 0) wanted.push(todo('fact-unknown', { fact: silent[0]?.id ?? '', count: silent.length }));
  return wanted;
}

/** What an earlier visit left as assumed was seen then, not now. */
export function begun({ state }: JobContext): boolean {
  const seen = Object.values(state.facts).some((fact) => fact.seenAt === undefined);
  return state.number !== undefined || seen || Object.keys(state.baseline).length > 0;
}

/** Where nothing is asked, nothing is left to be done. */
export const ready = (): boolean => true;

/** Writes the vehicle number down as it is read. */
export function recordNumber({ state }: JobContext, text: string): Act {
  const { number } = checkVehicleNumber(text, false);
  if (!number) return refused({ code: 'nothing' });
  return number === state.number ? refused({ code: 'already' }) : happened({ type: 'number.recorded', payload: { number } });
}

/** What makes one wonder about a battery at rest, and about a gap of a moment: said where it is entered. */
export const doubtsOfRest = ({ profile }: Pick<JobContext, 'profile'>, restV: number): MeasureDoubt[] => judgeRest(restV, profile.systemVoltageV);
export function doubtsOfGap({ state, profile }: Pick<JobContext, 'state' | 'profile'>, id: string, moment: Moment, widthMm: number): MeasureDoubt[] {
  const gap = profile.gaps.find((entry) => entry.id === id);
  return gap ? judgeGap(gap, widthMm, profile.gaps, state.gaps[moment], moment === 'after' ? state.gaps.before[id] : undefined) : [];
}

/** What makes one wonder about the warning lamps of a moment, and about a lens. */
export const doubtsOfWarnings = ({ state }: Pick<JobContext, 'state'>, moment: Moment, lit: readonly WarningLamp[]): MeasureDoubt[] => judgeWarnings(lit, state.codesRead[moment]);
export function doubtsOfLens(context: JobContext, lamp: string, moment: Moment, grade: LensGrade): MeasureDoubt[] {
  const { state } = context;
  const lenses = lensesOf(context);
  const own = lenses.find(({ id }) => id === lamp);
  const across = own && lenses.find((lens) => lens.id !== lamp && lens.side !== own.side);
  return judgeLens(grade, across && state.lenses[moment][across.id], moment === 'after' ? state.lenses.before[lamp] : undefined);
}

/** The battery measured at rest. */
export function batteryMeasured(context: JobContext, restV: number, why?: string): Act {
  return unlessDoubtful(doubtsOfRest(context, restV), why, (word) => ({ type: 'battery.measured', payload: { restV, ...word } }));
}

/** A panel gap measured, on arrival or leaving. */
export function gapMeasured(context: JobContext, gap: string, moment: Moment, widthMm: number, why?: string): Act {
  if (!context.profile.gaps.some((entry) => entry.id === gap)) return refused({ code: 'unknown', what: 'gap', id: gap });
  return unlessDoubtful(doubtsOfGap(context, gap, moment, widthMm), why, (word) => ({ type: 'gap.measured', payload: { gap, moment, widthMm, ...word } }));
}

/** The warning lamps of the instrument panel looked at with everything running, on arrival or leaving: those that are lit, none or some. */
export function warningsRead(context: JobContext, moment: Moment, lit: readonly WarningLamp[], at: string, why?: string): Act {
  const against = supplyBars(context, LOW_LIVE, at);
  if (against.length > 0) return refused(...against);
  return unlessDoubtful(doubtsOfWarnings(context, moment, lit), why, (word) => ({ type: 'warnings.read', payload: { moment, lit: [...lit], ...word } }));
}

/** How clear a lens is, on arrival or leaving. */
export function lensGraded(context: JobContext, lamp: string, moment: Moment, grade: LensGrade, why?: string): Act {
  if (!lensesOf(context).some(({ id }) => id === lamp)) return refused({ code: 'unknown', what: 'lamp', id: lamp });
  if (context.state.lenses[moment][lamp] === grade) return refused({ code: 'already' });
  return unlessDoubtful(doubtsOfLens(context, lamp, moment, grade), why, (word) => ({ type: 'lens.graded', payload: { lamp, moment, grade, ...word } }));
}

/** A factory lamp tried, or found not fitted; lamps are tried with the supply live. */
export function tryLamp(context: JobContext, lamp: string, result: BaselineResult, at: string): Act {
  if (!functionsOf(context).some((entry) => entry.id === lamp)) return refused({ code: 'unknown', what: 'lamp', id: lamp });
  return unless(result === 'not fitted' ? [] : supplyBars(context, LOW_LIVE, at), () => [{ type: 'baseline.tried', payload: { lamp, result } }]);
}

/** All lamps that were not written down one by one were tried and work. */
export function othersWork(context: JobContext, at: string): Act {
  const untried = functionsOf(context).filter((lamp) => !context.state.baseline[lamp.id]);
  if (untried.length === 0) return refused({ code: 'nothing' });
  return unless(supplyBars(context, LOW_LIVE, at), () => untried.map((lamp) => ({ type: 'baseline.tried', payload: { lamp: lamp.id, result: 'works' } })));
}

/** The fault codes of a moment are read and all written down. */
export function codesRead(context: JobContext, moment: Moment, at: string): Act {
  return unless(supplyBars(context, LOW_LIVE, at), () => [{ type: 'codes.read', payload: { moment, count: context.state.codes[moment].length } }]);
}

/** A fault code as the scanner shows it. */
export function codeFound(moment: Moment, text: string): Act {
  const code = text.trim().toUpperCase();
  if (!code) return refused({ code: 'nothing' });
  return unless(tooLong(code, LONGEST_TEXT.code), () => [{ type: 'code.recorded', payload: { moment, code } }]);
}

/** A fact seen, assumed or not to be found out. */
export function recordFact({ profile, state }: JobContext, fact: string, certainty: 'known' | 'assumed' | 'unknown', value?: string): Act {
  const known = profile.facts.find((entry) => entry.id === fact);
  if (!known) return refused({ code: 'unknown', what: 'fact', id: fact });
  if (certainty !== 'unknown' && !known.choices.includes(value ?? '')) return refused({ code: 'unknown', what: 'choice', id: value ?? '' });
  const before = state.facts[fact];
  if (before && before.certainty === certainty && before.value === value && !before.not?.length) return refused({ code: 'already' });
  return happened({ type: 'fact.recorded', payload: { fact, certainty, ...(value === undefined ? {} : { value }) } });
}

/** Choices that can be ruled out of a fact while it is not known: of two the other would be known, and is said as known. */
export function canRuleOut({ profile, state }: JobContext, fact: string): string[] {
  const choices = profile.facts.find((entry) => entry.id === fact)?.choices ?? [];
  return choices.length > 2 && state.facts[fact]?.certainty === 'unknown' ? choices : [];
}

/** Rules a value of an unknown fact out, or takes that back; the last one left cannot be ruled out. */
export function ruleOut(context: JobContext, fact: string, value: string): Act {
  const choices = canRuleOut(context, fact);
  if (!choices.includes(value)) return refused({ code: 'unknown', what: 'choice', id: value });
  const before = context.state.facts[fact]?.not ?? [];
  const not = before.includes(value) ? before.filter((entry) => entry !== value) : [...before, value];
  if (not.length >= choices.length) return refused({ code: 'nothing' });
  return happened({ type: 'fact.recorded', payload: { fact, certainty: 'unknown', ...(not.length > 0 ? { not } : {}) } });
}

/** Facts of the profile that nothing was written down of. */
export function silentFacts(context: JobContext): string[] {
  const values = factValues(context.state);
  return context.profile.facts.filter((fact) => values[fact.id] === undefined && !context.state.facts[fact.id]).map((fact) => fact.id);
}
