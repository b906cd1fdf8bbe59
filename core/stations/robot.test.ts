import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { LoggedEvent } from '../events/index.ts';
import { expectKept } from '../log/test/kept.ts';
import { demoCases, SAMPLE } from './test/demo-cases.ts';
import { Robot } from './test/robot.ts';
import { expectTrueSheet } from './test/true-sheet.ts';
import { TrueVehicle } from './test/true-vehicle.ts';

const demo = join(import.meta.dirname, '../../demo');
const read = <T>(file: string): T => JSON.parse(readFileSync(join(demo, file), 'utf8')) as T;
const { cases, halfWay, kits, plugs, profiles, rules } = demoCases(read, (folder) => readdirSync(join(demo, folder)));

test('the demo has cases of every kit', () => {
  expect(new Set(cases.map((entry) => entry.documents.kits[0]?.slug)).size).toBe(kits.length);
});

test.each(cases.filter((_, place) => place % SAMPLE === 0))('$name: who taps only what is true reaches the end, and record and sheet are true', ({ name, documents, truth }) => {
  const robot = new Robot(documents, truth);
  expect(robot.work()).toBeUndefined();
  expectKept(name, robot.log);
  expect(robot.vehicle.faults()).toEqual([]);
  expectTrueSheet(robot);
});

test.each(halfWay)('$name: where a lamp came dim and a fastener broke, the sheet says just that', ({ name, documents, truth }) => {
  const [lamp] = documents.profile.functions.filter(({ when }) => when === undefined);
  const robot = new Robot(documents, { ...truth, dim: lamp?.id, breaks: true });
  expect(robot.work()).toBeUndefined();
  expectKept(`${name}, a dim lamp and a broken fastener`, robot.log);
  expect(robot.vehicle.faults()).toEqual([]);
  expectTrueSheet(robot);
});

test('the logs of the demo shop are true: nothing stands in them that could not have happened', () => {
  const shop = read<{
    jobs: { id: string; vehicle: string; kits: string[]; log: { type: string; daysAgo: number; at: string; payload: Record<string, unknown> }[] }[];
    vehicles: { id: string; profile: string }[];
  }>('shop.json');
  for (const job of shop.jobs) {
    const profile = profiles.find((entry) => entry.slug === shop.vehicles.find((vehicle) => vehicle.id === job.vehicle)?.profile);
    if (!profile) throw new Error(`no profile for ${job.id}`);
    const facts = Object.fromEntries(job.log.flatMap(({ type, payload }) => (type === 'fact.recorded' ? [[String(payload.fact), String(payload.value)]] : [])));
    const vehicle = new TrueVehicle({ profile, kits: kits.filter((kit) => job.kits.includes(kit.slug)), rules, plugs }, facts);
    const log = job.log.map(({ type, daysAgo, at, payload }, index) => {
      const day = new Date(Date.parse('2026-03-05T00:00:00Z') - daysAgo * 86_400_000).toISOString().slice(0, 10);
      return { id: `${job.id}/${index}`, type, v: 1, at: `${day}T${at}:00Z`, payload } as LoggedEvent;
    });
    for (const event of log) expect(() => vehicle.take(event)).not.toThrow();
    expectKept(job.id, log);
  }
});
