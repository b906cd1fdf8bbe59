import 'reflect-metadata';
import { plainToInstance } from 'class-transformer';
import { getMetadataStorage, validateSync, type ValidationError } from 'class-validator';
import type { Fault } from '@jade/core/faults';
import type { FaultContext } from './fields.ts';

const DEEPEST = 40;
const MOST_FAULTS = 50;
/** Values of one input: a document may say more than a request. Beyond it nothing is looked at, so that a check takes no longer than reading did. */
export const MOST_IN_REQUEST = 40_000;
export const MOST_IN_DOCUMENT = 1_500_000;
/** Items of one list and fields of one object, whatever stands in them. */
const LONGEST_LIST = 5000;
const MOST_FIELDS = 1000;
/** Names that every object has of its own: as a field of somebody's they would stand in the place of those, and pass for fields of the form. */
const RESERVED = new Set([...Object.getOwnPropertyNames(Object.prototype), 'prototype']);
const UNIT = /(Mm2?|Cm|M|In|Ft|Deg|Rad|Percent|Min|Sec|Hours?|Ma|A|W|V|Cd|Lx|Lm|Mohm|Ohm|Nm|Ah|K|Cents|Kg)$/;

/** Faults in form of a plain value against a class of the contract; empty where it is well formed. Takes time in proportion to the value, however many faults it has. */
export function checkForm(of: new () => object, value: unknown, path = '', most = MOST_IN_REQUEST): Fault[] {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return [{ path: path || '(document)', code: 'type', data: { expected: 'an object' } }];
  const beyond = beyondMeasure(value, path, most);
  if (beyond) return [beyond];
  const instance = plainToInstance(of, value);
  const errors = validateSync(instance, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: false, stopAtFirstError: false });
  const faults: Fault[] = [];
  for (const error of errors) collect(error, path, faults);
  const elsewhere = new Set(faults.flatMap((fault) => (fault.code === 'unit' ? [`${folderOf(fault.path)}${fault.data.expected}`] : [])));
  // A field that is there under another unit is not missing besides.
  return faults.filter((fault) => fault.code !== 'missing' || !elsewhere.has(fault.path)).slice(0, MOST_FAULTS);
}

const folderOf = (path: string) => path.slice(0, path.lastIndexOf('.') + 1);

/** What of a value is too deep, too long or too much to be looked at, with where it is; undefined where all of it may be. */
export function beyondMeasure(value: object, path: string, most = MOST_IN_REQUEST): Fault | undefined {
  const open: [object, string, number][] = [[value, path, 0]];
  let values = 0;
  for (let next = open.pop(); next; next = open.pop()) {
    const [part, at, depth] = next;
    if (depth >= DEEPEST) return { path: path || '(document)', code: 'too-deep', data: { most: DEEPEST } };
    const list = Array.isArray(part);
    const entries = Object.entries(part);
    const limit = list ? LONGEST_LIST : MOST_FIELDS;
    if (entries.length > limit) return { path: at || '(document)', code: 'length', data: { most: `${limit} ${list ? 'items' : 'fields'}` } };
    values += entries.length;
    if (values > most) return { path: path || '(document)', code: 'length', data: { most: `${most} values` } };
    const reserved = entries.find(([name]) => RESERVED.has(name));
    if (reserved) return { path: joined(at, reserved[0]), code: 'reserved', data: {} };
    for (const [name, inner] of entries as [string, unknown][]) if (typeof inner === 'object' && inner !== null) open.push([inner, joined(at, name), depth + 1]);
  }
  return undefined;
}

function joined(path: string, property: string): string {
  if (/^\d+$/.test(property)) return `${path}[${property}]`;
  return path ? `${path}.${property}` : property;
}

/** Adds the faults of an error, those inside it in its place, until there are more than are told anyway. */
function collect(error: ValidationError, path: string, faults: Fault[]): void {
  if (faults.length >= MOST_FAULTS * 4) return;
  const at = joined(path, error.property);
  const before = faults.length;
  for (const child of error.children ?? []) collect(child, at, faults);
  if (faults.length > before || !error.constraints) return;
  faults.push(faultOf(error, at));
}

function faultOf(error: ValidationError, at: string): Fault {
  if ('whitelistValidation' in (error.constraints ?? {})) return unknownField(error, at);
  if (error.value === undefined) return { path: at, code: 'missing', data: {} };
  const contexts = Object.values(error.contexts ?? {}) as FaultContext[];
  const said = contexts.find((context) => context.code === 'type') ?? contexts.find((context) => context.code !== undefined);
  return { path: at, code: said?.code ?? 'type', data: said?.data ?? {} };
}

function unknownField(error: ValidationError, path: string): Fault {
  const known = error.target ? fieldsOf(error.target.constructor) : [];
  const stem = error.property.replace(UNIT, '');
  const expected = known.find((field) => UNIT.test(field) && field.replace(UNIT, '') === stem);
  if (expected) return { path, code: 'unit', data: { expected } };
  return { path, code: 'unknown-field', data: { known: known.join(', ') } };
}

const FIELDS = new WeakMap<object, string[]>();

function fieldsOf(target: unknown): string[] {
  if (typeof target !== 'function') return [];
  const known = FIELDS.get(target);
  if (known) return known;
  const metadata = getMetadataStorage().getTargetValidationMetadatas(target, '', false, false);
  const fields = [...new Set(metadata.map((entry) => entry.propertyName))];
  FIELDS.set(target, fields);
  return fields;
}
