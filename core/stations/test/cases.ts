import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Condition } from '../../facts/index.ts';
import { factsOf } from '../../facts/index.ts';
import { SCHOOLS, type JobDocuments } from '../../job/index.ts';
import type { Kit } from '../../kit/index.ts';
import { matchKit, withOptions } from '../../match/index.ts';
import type { RuleSet } from '../../rules/index.ts';
import type { VehicleProfile } from '../../vehicle/index.ts';
import type { Truth } from './robot.ts';

const demo = join(import.meta.dirname, '../../../demo');
/** A file of the demo shop, as it stands there. */
export const read = <T>(file: string): T => JSON.parse(readFileSync(join(demo, file), 'utf8')) as T;
const all = <T>(folder: string): T[] => readdirSync(join(demo, folder)).map((file) => read<T>(`${folder}/${file}`));
export const rules = read<RuleSet>('rules.json');
export const profiles = all<VehicleProfile>('vehicles');
export const kits = all<Kit>('kits');

/** Facts that anything of a kit on a vehicle hangs on. */
function factsThatMatter(profile: VehicleProfile, kit: Kit): string[] {
  const fitment = kit.fitments.find((entry) => entry.vehicle === profile.slug);
  const conditions: (Condition | undefined)[] = [
    fitment?.condition,
    ...[...profile.pieces, ...profile.plugs, ...profile.sensors, ...profile.functions, ...profile.refitRules].map((entry) => entry.when),
    ...[...kit.contents, ...(fitment?.connections ?? []), ...(fitment?.fitSteps ?? []), ...(fitment?.mounts ?? [])].map((entry) => entry.when),
  ];
  return [...new Set(conditions.flatMap(factsOf))].filter((fact) => !fact.startsWith('option.'));
}

/** Every way the facts of a vehicle can lie, as far as they matter to a kit; the others as their first choice. */
function completions(profile: VehicleProfile, kit: Kit): Record<string, string>[] {
  const matter = new Set(factsThatMatter(profile, kit));
  return profile.facts.reduce<Record<string, string>[]>(
    (list, fact) => list.flatMap((facts) => (matter.has(fact.id) ? fact.choices : fact.choices.slice(0, 1)).map((choice) => ({ ...facts, [fact.id]: choice }))),
    [{}],
  );
}

/** A job of the demo with what is so of its vehicle. */
export interface Case {
  name: string;
  documents: JobDocuments;
  truth: Truth;
}

/** Every demo kit on every vehicle it fits, with every fact that matters both ways, alone and with two, in both schools. */
export const cases: Case[] = profiles.flatMap((profile) =>
  kits.flatMap((kit) =>
    completions(profile, kit).flatMap((facts) => {
      const year = profile.years.from + 1;
      if (matchKit(kit, profile, year, withOptions(facts, kit, {})).value !== 'yes') return [];
      return SCHOOLS.flatMap((school) =>
        ([1, 2] as const).map((people) => ({
          name: `${kit.slug} on ${profile.slug}, ${Object.values(facts).join(' ')}, ${school}, ${people}`,
          documents: { profile, kits: [kit], rules, year },
          truth: { facts, people, school },
        })),
      );
    }),
  ),
);
