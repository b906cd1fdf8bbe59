import { defaultMetadataStorage } from 'class-transformer/cjs/storage';
import { getMetadataStorage } from 'class-validator';
import { targetConstructorToSchema, validationMetadatasToSchemas } from 'class-validator-jsonschema';

export type Schema = Record<string, unknown>;

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

let known: Record<string, Schema> = {};
/** Schemas of all classes that are loaded, by name; they are worked out again only for one that was loaded since. */
function allWith(name: string): Record<string, Schema> {
  if (!Object.hasOwn(known, name)) known = validationMetadatasToSchemas(OPTIONS) as Record<string, Schema>;
  return known;
}

/** JSON Schema of a class of the contract with all it refers to; fields that are not named are not allowed. */
export function schemaOf(of: new () => object, title: string): Schema {
  const root = targetConstructorToSchema(of, OPTIONS) as Schema;
  const wanted = new Set<string>();
  const open = [...referenced(root)];
  for (let name = open.pop(); name !== undefined; name = open.pop()) {
    if (wanted.has(name)) continue;
    wanted.add(name);
    open.push(...referenced(allWith(name)[name]));
  }
  const defs = Object.fromEntries([...wanted].sort().map((name) => [name, closed(allWith(name)[name])]));
  return { $schema: 'https://json-schema.org/draft/2020-12/schema', title, ...(closed(root) as Schema), ...(wanted.size > 0 ? { $defs: defs } : {}) };
}
