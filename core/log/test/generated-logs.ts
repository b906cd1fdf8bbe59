import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { EventType, LoggedEvent } from '../../events/index.ts';

/** Types and payloads of entries, several of every type, each of the form that its type has. `@` stands for an entry of the log. */
export const ENTRIES: readonly [type: EventType, payload: Record<string, unknown>][] = readFileSync(join(import.meta.dirname, 'entries.jsonl'), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as [EventType, Record<string, unknown>]);

const BY_TYPE = [...new Set(ENTRIES.map(([type]) => type))].flatMap((type) => (type === 'undone' ? [] : [ENTRIES.filter((entry) => entry[0] === type)]));

const OPENINGS = ENTRIES.filter(([type]) => type === 'job.opened');

/** Numbers from 0 up to 1, always the same ones for a seed. */
export function seeded(seed: number): () => number {
  let state = seed | 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

const MOST = 60;
const UNDO_SHARE = 0.08;
const idOf = (place: number) => `00000000-0000-7000-8000-${String(place + 1).padStart(12, '0')}`;
const actOf = (place: number) => `00000000-0000-7000-9000-${String(place + 1).padStart(12, '0')}`;

function withEntry(value: unknown, id: string): unknown {
  if (typeof value === 'string') return value.replace('@', id);
  if (Array.isArray(value)) return value.map((entry) => withEntry(entry, id));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, entry]) => [name, withEntry(entry, id)]));
}

/** A log of up to sixty entries of any type in any order, some of them one act, some taken back, by two people at two devices; always the same one for a seed. */
export function generatedLog(seed: number): LoggedEvent[] {
  const random = seeded(seed);
  const below = (count: number) => Math.floor(random() * count);
  const from = <T>(list: readonly T[]): T | undefined => list[below(list.length)];
  const length = 2 + below(MOST);
  const log: LoggedEvent[] = [];
  let clock = Date.parse('2026-03-05T07:00:00Z');
  // A few types a log, so that entries of one thing meet.
  const own = Array.from({ length: 4 + below(12) }, () => from(BY_TYPE));
  while (log.length < length) {
    const place = log.length;
    const before = log[place - 1];
    const together = before?.act !== undefined && random() < 0.6;
    clock += together ? 0 : below(200_000);
    const undoes = place > 1 && random() < UNDO_SHARE;
    const opens = place === 0 && random() < 0.95;
    const family = opens ? OPENINGS : from(random() < 0.8 ? own : BY_TYPE);
    const [type, payload] = (undoes ? undefined : from(family ?? [])) ?? (['undone', { event: '@' }] as const);
    const named = idOf(below(Math.max(1, place)));
    const act = together ? before?.act : random() < 0.3 ? actOf(place) : undefined;
    const whole = type === 'undone' && random() < 0.3 ? { act: actOf(below(Math.max(1, place))) } : withEntry(payload, named);
    log.push({
      id: idOf(place),
      type,
      v: type === 'reading.taken' ? 2 : 1,
      at: new Date(clock).toISOString(),
      payload: whole,
      ...(act === undefined ? {} : { act }),
      ...(random() < 0.9 ? { seq: place + 1 } : {}),
      ...(random() < 0.9 ? { person: random() < 0.5 ? 'fern' : 'copper', device: random() < 0.5 ? 'tablet' : 'phone' } : {}),
    } as LoggedEvent);
  }
  return log;
}
