import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { LoggedEvent } from '../job/index.ts';
import type { Kit } from '../kit/index.ts';
import type { RuleSet } from '../rules/index.ts';
import type { VehicleProfile } from '../vehicle/index.ts';
import type { PlugLibrary } from '../wiring/index.ts';
import { casesOf } from './test/cases.ts';
import { Robot } from './test/robot.ts';
import { expectNothingFitted, expectTrueSheet } from './test/true-sheet.ts';
import { TrueVehicle } from './test/true-vehicle.ts';

const demo = join(import.meta.dirname, '../../demo');
const read = <T>(file: string): T => JSON.parse(readFileSync(join(demo, file), 'utf8')) as T;
const all = <T>(folder: string): T[] => readdirSync(join(demo, folder)).map((file) => read<T>(`${folder}/${file}`));
const rules = read<RuleSet>('rules.json');
const profiles = all<VehicleProfile>('vehicles');
const kits = all<Kit>('kits');
const plugs = read<PlugLibrary>('plugs.json');
const cases = casesOf(profiles, kits, { rules, plugs });

test('the demo has cases of every kit', () => {
  expect(new Set(cases.map((entry) => entry.documents.kits[0]?.slug)).size).toBe(kits.length);
});

/** One case of every kit on every vehicle, school and number of people: those from whose half-way states others go on. */
const halfWay = [
  ...new Map(cases.map((entry) => [`${entry.documents.kits[0]?.slug} ${entry.documents.profile.slug} ${entry.truth.school} ${entry.truth.people}`, entry])).values(),
];
/** Every so many events another takes over; every single one where all is asked for. */
const EVERY = process.env.JADE_ROBOT === 'all' ? 1 : 17;

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

test.each(cases)('$name: who taps only what is true reaches the end, and record and sheet are true', ({ documents, truth }) => {
  const robot = new Robot(documents, truth);
  expect(robot.work()).toBeUndefined();
  expect(robot.vehicle.faults()).toEqual([]);
  expectTrueSheet(robot);
});

test.each(halfWay)('$name: where a lamp came dim and a fastener broke, the sheet says just that', ({ documents, truth }) => {
  const [lamp] = documents.profile.functions.filter(({ when }) => when === undefined);
  const robot = new Robot(documents, { ...truth, dim: lamp?.id, breaks: true });
  expect(robot.work()).toBeUndefined();
  expect(robot.vehicle.faults()).toEqual([]);
  expectTrueSheet(robot);
});

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
    job.log.forEach(({ type, daysAgo, at, payload }, index) => {
      const day = new Date(Date.parse('2026-03-05T00:00:00Z') - daysAgo * 86_400_000).toISOString().slice(0, 10);
      const event = { id: `${job.id}/${index}`, type, v: 1, at: `${day}T${at}:00Z`, payload } as LoggedEvent;
      expect(() => vehicle.take(event)).not.toThrow();
    });
  }
});
