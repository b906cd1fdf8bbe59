import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoCases, EVERY } from './test/demo-cases.ts';
import { Robot } from './test/robot.ts';
import { expectNothingFitted } from './test/true-sheet.ts';

const demo = join(import.meta.dirname, '../../demo');
const read = <T>(file: string): T => JSON.parse(readFileSync(join(demo, file), 'utf8')) as T;
const { halfWay } = demoCases(read, (folder) => readdirSync(join(demo, folder)));

test.each(halfWay)(
  '$name: cancelled at half-way states it is taken out, closed and leaves as it came',
  ({ documents, truth }) => {
    const first = new Robot(documents, truth);
    expect(first.work()).toBeUndefined();
    const signed = first.log.length - 1;
    const step = EVERY > 1 ? Math.max(EVERY, Math.floor(signed / 5)) : 1;
    for (let from = signed; from > 2; from -= step) {
      // What one act recorded is stored together or not at all.
      let count = from;
      while (first.log[count]?.act === first.log[count - 1]?.act) count--;
      const other = first.takeOver(count);
      other.cancel();
      expect([count, other.work(), other.vehicle.faults()]).toEqual([count, undefined, []]);
      expectNothingFitted(other);
    }
  },
  600_000,
);
