import { CONTENT_COLUMNS, contentRows, readContents, type ContentItem } from './index.ts';

const CONTENTS: ContentItem[] = [
  { id: 'lamp-left', name: 'Lamp, left', kind: 'lamp', count: 1, hand: 'left', spareAllowed: false },
  { id: 'screw', name: 'Screw 4 × 12', kind: 'fastener', count: 8, spareAllowed: true, when: { fact: 'trim', is: 'plain' } },
  { id: 'decoder', name: 'Decoder', kind: 'other', count: 2, spareAllowed: false, cure: { cures: 'resistor', ohm: 6, ratingW: 50 } as unknown as ContentItem['cure'] },
];
const asRows = (...lines: string[][]) => lines.map((cells, index) => ({ line: index + 1, cells }));
const asWritten = (contents: ContentItem[]) => asRows([...CONTENT_COLUMNS], ...contentRows(contents).map((row) => CONTENT_COLUMNS.map((column) => row[column])));

test('a list that is written and read again is the same, conditions and cures included', () => {
  expect(readContents(asWritten(CONTENTS), CONTENTS)).toEqual({ contents: CONTENTS, faults: [] });
});

test('columns may stand in any order; what is gone is gone, and what a column that is not there would say stays as it was', () => {
  const rows = asRows(['Count', 'kind', 'NAME', 'id'], ['12', 'Fastener', 'Screw 4 × 16', 'screw'], ['', ' '], ['1', 'lamp', 'Lamp, left', 'lamp-left']);
  expect(readContents(rows, CONTENTS)).toEqual({
    contents: [
      { id: 'screw', name: 'Screw 4 × 16', kind: 'fastener', count: 12, spareAllowed: true, when: { fact: 'trim', is: 'plain' } },
      { id: 'lamp-left', name: 'Lamp, left', kind: 'lamp', count: 1, hand: 'left', spareAllowed: false },
    ],
    faults: [],
  });
});

test('an empty hand takes it away; whether a spare will do is never taken for said', () => {
  const rows = asRows([...CONTENT_COLUMNS], ['lamp-left', 'Lamp', 'lamp', '1', '', 'no'], ['bracket', 'Bracket', 'bracket', '2', 'right', 'YES']);
  expect(readContents(rows, CONTENTS).contents).toEqual([
    { id: 'lamp-left', name: 'Lamp', kind: 'lamp', count: 1, spareAllowed: false },
    { id: 'bracket', name: 'Bracket', kind: 'bracket', count: 2, hand: 'right', spareAllowed: true },
  ]);
  const faults = (...lines: string[][]) => readContents(asRows(...lines), CONTENTS).faults.map(({ path, code }) => `${path}: ${code}`);
  expect(faults([...CONTENT_COLUMNS], ['lamp-left', 'Lamp', 'lamp', '1', 'left', ''])).toEqual(['line 2, spare allowed: missing']);
  expect(faults(['id', 'name', 'kind', 'count'], ['bracket', 'Bracket', 'bracket', '2'])).toEqual(['line 2, spare allowed: missing']);
});

test('every fault names its line and column', () => {
  const rows = asRows([...CONTENT_COLUMNS], ['a', 'A', 'tea', '1', '', 'yes'], ['a', '', 'lamp', '1.5', 'both', 'perhaps'], ['', 'B', 'lamp', '', 'Right', 'NO']);
  expect(readContents(rows, []).faults.map(({ path, code }) => `${path}: ${code}`)).toEqual([
    'line 2, kind: choice',
    'line 3, name: missing',
    'line 3, id: line-twice',
    'line 3, count: type',
    'line 3, hand: choice',
    'line 3, spare allowed: choice',
    'line 4, id: missing',
    'line 4, count: missing',
  ]);
});

test.each([
  [['id', 'name', 'kind'], ['line 1: no-column']],
  [['id', 'name', 'kind', 'count', 'colour'], ['line 1, colour: unknown-field']],
  [['id', 'name', 'name', 'kind', 'count'], ['line 1, name: name-twice']],
])('a first line of %j is refused', (header, faults) => {
  expect(readContents(asRows(header, ['a', 'A', 'lamp', '1', '']), []).faults.map(({ path, code }) => `${path}: ${code}`)).toEqual(faults);
});

test('a list of more lines than can be meant is refused whole', () => {
  const rows = asRows([...CONTENT_COLUMNS], ...Array.from({ length: 501 }, (_, index) => [`i${index}`, 'Item', 'other', '1', '', '']));
  expect(readContents(rows, [])).toEqual({ contents: [], faults: [{ path: 'text', code: 'length', data: { most: '500 lines' } }] });
});
