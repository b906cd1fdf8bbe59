import { foldJob } from '@jade/core/log';
import type { LoggedEvent } from '@jade/core/events';
import { compare, time, type Line } from '../measure.ts';

const EVENTS = 5_000;

function longLog(): LoggedEvent[] {
  const at = '2026-03-05T08:30:00Z';
  const id = (index: number) => `00000000-0000-7000-8000-${String(index).padStart(12, '0')}`;
  return Array.from({ length: EVENTS }, (_, index): LoggedEvent => {
    const base = { id: id(index), v: 1, at, seq: index + 1 };
    if (index === 0) return { ...base, type: 'job.opened', payload: { vehicle: 'v', profile: { slug: 'p', version: 1 }, kits: [], rules: { slug: 'r', version: 1 } } };
    if (index % 50 === 49) return { ...base, type: 'undone', payload: { event: id(index - 7) } };
    if (index % 3 === 0)
      return { ...base, type: 'piece.moved', payload: { piece: `piece-${index % 40}`, level: index % 2 === 0 ? 'off' : 'fitted', fasteners: [{ group: 'bolts', count: 4 }] } };
    if (index % 3 === 1)
      return { ...base, type: 'reading.taken', payload: { plug: `plug-${index % 20}`, pin: '2', state: index % 2 === 0 ? 'front fog' : 'key off', lowV: 12, highV: 12 } };
    return { ...base, type: 'content.counted', payload: { kit: 'k', item: `item-${index % 30}`, count: index % 9 } };
  });
}

/** Folding a job of 5 000 events against parsing its log from JSON, which every reader has to do besides. */
export async function benchFold(): Promise<Line> {
  const log = longLog();
  const text = JSON.stringify(log);
  const [ours, other] = [await time(60, () => foldJob(log)), await time(60, () => JSON.parse(text) as unknown)];
  return compare('Folding a job of 5 000 events', ours, 'JSON.parse of the same log', other);
}
