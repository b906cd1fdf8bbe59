import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Kit } from '../../kit/index.ts';
import type { RuleSet } from '../../rules/index.ts';
import type { VehicleProfile } from '../../vehicle/index.ts';
import type { PlugLibrary } from '../../wiring/index.ts';
import { casesOf } from './cases.ts';

const demo = join(import.meta.dirname, '../../../demo');
export const readDemo = <T>(file: string): T => JSON.parse(readFileSync(join(demo, file), 'utf8')) as T;
const all = <T>(folder: string): T[] => readdirSync(join(demo, folder)).map((file) => readDemo<T>(`${folder}/${file}`));
export const rules = readDemo<RuleSet>('rules.json');
export const profiles = all<VehicleProfile>('vehicles');
export const kits = all<Kit>('kits');
export const plugs = readDemo<PlugLibrary>('plugs.json');
/** Every kit of the demo on every vehicle, with every fact both ways. */
export const cases = casesOf(profiles, kits, { rules, plugs });
/** One case of every kit on every vehicle, school and number of people: those from whose half-way states others go on. */
export const halfWay = [
  ...new Map(cases.map((entry) => [`${entry.documents.kits[0]?.slug} ${entry.documents.profile.slug} ${entry.truth.school} ${entry.truth.people}`, entry])).values(),
];
/** Every so many events another takes over; every single one where all is asked for. */
export const EVERY = process.env.JADE_ROBOT === 'all' ? 1 : 17;
