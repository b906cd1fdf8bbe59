import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { unknownOf, withTelling, type TellingFact } from './index.ts';

const none = { not: { fact: 'guard', is: 'none' } };
const GUARD: TellingFact = { id: 'guard', label: 'Guard', choices: ['fitted', 'none'], howToSee: 'Look.', lookMin: 1, tells: [{ piece: 'plate', when: none }] };
const red = { fact: 'colour', is: 'red' };
const COLOUR = { id: 'colour', label: 'Colour', choices: ['red', 'blue'], howToSee: 'Look.', lookMin: 2 };
const whens = (profile: { pieces: { when?: object }[] }) => profile.pieces.map(({ when }) => when);

test('a fact that tells vehicles apart is asked, and its pieces are there only where it says so, besides what they hung on', () => {
  const profile = bareProfile({ facts: [COLOUR], pieces: [barePiece('plate'), barePiece('grille', { when: red })] });
  const { tells: _tells, ...fact } = GUARD;
  const told = withTelling(profile, [{ ...GUARD, tells: [...GUARD.tells, { piece: 'grille', when: none }] }]);
  expect([told.facts, whens(told)]).toEqual([
    [COLOUR, fact],
    [none, { all: [red, none] }],
  ]);
  expect(withTelling(profile, [])).toBe(profile);
});

test('what a profile has learned since stands as the profile says it', () => {
  const learned = { fact: 'guard', is: 'fitted' };
  const { tells: _tells, ...fact } = GUARD;
  const profile = bareProfile({ facts: [{ ...fact, label: 'Skid guard' }], pieces: [barePiece('plate', { when: learned }), barePiece('grille')] });
  const told = withTelling(profile, [{ ...GUARD, tells: [...GUARD.tells, { piece: 'grille', when: none }] }]);
  expect([told.facts.map(({ label }) => label), whens(told)]).toEqual([['Skid guard'], [learned, none]]);
  const tells = [...GUARD.tells, { piece: 'grille', when: none }, { piece: 'moon', when: none }];
  expect(unknownOf(profile, { ...GUARD, tells })).toEqual([{ piece: 'grille', when: none }]);
});
