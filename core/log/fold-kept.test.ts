import { writeFileSync } from 'node:fs';
import { EVERY, GENERATED, GENERATED_FILE, keptGenerated, stateHash } from './test/kept.ts';
import { ENTRIES, generatedLog } from './test/generated-logs.ts';

const PER_LINE = 16;
const seeds = Array.from({ length: Math.ceil(GENERATED / EVERY) }, (_, index) => index * EVERY);

test('generated logs are of every type', () => {
  expect(new Set(seeds.slice(0, 1000).flatMap((seed) => generatedLog(seed).map(({ type }) => type))).size).toBe(new Set(ENTRIES.map(([type]) => type)).size);
});

test('generated logs are what they were, with what is taken back and what came late', () => {
  const now = seeds.map((seed) => stateHash(generatedLog(seed)));
  if (process.env.JADE_FOLDS_WRITE === 'yes') {
    const lines = Array.from({ length: now.length / PER_LINE }, (_, line) => now.slice(line * PER_LINE, (line + 1) * PER_LINE).join(' '));
    writeFileSync(GENERATED_FILE, `${lines.join('\n')}\n`);
  }
  const kept = keptGenerated();
  expect(kept).toHaveLength(GENERATED);
  expect(seeds.filter((seed, index) => kept[seed] !== now[index])).toEqual([]);
}, 120_000);
