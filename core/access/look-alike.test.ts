import { bareGroup } from '../test/bare-profile.ts';
import type { Drive, FastenerGroup } from '../vehicle/index.ts';
import { lookAlikeGroups, lookAlikeTools } from './index.ts';

const tool = (drive: Drive, size?: string) => ({ drive, ...(size ? { size } : {}) });
const pairs = (...groups: ReturnType<typeof tool>[]) => lookAlikeTools(groups).map(({ one, other }) => `${one} ~ ${other}`);

test.each<[string, ReturnType<typeof tool>[], string[]]>([
  ['six-lobe and its plus kind of one size', [tool('six-lobe', 'T25'), tool('six-lobe plus', '25 plus')], ['T25 six-lobe ~ 25 plus six-lobe plus']],
  ['of another size they are told apart', [tool('six-lobe', 'T25'), tool('six-lobe plus', '30 plus')], []],
  ['a hex key goes into a six-lobe of any size', [tool('six-lobe', 'T25'), tool('hex key', '5 mm')], ['T25 six-lobe ~ 5 mm hex key']],
  ['and into the plus kind, whichever is first', [tool('hex key', '5 mm'), tool('six-lobe plus', '30 plus')], ['5 mm hex key ~ 30 plus six-lobe plus']],
  ['push-pins and fir-tree clips, with sizes or without', [tool('push-pin'), tool('fir-tree clip')], ['push-pin ~ fir-tree clip']],
  ['the same drive in two sizes is no look-alike', [tool('six-lobe', 'T20'), tool('six-lobe', 'T25')], []],
  ['drives that nobody takes for one another', [tool('hex', '10 mm'), tool('six-lobe', '10 mm'), tool('hook')], []],
  ['a tool that is needed twice is named once', [tool('push-pin', '8 mm'), tool('push-pin', '8 mm'), tool('fir-tree clip', '8 mm')], ['8 mm push-pin ~ 8 mm fir-tree clip']],
])('%s', (_, groups, expected) => {
  expect(pairs(...groups)).toEqual(expected);
});

test('fasteners fit each other’s places where drive and size are the same and the length is not', () => {
  const group = (id: string, lengthMm: number | undefined, part: Partial<FastenerGroup> = {}) =>
    bareGroup(id, { drive: 'six-lobe', size: 'T25', ...(lengthMm === undefined ? {} : { lengthMm }), ...part });
  const lists = (...groups: FastenerGroup[]) => lookAlikeGroups(groups).map((list) => list.map((entry) => entry.id));
  expect(lists(group('a', 16), group('b', 25), group('c', 25))).toEqual([['a', 'b', 'c']]);
  expect(lists(group('a', 16), group('b', 16))).toEqual([]);
  expect(lists(group('a', 16), group('b', undefined))).toEqual([]);
  expect(lists(group('a', 16), group('b', 25, { size: 'T30' }), group('c', 25, { drive: 'hex' }))).toEqual([]);
  expect(lists(group('a', 16, { size: undefined }), group('b', 25, { size: undefined }), group('c', 10), group('d', 12))).toEqual([
    ['a', 'b'],
    ['c', 'd'],
  ]);
});
