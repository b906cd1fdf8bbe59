import { JUDGE, sayJudged } from './index.ts';

const name = (id: string) => `Piece ${id}`;

test('what was said of pieces is one line: what could have stayed on, what had to be, how far was enough', () => {
  expect(
    sayJudged(
      [
        { piece: 'a', enough: 'needed' },
        { piece: 'b', enough: 'fitted' },
        { piece: 'c', enough: 'fitted' },
        { piece: 'd', enough: 'loosened' },
      ],
      name,
    ),
  ).toBe('Could have stayed on: Piece b, piece c; Piece d: loosened was enough; Had to be open: Piece a');
  // A line of the log names what is learned, and counts the rest.
  expect(
    sayJudged(
      ['a', 'b', 'c'].map((piece) => ({ piece, enough: 'needed' as const })),
      name,
    ),
  ).toBe('3 pieces had to be open');
  expect(sayJudged([], name)).toBe('');
  expect(JUDGE.spare(['Grille', 'Duct'])).toBe('Could all together have stayed on: Grille, duct.');
});
