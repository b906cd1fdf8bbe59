import { type Condition, factsOf } from '../../facts/index.ts';
import { circuitLoads } from '../../loom/index.ts';
import { emptyJob, SCHOOLS } from '../../events/index.ts';
import { jobContext, type JobDocuments } from '../../job/index.ts';
import type { Kit } from '../../kit/index.ts';
import { matchKit, withOptions } from '../../match/index.ts';
import type { VehicleProfile } from '../../vehicle/index.ts';
import type { Truth } from './robot.ts';

/** Facts that anything of a kit on a vehicle hangs on. */
function factsThatMatter(profile: VehicleProfile, kit: Kit): string[] {
  const fitment = kit.fitments.find((entry) => entry.vehicle === profile.slug);
  const conditions: (Condition | undefined)[] = [
    fitment?.condition,
    ...[...profile.pieces, ...profile.plugs, ...profile.sensors, ...profile.functions, ...profile.refitRules].map((entry) => entry.when),
    ...[...kit.contents, ...(fitment?.connections ?? []), ...(fitment?.fitSteps ?? []), ...(fitment?.mounts ?? []), ...(fitment?.tests ?? [])].map((entry) => entry.when),
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

/** All that can be so of a vehicle that a kit fits: its facts with the usual options, and at both ends of the list with each other choice. */
function factsOfCases(profile: VehicleProfile, kit: Kit): Record<string, string>[] {
  const all = completions(profile, kit);
  const fits = (facts: Record<string, string>) => matchKit(kit, profile, profile.years.from + 1, { ...withOptions(facts, kit, {}), ...facts }).value === 'yes';
  const others = otherChoices(kit).flatMap((choice) => {
    const fitting = all.map((facts) => ({ ...facts, ...choice })).filter(fits);
    return [...new Set([fitting[0], fitting.at(-1)])].flatMap((facts) => (facts ? [facts] : []));
  });
  return [...others, ...all.filter(fits)];
}

/** A job of the demo with what is so of its vehicle. */
export interface Case {
  name: string;
  documents: JobDocuments;
  truth: Truth;
}

/** Choices of a kit's options other than the usual ones, one at a time. */
const otherChoices = (kit: Kit): Record<string, string>[] =>
  kit.options.flatMap((option) => option.choices.filter(({ id }) => id !== option.default).map(({ id }) => ({ [`option.${option.id}`]: id })));

/** What all jobs of a shop go by. */
type Shared = Pick<JobDocuments, 'rules' | 'plugs'>;

/** Whether every circuit bears what the kit puts on it. */
function carries(profile: VehicleProfile, kit: Kit, shared: Shared, facts: Record<string, string>): boolean {
  const state = emptyJob();
  for (const [fact, value] of Object.entries(facts)) state.facts[fact] = { certainty: 'known', value };
  state.options[kit.slug] = Object.fromEntries(Object.entries(facts).flatMap(([fact, value]) => (fact.startsWith('option.') ? [[fact.slice('option.'.length), value]] : [])));
  return circuitLoads(jobContext(state, { profile, ...shared, kits: [kit] })).every(({ check }) => check.verdict === 'carries' || check.verdict === 'warn');
}

/**
 * Every kit on every vehicle that it fits, with every fact that matters both ways, alone and with two, in both schools; each other choice of an
 * option with the first and the last of those. What a circuit does not bear is left out.
 */
export function casesOf(profiles: readonly VehicleProfile[], kits: readonly Kit[], shared: Shared): Case[] {
  return profiles.flatMap((profile) =>
    kits.flatMap((kit) =>
      factsOfCases(profile, kit).flatMap((facts) => {
        const year = profile.years.from + 1;
        if (!carries(profile, kit, shared, facts)) return [];
        return SCHOOLS.flatMap((school) =>
          ([1, 2] as const).map((people) => ({
            name: `${kit.slug} on ${profile.slug}, ${Object.values(facts).join(' ')}, ${school}, ${people}`,
            documents: { profile, kits: [kit], ...shared, year },
            truth: { facts, people, school },
          })),
        );
      }),
    ),
  );
}
