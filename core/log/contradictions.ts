import { flagsOf, type LoggedEvent, type OpenQuestion } from '../events/index.ts';

/** Two people who say otherwise within so long looked at the same thing at one time: one of them is wrong. */
const WITHIN_MS = 60_000;
/** Measures of two people that are no further apart than this share are the same. */
const ALIKE_SHARE = 0.05;

function unlike(one: string | number, other: string | number): boolean {
  if (typeof one === 'string' || typeof other === 'string') return one !== other;
  return Math.abs(one - other) > ALIKE_SHARE * Math.max(Math.abs(one), Math.abs(other));
}

/**
 * Entries that contradict what another person said of the same thing within a minute by the devices' clocks. One is open until the same thing is
 * said once more without contradiction: by whoever looked again, later, or in agreement.
 * @param log entries that count, in their order; those of which it is not known who made them contradict nobody
 */
export function contradictions(log: readonly LoggedEvent[]): OpenQuestion[] {
  const said = new Map<string, Map<string, { event: string; is: string | number; at: number }>>();
  const open = new Map<string, OpenQuestion>();
  for (const { type, payload, id, at: time, person } of log) {
    const { says } = flagsOf({ type });
    if (!says || person === undefined) continue;
    const [of, is] = says(payload as never);
    const key = `${type} ${of}`;
    const at = Date.parse(time);
    const by = said.get(key) ?? new Map<string, { event: string; is: string | number; at: number }>();
    said.set(key, by);
    const against = [...by].find(([other, last]) => other !== person && Math.abs(at - last.at) <= WITHIN_MS && unlike(last.is, is));
    if (against) open.set(key, { code: 'contradicted', event: id, other: against[1].event });
    else open.delete(key);
    by.set(person, { event: id, is, at });
  }
  return [...open.values()];
}
