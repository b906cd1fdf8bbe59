import { LONGEST_TEXT } from '../../events/index.ts';
import type { JobContext } from '../../job/index.ts';
import { factsOf, type Condition } from '../../facts/index.ts';
import type { FactDefinition, Piece, TellingFact } from '../../vehicle/index.ts';
import { refused, tooLong, unless, type Act, type Refusal } from '../act.ts';
import { canHaveCome } from '../open-up/index.ts';

/** What tells this vehicle from others of its kind, as whoever stands at it sees it. */
export interface Difference {
  /** Whether this one has the pieces and others have not, or the other way round. */
  has: boolean;
  pieces: readonly string[];
  /** A fact of the kind that tells them apart already; a new one where none is named. */
  fact?: string;
  label: string;
  /** What it is on this vehicle. */
  here: string;
  /** What it is on the others; of a fact of the kind its choices say it. */
  elsewhere: string;
  howToSee: string;
}

/** Minutes that a look at what tells two vehicles apart takes, until somebody says otherwise. */
const LOOK_MIN = 1;

/** Pieces that this vehicle can lack: nobody has opened them here. Or those that it has and others can lack: what was described or opened here, last first. */
export function canDiffer(context: JobContext, has: boolean): Piece[] {
  const { state, profile } = context;
  if (!has) return profile.pieces.filter(({ id }) => canHaveCome(context, id));
  const own = new Set([...Object.keys(state.described.pieces), ...Object.keys(state.reached)]);
  return profile.pieces.filter(({ id }) => own.has(id) && !state.accessories[id] && !profile.supplies.some(({ piece }) => piece === id)).reverse();
}

/** Facts of the kind by which a piece can be told: those that it does not hang on already. */
export const factsToTell = ({ profile }: Pick<JobContext, 'profile'>, pieces: readonly string[]): FactDefinition[] => {
  const hangs = new Set(profile.pieces.flatMap(({ id, when }) => (pieces.includes(id) ? factsOf(when) : [])));
  return profile.facts.filter(({ id }) => !hangs.has(id));
};

const alike = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase();

/** What of a difference is still to be said, too long, or cannot be. */
function faultsOf(context: JobContext, { has, pieces, fact, label, here, elsewhere, howToSee }: Difference): Refusal[] {
  const possible = new Set(canDiffer(context, has).map(({ id }) => id));
  const strange = pieces.flatMap((id): Refusal[] => (possible.has(id) ? [] : [{ code: 'unknown', what: 'piece', id }]));
  const unsaid = (texts: readonly string[]): Refusal[] => {
    const count = [pieces.length === 0, ...texts.map((text) => text.trim() === '')].filter(Boolean).length;
    return count > 0 ? [{ code: 'missing', count }] : [];
  };
  if (fact !== undefined) {
    const known = factsToTell(context, pieces).find(({ id }) => id === fact);
    if (!known) return [{ code: 'unknown', what: 'fact', id: fact }];
    const odd: Refusal[] = here === '' || known.choices.includes(here) ? [] : [{ code: 'unknown', what: 'choice', id: here }];
    return [...unsaid([here]), ...odd, ...strange];
  }
  const own = context.profile.facts.find((known) => alike(known.label, label));
  return [
    ...unsaid([label, here, elsewhere, howToSee]),
    ...strange,
    ...(own ? [{ code: 'fact-known' as const, fact: own.id }] : []),
    ...(here.trim() !== '' && alike(here, elsewhere) ? [{ code: 'same-choice' as const }] : []),
    ...tooLong(label, LONGEST_TEXT.factLabel),
    ...tooLong(here, LONGEST_TEXT.factValue),
    ...tooLong(elsewhere, LONGEST_TEXT.factValue),
    ...tooLong(howToSee, LONGEST_TEXT.howToSee),
  ];
}

/**
 * Says what tells this vehicle from others of its kind and which pieces hang on it: those that it lacks are planned no more, and every later vehicle is asked.
 * @param id for good, of a new fact: of its name and four letters drawn by the device
 */
export function differs(context: JobContext, difference: Difference, id: string): Act {
  const { has, pieces, fact, label, elsewhere, howToSee } = difference;
  const known = context.profile.facts.find((entry) => entry.id === fact);
  const here = difference.here.trim();
  const definition = known ?? { id, label: label.trim(), choices: has ? [here, elsewhere.trim()] : [elsewhere.trim(), here], howToSee: howToSee.trim(), lookMin: LOOK_MIN };
  const is: Condition = { fact: definition.id, is: here };
  // What this vehicle lacks the others may have whatever else they are; what it has is there only where they are as it is.
  const telling: TellingFact = { ...definition, tells: pieces.map((piece) => ({ piece, when: has ? is : { not: is } })) };
  if (!fact && context.profile.facts.some((entry) => entry.id === id)) return refused({ code: 'already' });
  return unless(faultsOf(context, difference), () => [
    { type: 'kind.described', payload: { facts: [telling] } },
    ...(context.state.facts[definition.id]?.value === here ? [] : [{ type: 'fact.recorded' as const, payload: { fact: definition.id, certainty: 'known' as const, value: here } }]),
  ]);
}
