import fc from 'fast-check';
import { beginning, copied, entryName, formBook, idsFor, isWithin, pathOf, placeOf, valueAt, withEntry, withMoved, withValue, type Schema } from './index.ts';

const SCHEMA: Schema = {
  type: 'object',
  required: ['slug', 'years', 'pieces', 'volts'],
  properties: {
    volts: { type: 'number', enum: [12, 24] },
    high: { type: 'boolean' },
    slug: { type: 'string', pattern: '^a$', maxLength: 80 },
    years: { type: 'object', $ref: '#/$defs/Years' },
    pieces: { type: 'array', maxItems: 3, items: { type: 'object', $ref: '#/$defs/Piece' } },
    seen: { type: 'string', format: 'date' },
  },
  $defs: {
    Years: { properties: { from: { type: 'number', minimum: 1950, maximum: 2100 }, to: { type: 'number' } }, required: ['from'] },
    Piece: {
      properties: {
        openMin: { type: 'number', minimum: 0 },
        name: { type: 'string' },
        id: { type: 'string', pattern: 'x' },
        side: { type: 'string', enum: ['left', 'right'] },
        xMm: { type: 'array', minItems: 2, maxItems: 2, items: { type: 'number' } },
        inner: { $ref: '#/$defs/Piece' },
        words: { type: 'array', items: { type: 'string' } },
      },
      required: ['id', 'name', 'openMin', 'side', 'words'],
    },
  },
};
const book = formBook(SCHEMA);

test('a schema becomes the fields of each record, what names it first', () => {
  expect(book.get('')?.map(({ name, form, required }) => [name, form.is, required])).toEqual([
    ['slug', 'text', true],
    ['volts', 'choice', true],
    ['high', 'flag', false],
    ['years', 'record', true],
    ['pieces', 'list', true],
    ['seen', 'text', false],
  ]);
  expect(book.get('Piece')?.map(({ name }) => name)).toEqual(['id', 'name', 'openMin', 'side', 'xMm', 'inner', 'words']);
  const form = (record: string, name: string) => book.get(record)?.find((field) => field.name === name)?.form;
  expect(form('', 'slug')).toEqual({ is: 'text', id: true, day: false, most: 80 });
  expect(form('', 'seen')).toEqual({ is: 'text', id: false, day: true });
  expect(form('', 'pieces')).toEqual({ is: 'list', of: { is: 'record', of: 'Piece' }, most: 3 });
  expect(form('Years', 'from')).toEqual({ is: 'number', least: 1950, most: 2100 });
  expect([form('Piece', 'xMm'), form('Piece', 'inner'), form('Piece', 'words')]).toEqual([
    { is: 'span' },
    { is: 'record', of: 'Piece' },
    { is: 'list', of: { is: 'text', id: false, day: false } },
  ]);
});

test('what is new begins with what is asked for, and with no number, choice or yes that nobody gave', () => {
  expect(beginning(book, { is: 'record', of: 'Piece' })).toEqual({ id: '', name: '', words: [] });
  expect(beginning(book, { is: 'record', of: '' })).toEqual({ slug: '', years: {}, pieces: [] });
  expect([beginning(book, { is: 'number' }), beginning(book, { is: 'flag' }), beginning(book, { is: 'span' })]).toEqual([undefined, undefined, undefined]);
});

const DOCUMENT = {
  slug: 'a',
  years: { from: 2018 },
  pieces: [
    { id: 'grille', levels: [{ level: 'off', openMin: 3 }] },
    { id: 'skin', levels: [] },
  ],
};

test('paths of faults and places are the same thing said twice', () => {
  expect(placeOf('pieces[3].levels[0].openMin')).toEqual(['pieces', 3, 'levels', 0, 'openMin']);
  expect(['', 'slug', 'pieces[3].levels[0].openMin', 'a.b[1][2].c'].map((path) => pathOf(placeOf(path)))).toEqual(['', 'slug', 'pieces[3].levels[0].openMin', 'a.b[1][2].c']);
  expect([isWithin(['pieces', 3, 'id'], ['pieces', 3]), isWithin(['pieces', 31], ['pieces', 3]), isWithin(['pieces'], ['pieces', 3])]).toEqual([true, false, false]);
});

test('a value is changed, put in, taken out; what lies beside it stays the very same, and the document before is not touched', () => {
  const before = structuredClone(DOCUMENT);
  const changed = withValue(DOCUMENT, ['pieces', 0, 'levels', 0, 'openMin'], 4.5);
  expect(valueAt(changed, ['pieces', 0, 'levels', 0])).toEqual({ level: 'off', openMin: 4.5 });
  expect([changed.pieces[1] === DOCUMENT.pieces[1], changed.years === DOCUMENT.years, DOCUMENT]).toEqual([true, true, before]);
  expect(withValue(DOCUMENT, ['years', 'to'], 2024).years).toEqual({ from: 2018, to: 2024 });
  expect(withValue(DOCUMENT, ['years', 'from'], undefined).years).toEqual({});
  expect(withValue(DOCUMENT, ['pieces', 0], undefined).pieces.map(({ id }) => id)).toEqual(['skin']);
  expect(withValue({ levels: [[]] }, ['levels', 0, 'openMin'], 4)).toEqual({ levels: [{ openMin: 4 }] });
  expect(withValue(DOCUMENT, ['battery', 'capacityAh'], 70)).toMatchObject({ battery: { capacityAh: 70 } });
  expect([valueAt(DOCUMENT, ['pieces', 7, 'id']), valueAt(DOCUMENT, ['toString']), valueAt(DOCUMENT, ['slug', 'length'])]).toEqual([undefined, undefined, undefined]);
});

test('entries are put in, moved and copied; a copy has an id of its own', () => {
  const ids = (document: typeof DOCUMENT) => document.pieces.map(({ id }) => id);
  expect(ids(withEntry(DOCUMENT, ['pieces'], 1, { id: 'new', levels: [] }))).toEqual(['grille', 'new', 'skin']);
  expect([ids(withMoved(DOCUMENT, ['pieces'], 1, 0)), ids(withMoved(DOCUMENT, ['pieces'], 0, 2)), ids(withMoved(DOCUMENT, ['pieces'], 5, 0))]).toEqual([
    ['skin', 'grille'],
    ['grille', 'skin'],
    ['grille', 'skin'],
  ]);
  expect(withEntry({}, ['facts'], 0, 'x')).toEqual({ facts: ['x'] });
  const entry = { id: 'clip', places: [1] };
  const copy = copied(entry, [entry, { id: 'clip-2' }]) as typeof entry;
  expect([copy, copy.places === entry.places]).toEqual([{ id: 'clip-3', places: [1] }, false]);
  expect([copied({ id: 'clip-2' }, [{ id: 'clip-2' }]), copied({ level: 'off' }, [])]).toEqual([{ id: 'clip-3' }, { level: 'off' }]);
});

test('an entry is called by its name, else by what it is of', () => {
  const entries = [
    { id: 'a', name: 'Grille' },
    { id: 'a' },
    { level: 'off', openMin: 3 },
    { piece: 'grille', level: 'off' },
    { fact: 'trim', is: 'guard' },
    'word',
    7,
    { openMin: 3 },
    null,
    { name: '', id: 'a' },
  ];
  expect(entries.map(entryName)).toEqual(['Grille', 'a', 'off', 'grille off', 'trim: guard', 'word', '7', undefined, undefined, 'a']);
});

test('a field that names an entry is offered the ids that the document has', () => {
  const document = { ...DOCUMENT, cableWays: { places: [{ id: 'sill' }] }, contents: [{ id: 'bracket' }, { name: 'no id' }] };
  expect([idsFor(document, 'piece'), idsFor(document, 'to'), idsFor(document, 'adapter'), idsFor(document, 'tool'), idsFor(document, 'circuit')]).toEqual([
    ['grille', 'skin'],
    ['sill'],
    ['bracket'],
    [],
    [],
  ]);
});

test('whatever is changed and changed back leaves the document as it was', () => {
  const steps = fc.constantFrom(...['slug', 'years.from', 'pieces[0].id', 'pieces[0].levels[0].openMin', 'pieces[1]', 'pieces[0].levels']);
  fc.assert(
    fc.property(fc.array(fc.tuple(steps, fc.jsonValue()), { maxLength: 6 }), (changes) => {
      let document = DOCUMENT as unknown;
      const undo: (() => void)[] = [];
      for (const [path, value] of changes) {
        const before = document;
        document = withValue(document, placeOf(path), value ?? 0);
        expect(valueAt(document, placeOf(path))).toEqual(value ?? 0);
        undo.push(() => (document = before));
      }
      for (const back of undo.reverse()) back();
      expect(document).toBe(DOCUMENT);
    }),
  );
});
