import { LONGEST_TEXT } from '../events/index.ts';
import type { JobContext } from '../job/index.ts';
import { key, type Subject } from '../subject/index.ts';
import { happened, refused, tooLong, type Act, type Refusal } from './act.ts';

/** What cannot be undone on a vehicle: a fitting step that cuts, drills or machines, a way that does. */
export type Irreversible = Subject & { kind: 'fit' | 'piece' };

/** What stands against something that cannot be undone: whose vehicle it is has not agreed to it, by name. */
export function consentBars({ state }: Pick<JobContext, 'state'>, about: Irreversible, irreversible: boolean | undefined): Refusal[] {
  return irreversible && state.consents[key(about)] === undefined ? [{ code: 'consent-first', about }] : [];
}

/** Consent to something that cannot be undone, with the name of whoever gave it. */
export function consented({ state }: Pick<JobContext, 'state'>, about: Irreversible, by: string): Act {
  const name = by.trim();
  if (name === '') return refused({ code: 'missing', count: 1 });
  const long = tooLong(name, LONGEST_TEXT.consent);
  if (long.length > 0) return refused(...long);
  return state.consents[key(about)] === name ? refused({ code: 'already' }) : happened({ type: 'consent.given', payload: { about: key(about), by: name } });
}
