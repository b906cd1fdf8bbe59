import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { idCheck } from './index.ts';
import { ENTRIES, generatedLog } from './test/generated-logs.ts';
import { shortHash } from './test/kept.ts';
import { POOL } from './test/pool-documents.ts';

const FILE = join(import.meta.dirname, 'test/faults-generated.txt');
const LOGS = 1000;
const ID = '019500d0-0000-7000-8000-000000000001';
const PER_LINE = 16;

test('what the entries name is found, or said to be missing, as it was', () => {
  const alone = ENTRIES.map(([type, payload]) => idCheck(POOL)({ id: ID, type, v: 1, at: '2026-03-05T08:30:00Z', payload } as never, 'events[0]'));
  // Some of each are right, and some are not.
  expect(alone.filter((faults) => faults.length > 0).length).toBeGreaterThan(ENTRIES.length / 4);
  expect(alone.filter((faults) => faults.length === 0).length).toBeGreaterThan(ENTRIES.length / 4);
  const inLogs = Array.from({ length: LOGS }, (_, seed) => {
    const check = idCheck(POOL);
    return generatedLog(seed).map((event, place) => check(event, `events[${place}]`));
  });
  const now = [...alone, ...inLogs].map(shortHash);
  const lines = Array.from({ length: Math.ceil(now.length / PER_LINE) }, (_, line) => now.slice(line * PER_LINE, (line + 1) * PER_LINE).join(' '));
  if (process.env.JADE_FOLDS_WRITE === 'yes') writeFileSync(FILE, `${lines.join('\n')}\n`);
  const kept = readFileSync(FILE, 'utf8').split(/\s+/).filter(Boolean);
  expect(kept).toHaveLength(now.length);
  expect(now.flatMap((hash, place) => (hash === kept[place] ? [] : [ENTRIES[place]?.[0] ?? `log ${place - ENTRIES.length}`]))).toEqual([]);
});
