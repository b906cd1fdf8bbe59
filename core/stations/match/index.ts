import { unplacedKits, verdicts, type JobContext } from '../../job/index.ts';
import type { Happened } from '../../events/index.ts';
import { refused, type Act } from '../act.ts';
import { block, question, todo, type Asked } from '../hold.ts';

export function asked(context: JobContext): Asked[] {
  return verdicts(context).flatMap((verdict): Asked[] => {
    if (verdict.value === 'no') return [block('kit-does-not-fit', { kit: verdict.kit })];
    if (unplacedKits(context).includes(verdict.kit)) return context.state.confirmed.includes(verdict.kit) ? [] : [question('kit-undescribed', { kit: verdict.kit })];
    if (verdict.value === 'unknown' || verdict.ask.length > 0) return [question('kit-undecided', { kit: verdict.kit, fact: verdict.ask[0] ?? '' })];
    return context.state.confirmed.includes(verdict.kit) ? [] : [todo('kit-unconfirmed', { kit: verdict.kit })];
  });
}

export function begun({ state }: JobContext): boolean {
  return state.confirmed.length > 0 || Object.keys(state.options).length > 0;
}

/** Where nothing is asked, nothing is left to be done. */
export const ready = (): boolean => true;

/** The match of a kit taken as it is, with the options as they stand. */
export function confirm(context: JobContext, slug: string): Act {
  const kit = context.kits.find((entry) => entry.slug === slug);
  const verdict = verdicts(context).find((entry) => entry.kit === slug);
  if (!kit || !verdict) return refused({ code: 'unknown', what: 'kit', id: slug });
  if (context.state.confirmed.includes(slug)) return refused({ code: 'already' });
  if (verdict.value === 'no') return refused({ code: 'does-not-fit', kit: slug });
  if (verdict.ask.length > 0) return refused({ code: 'facts-first', facts: verdict.ask });
  // Of a kit that nobody has held against this kind of vehicle there is no fit list that a year could be outside of.
  if (verdict.value === 'unknown' && !unplacedKits(context).includes(slug)) return refused({ code: 'year-first' });
  const open = kit.options.filter((option) => !context.state.options[slug]?.[option.id]);
  const options = open.map((option): Happened => ({ type: 'option.chosen', payload: { kit: slug, option: option.id, choice: option.default } }));
  return { events: [...options, { type: 'match.confirmed', payload: { kit: slug } }] };
}

/** An option of a kit chosen. */
export function choose(context: JobContext, slug: string, optionId: string, choice: string): Act {
  const option = context.kits.find((entry) => entry.slug === slug)?.options.find((entry) => entry.id === optionId);
  if (!option?.choices.some((entry) => entry.id === choice)) return refused({ code: 'unknown', what: 'choice', id: choice });
  return { events: [{ type: 'option.chosen', payload: { kit: slug, option: optionId, choice } }] };
}
