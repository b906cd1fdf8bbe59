import { factsOf, type Condition } from '../facts/index.ts';
import type { FactDefinition, Piece, VehicleProfile } from './profile.ts';

/** A piece that is there only where a condition holds. */
export interface ThereOnly {
  piece: string;
  when: Condition;
}

/** A fact that somebody told two vehicles of a kind apart by, with the pieces that not all of them have. One of the profile's own is named by its id. */
export interface TellingFact extends FactDefinition {
  tells: ThereOnly[];
}

/** Conditions that a piece does not have yet. One that asks for the fact already stands as it is: whoever described it knew of it. */
const furtherOf = ({ id, when: own }: Pick<Piece, 'id' | 'when'>, telling: readonly TellingFact[]): Condition[] =>
  telling.flatMap((fact) => (factsOf(own).includes(fact.id) ? [] : fact.tells.filter(({ piece }) => piece === id).map(({ when }) => when)));

/** A piece with the conditions under which it was told to be there, all of them at once. */
function toldOf(piece: Piece, telling: readonly TellingFact[]): Piece {
  const further = furtherOf(piece, telling);
  const [only, ...others] = [...(piece.when && further.length > 0 ? [piece.when] : []), ...further];
  return only === undefined ? piece : { ...piece, when: others.length > 0 ? { all: [only, ...others] } : only };
}

/** A profile with facts that tell its vehicles apart: each asked for from then on, and pieces there only where they were told to be. */
export function withTelling<P extends Pick<VehicleProfile, 'facts' | 'pieces'>>(profile: P, telling: readonly TellingFact[]): P {
  if (telling.length === 0) return profile;
  const known = new Set(profile.facts.map(({ id }) => id));
  const facts = telling.filter(({ id }) => !known.has(id)).map(({ tells: _tells, ...fact }): FactDefinition => fact);
  return { ...profile, facts: [...profile.facts, ...facts], pieces: profile.pieces.map((piece) => toldOf(piece, telling)) };
}

/** What of a fact a profile does not know: pieces that do not depend on it there, and that it has. */
export function unknownOf(profile: Pick<VehicleProfile, 'pieces'>, { id, tells }: TellingFact): ThereOnly[] {
  return tells.filter(({ piece }) => profile.pieces.some((entry) => entry.id === piece && !factsOf(entry.when).includes(id)));
}
