import { JUDGE, sayConflict, sayJudged, sayTaughtPlace, sayTaughtWay } from './index.ts';
import { minutes } from '@jade/words/units';

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
  ).toBe('Could have stayed on: Piece b; piece c. Piece d: loosened was enough. Had to be open, as far as was seen: Piece a');
  // A line of the log names what is learned, and counts the rest.
  expect(
    sayJudged(
      ['a', 'b', 'c'].map((piece) => ({ piece, enough: 'needed' as const })),
      name,
    ),
  ).toBe('3 pieces had to be open, as far as was seen');
  expect(sayJudged([], name)).toBe('');
  expect(JUDGE.spare(['Grille', 'Duct'])).toBe('Could all together have stayed on: Grille; duct.');
});

test('a way that jobs taught is said with what it leads over, what it is shorter than, and what nobody confirmed', () => {
  const off = (piece: string) => ({ piece, level: 'off' as const });
  const change = {
    place: { piece: 'skin', level: 'off' as const },
    way: { id: 'seen-1', needs: [off('a')], extraMin: 1.5 },
    shorterThan: [{ id: 'front', needs: [off('a'), off('b')], extraMin: 0 }],
    onlySeen: [off('a')],
    jobs: ['one', 'two'],
  };
  expect(sayTaughtWay(change, name)).toEqual({
    now: `first piece a off, ${minutes(1.5)} more`,
    before: ['first piece a off, piece b off'],
    rests: 'Gone on 2 jobs. Nobody has said that it needs piece a: it was open.',
  });
  expect(
    sayTaughtWay({ ...change, way: { ...change.way, needs: [...change.way.needs, off('c')], extraMin: 0 }, onlySeen: [off('c')] }, name, (piece) => piece === 'c'),
  ).toMatchObject({
    now: 'first piece a off; where the vehicle has them also piece c off',
    rests: 'Gone on 2 jobs.',
  });
  expect([sayTaughtPlace(change, name, String), sayTaughtPlace({ place: { target: 'fog' } }, name, (id) => `Place ${id}`)]).toEqual(['Piece skin off', 'Place fog']);
});

test('what does not go together is said by name', () => {
  expect(sayConflict({ code: 'answer-withdrawn', job: 'a', answer: 'x', piece: 'grille', tried: 't' }, name)).toContain('Piece grille: job a said how far it was enough');
  expect(sayConflict({ code: 'gave-way-elsewhere', job: 'b', tried: 't', piece: 'skin', level: 'off', other: 'a' }, name)).toContain(
    'Piece skin off did not come on job b, though it came on job a',
  );
});
