import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoCases, EVERY } from './test/demo-cases.ts';
import { Robot } from './test/robot.ts';

const demo = join(import.meta.dirname, '../../demo');
const read = <T>(file: string): T => JSON.parse(readFileSync(join(demo, file), 'utf8')) as T;
const { halfWay } = demoCases(read, (folder) => readdirSync(join(demo, folder)));

test.each(halfWay)(
  '$name: from half-way states it passes another goes on to the end',
  ({ documents, truth }) => {
    const first = new Robot(documents, truth);
    expect(first.work()).toBeUndefined();
    for (let count = 2 + (EVERY > 1 ? first.log.length % EVERY : 0); count < first.log.length; count += EVERY) {
      const other = first.takeOver(count);
      expect([count, other.work(), other.vehicle.faults()]).toEqual([count, undefined, []]);
    }
  },
  600_000,
);
