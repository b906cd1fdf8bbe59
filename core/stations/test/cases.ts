import type { Condition } from '../../facts/index.ts';
import { factsOf } from '../../facts/index.ts';
import { SCHOOLS, type JobDocuments } from '../../job/index.ts';
import type { Kit } from '../../kit/index.ts';
import { matchKit, withOptions } from '../../match/index.ts';
import type { RuleSet } from '../../rules/index.ts';
import type { VehicleProfile } from '../../vehicle/index.ts';
import type { Truth } from './robot.ts';

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

/** Every kit on every vehicle that it fits, with every fact that matters both ways, alone and with two, in both schools. */
export function casesOf(profiles: readonly VehicleProfile[], kits: readonly Kit[], rules: RuleSet): Case[] {
  return profiles.flatMap((profile) =>
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
}
