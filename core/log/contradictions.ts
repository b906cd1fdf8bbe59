import type { EventType, LoggedEvent, Payloads, OpenQuestion } from '../events/index.ts';

/** Two people who say otherwise within so long looked at the same thing at one time: one of them is wrong. */
const WITHIN_MS = 60_000;
/** Measures of two people that are no further apart than this share are the same. */
const ALIKE_SHARE = 0.05;

/** What an entry says: of what, and what of it. */
type Says<T extends EventType> = (payload: Payloads[T]) => [of: string, is: string | number];

const SAYS: { [T in EventType]?: Says<T> } = {
  'number.recorded': ({ number }) => ['', number],
  'fact.recorded': ({ fact, certainty, value = '' }) => [fact, `${certainty} ${value}`],
  'baseline.tried': ({ lamp, result }) => [lamp, result],
  'final.tried': ({ lamp, result }) => [lamp, result],
  'battery.measured': ({ restV }) => ['', restV],
  'gap.measured': ({ gap, moment, widthMm }) => [`${gap}/${moment}`, widthMm],
  'codes.read': ({ moment, count }) => [moment, `${count}`],
  'warnings.read': ({ moment, lit }) => [moment, [...lit].sort().join()],
  'lens.graded': ({ lamp, moment, grade }) => [`${lamp}/${moment}`, grade],
  'content.counted': ({ kit, item, count }) => [`${kit}/${item}`, `${count}`],
  'option.chosen': ({ kit, option, choice }) => [`${kit}/${option}`, choice],
  'fuse.seen': ({ circuit, ratedA }) => [circuit, `${ratedA}`],
  'test.tried': ({ kit, test, passed }) => [`${kit}/${test}`, `${passed}`],
  'final.tested': ({ kit, test, passed }) => [`${kit}/${test}`, `${passed}`],
  'aim.referenced': ({ lamp, referenceMm }) => [lamp, referenceMm],
  'aim.measured': ({ lamp, moment, heightMm }) => [`${lamp}/${moment}`, heightMm],
};

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
    const says = SAYS[type] as ((payload: unknown) => [string, string | number]) | undefined;
    if (!says || person === undefined) continue;
    const [of, is] = says(payload);
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
