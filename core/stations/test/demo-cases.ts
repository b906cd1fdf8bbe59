import type { Kit } from '../../kit/index.ts';
import type { RuleSet } from '../../rules/index.ts';
import type { VehicleProfile } from '../../vehicle/index.ts';
import type { PlugLibrary } from '../../wiring/index.ts';
import { casesOf } from './cases.ts';

/** Every so many events another takes over; every single one where all is asked for. */
export const EVERY = process.env.JADE_ROBOT === 'all' ? 1 : 17;
/** Every so many cases is done by a robot alone; every single one where all is asked for. */
export const SAMPLE = process.env.JADE_ROBOT === 'all' ? 1 : 3;

/**
 * The demo shop's documents, and every kit of it on every vehicle, with every fact both ways; `halfWay`: one case of every kit on every vehicle, school and
 * number of people, those from whose half-way states others go on.
 * @param read a document of the demo by its file
 * @param list files of a folder of the demo
 */
export function demoCases(read: <T>(file: string) => T, list: (folder: string) => string[]) {
  const all = <T>(folder: string): T[] => list(folder).map((file) => read<T>(`${folder}/${file}`));
  const documents = { rules: read<RuleSet>('rules.json'), profiles: all<VehicleProfile>('vehicles'), kits: all<Kit>('kits'), plugs: read<PlugLibrary>('plugs.json') };
  const { profiles, kits, rules, plugs } = documents;
  const cases = casesOf(profiles, kits, { rules, plugs });
  const halfWay = [
    ...new Map(cases.map((entry) => [`${entry.documents.kits[0]?.slug} ${entry.documents.profile.slug} ${entry.truth.school} ${entry.truth.people}`, entry])).values(),
  ];
  return { ...documents, cases, halfWay };
}
