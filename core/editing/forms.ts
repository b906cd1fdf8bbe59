/** What is read of a JSON Schema: as much as those of the documents use. */
export interface Schema {
  type?: string;
  $ref?: string;
  enum?: readonly (string | number)[];
  pattern?: string;
  format?: string;
  minimum?: number;
  maximum?: number;
  maxLength?: number;
  minItems?: number;
  maxItems?: number;
  items?: Schema;
  properties?: Readonly<Record<string, Schema>>;
  required?: readonly string[];
  $defs?: Readonly<Record<string, Schema>>;
}

/** What can stand in a field of a document. `of` of a record names its fields in the book; a span is from and to. */
export type Form =
  | { is: 'text'; most?: number; id: boolean; day: boolean }
  | { is: 'number'; least?: number; most?: number }
  | { is: 'choice'; choices: readonly (string | number)[] }
  | { is: 'flag' }
  | { is: 'span' }
  | { is: 'list'; of: Form; most?: number }
  | { is: 'record'; of: string };

export interface FieldForm {
  name: string;
  form: Form;
  required: boolean;
}

/** The fields of every record of a kind of document, by the record's name; the document itself is `''`. */
export type FormBook = ReadonlyMap<string, readonly FieldForm[]>;

/** What names an entry comes before what is said of it. */
const FIRST = ['id', 'slug', 'name', 'maker', 'model', 'label'];
const rank = (name: string) => (FIRST.includes(name) ? FIRST.indexOf(name) : FIRST.length);

function formOf(schema: Schema): Form {
  if (schema.$ref !== undefined) return { is: 'record', of: schema.$ref.slice(schema.$ref.lastIndexOf('/') + 1) };
  if (schema.type === 'array') {
    const { items = {}, minItems, maxItems } = schema;
    if (items.type === 'number' && minItems === 2 && maxItems === 2) return { is: 'span' };
    return { is: 'list', of: formOf(items), ...(maxItems === undefined ? {} : { most: maxItems }) };
  }
  if (schema.enum) return { is: 'choice', choices: schema.enum };
  if (schema.type === 'boolean') return { is: 'flag' };
  if (schema.type === 'number') {
    const { minimum, maximum } = schema;
    return { is: 'number', ...(minimum === undefined ? {} : { least: minimum }), ...(maximum === undefined ? {} : { most: maximum }) };
  }
  return { is: 'text', id: schema.pattern !== undefined, day: schema.format === 'date', ...(schema.maxLength === undefined ? {} : { most: schema.maxLength }) };
}

function fieldsOf({ properties = {}, required = [] }: Schema): FieldForm[] {
  return Object.entries(properties)
    .map(([name, field]) => ({ name, form: formOf(field), required: required.includes(name) }))
    .sort((one, other) => rank(one.name) - rank(other.name));
}

/** The fields of a kind of document and of all that stands in it, from its published schema. */
export function formBook(schema: Schema): FormBook {
  return new Map([['', schema] as const, ...Object.entries(schema.$defs ?? {})].map(([name, of]) => [name, fieldsOf(of)]));
}

/** What a field begins with that is asked for: lists empty, records with their own beginnings; a number, a choice or a yes is nobody's to guess and stays open. */
export function beginning(book: FormBook, form: Form): unknown {
  if (form.is === 'list') return [];
  if (form.is === 'text') return '';
  if (form.is !== 'record') return undefined;
  const fields = (book.get(form.of) ?? []).filter(({ required }) => required);
  // What holds itself would begin without end; none that is asked for does.
  const begun = fields.map(({ name, form: own }) => [name, own.is === 'record' && own.of === form.of ? undefined : beginning(book, own)] as const);
  return Object.fromEntries(begun.filter(([, value]) => value !== undefined));
}
