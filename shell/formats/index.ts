import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { defaultMetadataStorage } from 'class-transformer/cjs/storage';
import { getMetadataStorage } from 'class-validator';
import { targetConstructorToSchema, validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { COMPUTATIONS } from '@jade/contract/compute';
import { FORMATS } from '@jade/contract/documents';
import { Envelope, PAYLOADS } from '@jade/contract/job';

type Schema = Record<string, unknown>;

const OPTIONS = { classTransformerMetadataStorage: defaultMetadataStorage, classValidatorMetadataStorage: getMetadataStorage(), refPointerPrefix: '#/$defs/' };

function closed(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(closed);
  if (typeof schema !== 'object' || schema === null) return schema;
  const entries = Object.entries(schema).map(([key, value]): [string, unknown] => [key, closed(value)]);
  const made = Object.fromEntries(entries);
  return made.type === 'object' && made.properties ? { ...made, additionalProperties: false } : made;
}

function referenced(schema: unknown, found = new Set<string>()): Set<string> {
  if (typeof schema !== 'object' || schema === null) return found;
  for (const [key, value] of Object.entries(schema)) {
    if (key === '$ref' && typeof value === 'string') found.add(value.replace('#/$defs/', ''));
    else referenced(value, found);
  }
  return found;
}

/** JSON Schema of a class of the contract with all it refers to; fields that are not named are not allowed. */
export function schemaOf(of: new () => object, title: string): Schema {
  const all = validationMetadatasToSchemas(OPTIONS) as Record<string, Schema>;
  const root = targetConstructorToSchema(of, OPTIONS) as Schema;
  const wanted = new Set<string>();
  const open = [...referenced(root)];
  for (let name = open.pop(); name !== undefined; name = open.pop()) {
    if (wanted.has(name)) continue;
    wanted.add(name);
    open.push(...referenced(all[name]));
  }
  const defs = Object.fromEntries([...wanted].sort().map((name) => [name, closed(all[name])]));
  return { $schema: 'https://json-schema.org/draft/2020-12/schema', title, ...(closed(root) as Schema), ...(wanted.size > 0 ? { $defs: defs } : {}) };
}

function computeReference(): string {
  const sections = COMPUTATIONS.map(
    ({ name, aliases, summary, output }) =>
      `## ${name}\n\n${summary}${aliases.map((alias) => ` It answers to \`${alias}\` too.`).join('')}\n\nInput: [compute-${name}.schema.json](compute-${name}.schema.json), for example [examples/compute-${name}.json](examples/compute-${name}.json)\n\nOutput: ${output}\n`,
  );
  return `# Calculations\n\nEach runs as \`npm run -s compute -- NAME < input.json\` and as \`POST /api/compute/NAME\`. A fault in form ends with 2 (422 over HTTP) and the path of\neach fault; a fault in meaning that leaves something to say stands in \`problems\` beside the result. Units stand in the names.\n\n${sections.join('\n')}`;
}

/** Every file of `docs/formats` that is made from the contract, by name. */
export function formatFiles(): Map<string, string> {
  const files = new Map<string, string>();
  const add = (name: string, schema: Schema) => files.set(name, `${JSON.stringify(schema, null, 2)}\n`);
  for (const { of, format, file } of Object.values(FORMATS)) add(`${file}.schema.json`, schemaOf(of, format));
  add('event.schema.json', schemaOf(Envelope, 'jade-event/1'));
  for (const [type, of] of Object.entries(PAYLOADS)) add(`event-${type}.schema.json`, schemaOf(of, type));
  for (const { name, input } of COMPUTATIONS) add(`compute-${name}.schema.json`, schemaOf(input, `input of ${name}`));
  files.set('compute.md', computeReference());
  return files;
}

/** Writes the schemas and the reference of calculations to a folder. */
export async function writeFormats(folder: string): Promise<number> {
  await mkdir(folder, { recursive: true });
  for (const [name, text] of formatFiles()) await writeFile(join(folder, name), text);
  return 0;
}
