import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { beginning, formBook, withValue, valueAt, type Form, type FormBook, type Place } from '@jade/core/editing';
import { FORMATS, readDocument, type DocumentKind } from '@jade/contract/documents';
import { schemaOf } from './index.ts';

const demo = join(import.meta.dirname, '../../demo');
const list = (folder: string) => readdirSync(join(demo, folder)).map((name) => `${folder}/${name}`);
const FILES = [...list('vehicles'), ...list('kits'), 'rules.json', 'plugs.json'].filter((name) => name.endsWith('.json'));
const BOOKS = new Map<DocumentKind, FormBook>();
const bookOf = (kind: DocumentKind): FormBook => {
  const known = BOOKS.get(kind) ?? formBook(schemaOf(FORMATS[kind].of, kind));
  BOOKS.set(kind, known);
  return known;
};

/** Every place of a document down to what is no list and no record, with its form; one without a form has none. */
function leaves(book: FormBook, value: unknown, form: Form | undefined, place: Place): { place: Place; form: Form | undefined }[] {
  if (form?.is === 'record' && typeof value === 'object' && value !== null) {
    return Object.entries(value).flatMap(([name, own]) => leaves(book, own, book.get(form.of)?.find((field) => field.name === name)?.form, [...place, name]));
  }
  if (form?.is === 'list' && Array.isArray(value)) return value.flatMap((own, at) => leaves(book, own, form.of, [...place, at]));
  return [{ place, form }];
}

const FITS: Record<Form['is'], (value: unknown) => boolean> = {
  text: (value) => typeof value === 'string',
  number: (value) => typeof value === 'number',
  choice: (value) => typeof value === 'string' || typeof value === 'number',
  flag: (value) => typeof value === 'boolean',
  span: (value) => Array.isArray(value) && value.length === 2,
  list: () => false,
  record: () => false,
};

test.each(FILES)('every field of %s has a form that it fits, and comes out the same where it is written as it was', (file) => {
  const { kind, document } = readDocument(JSON.parse(readFileSync(join(demo, file), 'utf8')));
  const found = leaves(bookOf(kind), document, { is: 'record', of: '' }, []);
  expect(found.length).toBeGreaterThan(20);
  expect(found.filter(({ place, form }) => !form || !FITS[form.is](valueAt(document, place)))).toEqual([]);
  for (const { place } of found) expect(withValue(document, place, valueAt(document, place))).toEqual(document);
});

test.each(['vehicle', 'kit', 'rules', 'plugs'] as const)('whatever is begun anew in a %s asks for what is wanted, and for nothing of another kind', (kind) => {
  const book = bookOf(kind);
  for (const [name, fields] of book) {
    const begun = beginning(book, { is: 'record', of: name }) as Record<string, unknown>;
    const required = fields.filter((field) => field.required).map((field) => field.name);
    expect(Object.keys(begun).filter((field) => !required.includes(field))).toEqual([]);
    for (const field of fields)
      if (field.required && ['number', 'choice', 'flag', 'span'].includes(field.form.is)) expect([name, field.name, begun[field.name]]).toEqual([name, field.name, undefined]);
  }
});
