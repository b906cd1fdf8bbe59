import * as fc from 'fast-check';
import { differences, type Difference } from './index.ts';

test('a field that changed is named by the ids on the way to it', () => {
  const before = {
    slug: 'van',
    pieces: [
      { id: 'grille', levels: [{ level: 'off', openMin: 3, people: 1 }] },
      { id: 'skin', levels: [] },
    ],
  };
  const after = {
    slug: 'van',
    pieces: [
      { id: 'grille', levels: [{ level: 'off', openMin: 4.5, people: 1 }] },
      { id: 'skin', levels: [] },
    ],
  };
  expect(differences(before, after)).toEqual([{ path: ['pieces', 'grille', 'levels', 'off', 'openMin'], kind: 'changed', before: 3, after: 4.5 }]);
});

test('what came and what went is said once, whole; what only stands elsewhere as moved', () => {
  const [a, b, c] = [{ id: 'a', n: 1 }, { id: 'b' }, { id: 'c' }];
  expect(differences({ list: [a, b] }, { list: [a, b, c] })).toEqual([{ path: ['list', 'c'], kind: 'added', after: c }]);
  expect(differences({ list: [a, b, c] }, { list: [c, b] })).toEqual([
    { path: ['list', 'a'], kind: 'removed', before: a },
    { path: ['list'], kind: 'moved', before: ['b', 'c'], after: ['c', 'b'] },
  ]);
  // A new one in front moves nobody.
  expect(differences({ list: [a, b] }, { list: [c, a, b] })).toEqual([{ path: ['list', 'c'], kind: 'added', after: c }]);
});

test('lists without ids go by position, words of a list by themselves', () => {
  expect(differences({ xMm: [1, 2] }, { xMm: [1, 7] })).toEqual([{ path: ['xMm', '2'], kind: 'changed', before: 2, after: 7 }]);
  expect(differences({ cautions: ['hot', 'sharp'] }, { cautions: ['sharp', 'live'] })).toEqual([
    { path: ['cautions', 'hot'], kind: 'removed', before: 'hot' },
    { path: ['cautions', 'live'], kind: 'added', after: 'live' },
  ]);
  // What stands twice cannot be told apart by its name.
  expect(differences({ steps: ['turn', 'turn', 'pull'] }, { steps: ['turn', 'turn'] })).toEqual([{ path: ['steps', '3'], kind: 'removed', before: 'pull' }]);
  expect(differences({ steps: ['turn', 'turn'] }, { steps: ['turn'] })).toEqual([{ path: ['steps', '2'], kind: 'removed', before: 'turn' }]);
  expect(differences({ when: { all: [{ fact: 'x' }, { fact: 'y' }] } }, { when: { all: [{ fact: 'x' }] } })).toEqual([
    { path: ['when', 'all', '2'], kind: 'removed', before: { fact: 'y' } },
  ]);
});

test('a field that came, went, or is of another form', () => {
  expect(differences({ a: 1, gone: true }, { a: [1], is: null })).toEqual([
    { path: ['a'], kind: 'changed', before: 1, after: [1] },
    { path: ['gone'], kind: 'removed', before: true },
    { path: ['is'], kind: 'added', after: null },
  ]);
});

/** Goes through differences and makes them in the older one; only for objects without lists. */
function made(before: Record<string, unknown>, list: readonly Difference[]): unknown {
  const result = structuredClone(before);
  for (const { path, kind, after } of list) {
    const holder = path.slice(0, -1).reduce<Record<string, unknown>>((at, name) => at[name] as Record<string, unknown>, result);
    const last = path.at(-1) ?? '';
    if (kind === 'removed') Reflect.deleteProperty(holder, last);
    else holder[last] = after;
  }
  return result;
}
const plain = fc.letrec<{ value: unknown; fields: Record<string, unknown> }>((tie) => ({
  value: fc.oneof({ depthSize: 'small' }, fc.integer(), fc.boolean(), fc.string(), tie('fields')),
  fields: fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd'), tie('value')),
})).fields;

test('nothing differs from itself, and made in the older one the differences give the newer one', () => {
  fc.assert(
    fc.property(plain, plain, (before, after) => {
      expect(differences(before, before)).toEqual([]);
      expect(made(before, differences(before, after))).toEqual(after);
    }),
  );
});
