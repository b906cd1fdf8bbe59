import { csvOf, csvRows } from './index.ts';

test.each(['=1+1', '+44', '-5', '@name', '＝1', 'a "quoted", word', 'two\nlines', ' plain '])(
  'a cell of %j comes back as it was, and no spreadsheet takes it for a formula',
  (cell) => {
    const text = csvOf([{ id: 'a', name: cell }], ['id', 'name']);
    expect(text).not.toMatch(/[,"](=|\+|-|@|＝)/);
    expect(csvRows(text, 10)).toEqual([
      { line: 1, cells: ['id', 'name'] },
      { line: expect.any(Number), cells: ['a', cell] },
    ]);
  },
);

test('a quote that a person wrote stays', () => {
  expect(csvRows("id;name\na;'s", 10)[1]?.cells).toEqual(['a', "'s"]);
});

test('what is no file of cells is refused with its reason', () => {
  expect(() => csvRows('a,"b', 10)).toThrow(expect.objectContaining({ faults: [expect.objectContaining({ path: 'text', code: 'not-csv' })] }));
});
