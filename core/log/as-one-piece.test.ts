import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { asOnePiece } from './index.ts';
import { describedFurther, describedOnce, keptAs, NOTHING_DESCRIBED, type DescribedHere } from '../overlay/index.ts';
import type { LoggedEvent } from '../events/index.ts';

const off = (piece: string) => ({ piece, level: 'off' as const });
const way = (...pieces: string[]) => ({ id: 'seen', needs: pieces.map(off), extraMin: 0 });
const piece = (id: string, ...needs: string[]) => barePiece(id, { levels: [{ level: 'off', openMin: 2, closeMin: 2, people: 1, ways: [way(...needs)] }] });
const byId = <T extends { id: string }>(...entries: T[]) => Object.fromEntries(entries.map((entry) => [entry.id, entry]));
const { mounts, plugs } = bareProfile({
  mounts: [{ id: 'mount', name: 'Mount', side: 'centre', at: { xMm: 0, yMm: 0, zMm: 0 }, reach: [way('z9', 'a1', 'duct')], hiddenBy: [off('z9')] }],
  plugs: [
    {
      id: 'plug',
      name: 'Plug',
      family: 'SL-2',
      keying: 'A',
      rows: 1,
      columns: 2,
      lock: 'tab',
      gender: 'sockets',
      pins: [],
      side: 'centre',
      whereToLook: 'behind it',
      reach: [way('z9')],
      hiddenBy: [off('z9'), off('y8')],
    },
  ],
} as never);
const DESCRIBED: DescribedHere = {
  ...NOTHING_DESCRIBED,
  pieces: byId(piece('duct', 'z9'), piece('z9', 'duct'), piece('a1', 'z9', 'y8', 'duct')),
  mounts: byId(...mounts),
  plugs: byId(...plugs),
  supplies: { low: { id: 'low', name: '12 V battery', piece: 'z9', level: 'off', waitMin: 3, before: [], forgets: [], by: 'anyone' } as never },
  without: ['z9', 'a1', 'y8'],
  same: { z9: 'y8', y8: 'a1' },
};

test('what was described names each piece as it is kept: what needs it, what it hides, what it isolates', () => {
  expect([keptAs(DESCRIBED.same, 'z9'), keptAs(DESCRIBED.same, 'duct')]).toEqual(['a1', 'duct']);
  const once = describedOnce(DESCRIBED);
  const needs = (list: readonly { needs: readonly { piece: string }[] }[] = []) => list.map((entry) => entry.needs.map((need) => need.piece));
  // The duct comes before it and it before the duct, as two people saw it; for itself it is no need.
  expect(Object.values(once.pieces).map(({ id, levels }) => [id, needs(levels.flatMap(({ ways }) => ways))])).toEqual([
    ['duct', [['a1']]],
    ['a1', [['duct']]],
  ]);
  expect([needs(once.mounts.mount?.reach), once.mounts.mount?.hiddenBy]).toEqual([[['a1', 'duct']], [off('a1')]]);
  expect([needs(once.plugs.plug?.reach), once.plugs.plug?.hiddenBy]).toEqual([[['a1']], [off('a1')]]);
  expect([once.supplies.low?.piece, once.without, once.same]).toEqual(['a1', ['a1'], {}]);
  // Said of no piece, it is the very same.
  expect(describedOnce({ ...DESCRIBED, same: {} }).pieces).toBe(DESCRIBED.pieces);
});

test('an entry names each piece as it is kept, wherever it names it; what people wrote stays as they wrote it', () => {
  const read = asOnePiece(DESCRIBED);
  const event = (type: string, payload: object) => read({ id: 'e', type, v: 1, at: '2026-03-05T08:30:00Z', payload } as never as LoggedEvent)?.payload;
  expect(event('opening.judged', { pieces: [{ piece: 'z9', enough: 'fitted' }] })).toEqual({ pieces: [{ piece: 'a1', enough: 'fitted' }] });
  expect(event('accessory.found', { accessory: 'winch', name: 'z9 y8', holds: ['y8', 'duct'] })).toEqual({ accessory: 'winch', name: 'z9 y8', holds: ['a1', 'duct'] });
  expect(event('consent.given', { about: 'piece:z9/off', by: 'the owner' })).toEqual({ about: 'piece:a1/off', by: 'the owner' });
  expect(event('reading.taken', { plug: 'plug', pin: '1', lowV: 0, highV: 12.1 })).toEqual({ plug: 'plug', pin: '1', lowV: 0, highV: 12.1 });
  const said = { pieces: [piece('z9')] };
  expect(event('kind.described', said)).toBe(said);
  // Nothing is read otherwise where nothing was said to be the same.
  const plain = { id: 'e', type: 'piece.wanted', v: 1, at: '', payload: off('z9') } as never as LoggedEvent;
  expect(asOnePiece({ ...DESCRIBED, same: {} })(plain)).toBe(plain);
});

test('nothing is in the end itself, in whatever order it is said and said anew', () => {
  const said = (...pairs: [piece: string, is: string][]) => pairs.reduce((before, [piece, is]) => describedFurther(before, { same: [{ piece, is }] }), NOTHING_DESCRIBED).same;
  expect(said(['a1', 'z9'], ['z9', 'a1'])).toEqual({ a1: 'z9' });
  // What the first one is was said otherwise before, and is said anew once the second one is it.
  expect(said(['a1', 'duct'], ['z9', 'a1'], ['a1', 'z9'])).toEqual({ a1: 'duct', z9: 'a1' });
  expect(said(['a1', 'z9'], ['a1', 'duct'])).toEqual({ a1: 'duct' });
});
