import type { Condition } from '../facts/index.ts';
import { unknownOf, type FactDefinition, type Piece, type TellingFact, type VehicleProfile } from '../vehicle/index.ts';
import type { JobDescribed } from './kits.ts';

/** What a fact asks, whoever asked it: its name and its choices, in any order. */
const asks = ({ label, choices }: FactDefinition): string => JSON.stringify([label.trim().toLowerCase(), choices.map((choice) => choice.trim().toLowerCase()).sort()]);

/** The choice of a fact that was told in other letters. */
const choiceOf = ({ choices }: FactDefinition, text: string) => choices.find((choice) => choice.trim().toLowerCase() === text.trim().toLowerCase()) ?? text;

/** A condition that asks one fact in the place of another that asks the same. */
function asking(condition: Condition, before: string, now: FactDefinition): Condition {
  const within = (part: Condition) => asking(part, before, now);
  return {
    ...condition,
    ...(condition.fact === before ? { fact: now.id, is: choiceOf(now, condition.is ?? '') } : {}),
    ...(condition.all ? { all: condition.all.map(within) } : {}),
    ...(condition.any ? { any: condition.any.map(within) } : {}),
    ...(condition.not ? { not: within(condition.not) } : {}),
  };
}

/**
 * Facts by which jobs told vehicles of a kind apart: two that ask the same are one, and one that the profile asks is that one. Each with the pieces that do not
 * hang on it there yet; one that tells of none is none of them.
 * @param pieces those of the profile and those that jobs described
 * @param idOf under which id a piece is kept
 */
export function factsTold(
  told: readonly JobDescribed[],
  profile: Pick<VehicleProfile, 'facts'>,
  pieces: readonly Piece[],
  idOf: (piece: string) => string,
): { entry: TellingFact; jobs: string[] }[] {
  const byAsking = new Map<string, FactDefinition>(profile.facts.map((fact) => [asks(fact), fact]));
  const byId = new Map<string, FactDefinition>(profile.facts.map((fact) => [fact.id, fact]));
  const found = new Map<string, { entry: TellingFact; jobs: string[] }>();
  for (const { job, described } of told) {
    for (const { tells, ...fact } of Object.values(described.facts)) {
      const own = byId.get(fact.id) ?? byAsking.get(asks(fact)) ?? fact;
      byId.set(own.id, own);
      byAsking.set(asks(own), byAsking.get(asks(own)) ?? own);
      const before = found.get(own.id) ?? { entry: { ...own, tells: [] }, jobs: [] };
      const now = tells.map(({ piece, when }) => ({ piece: idOf(piece), when: asking(when, fact.id, own) }));
      const further = now.filter(({ piece }) => !before.entry.tells.some((known) => known.piece === piece));
      found.set(own.id, { entry: { ...before.entry, tells: [...before.entry.tells, ...further] }, jobs: [...new Set([...before.jobs, job])] });
    }
  }
  return [...found.values()].flatMap(({ entry, jobs }) => {
    const tells = unknownOf({ pieces: [...pieces] }, entry);
    return tells.length > 0 ? [{ entry: { ...entry, tells }, jobs }] : [];
  });
}

/** Facts that were taken, each of the pieces that are there to tell of; one that is left none is left as well. */
export const factsTaken = (facts: readonly { entry: TellingFact }[], ids: readonly string[], there: ReadonlySet<string>): TellingFact[] =>
  facts.flatMap(({ entry }) => {
    const tells = entry.tells.filter(({ piece }) => there.has(piece));
    return ids.includes(entry.id) && tells.length > 0 ? [{ ...entry, tells }] : [];
  });
