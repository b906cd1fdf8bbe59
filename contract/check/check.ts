import 'reflect-metadata';
import { plainToInstance } from 'class-transformer';
import { getMetadataStorage, validateSync, type ValidationError } from 'class-validator';
import type { Fault } from '@jade/core/faults';
import type { FaultContext } from './fields.ts';

const DEEPEST = 40;
const MOST_FAULTS = 50;
const UNIT = /(Mm2?|Cm|M|In|Ft|Deg|Rad|Percent|Min|Sec|Hours?|Ma|A|W|V|Cd|Lx|Lm|Mohm|Ohm|Nm|Ah|K|Cents|Kg)$/;

/** Faults in form of a plain value against a class of the contract; empty where it is well formed. */
export function checkForm(of: new () => object, value: unknown, path = ''): Fault[] {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return [{ path: path || '(document)', code: 'type', data: { expected: 'an object' } }];
  if (deeperThan(value, DEEPEST)) return [{ path: path || '(document)', code: 'too-deep', data: { most: DEEPEST } }];
  const instance = plainToInstance(of, value);
  const errors = validateSync(instance, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: false, stopAtFirstError: false });
  const faults = errors.flatMap((error) => faultsOf(error, path));
  return faults.filter((fault) => fault.code !== 'missing' || !writtenInAnotherUnit(fault.path, faults)).slice(0, MOST_FAULTS);
}

/** A field that is there under another unit is not missing besides. */
function writtenInAnotherUnit(path: string, faults: readonly Fault[]): boolean {
  const folder = path.slice(0, path.lastIndexOf('.') + 1);
  return faults.some((fault) => fault.code === 'unit' && `${folder}${fault.data.expected}` === path && fault.path.startsWith(folder));
}

function deeperThan(value: unknown, depth: number): boolean {
  if (typeof value !== 'object' || value === null) return false;
  if (depth === 0) return true;
  return Object.values(value).some((part) => deeperThan(part, depth - 1));
}

function joined(path: string, property: string): string {
  if (/^\d+$/.test(property)) return `${path}[${property}]`;
  return path ? `${path}.${property}` : property;
}

function faultsOf(error: ValidationError, path: string): Fault[] {
  const at = joined(path, error.property);
  const nested = (error.children ?? []).flatMap((child) => faultsOf(child, at));
  if (nested.length > 0 || !error.constraints) return nested;
  if ('whitelistValidation' in error.constraints) return [unknownField(error, at)];
  if (error.value === undefined) return [{ path: at, code: 'missing', data: {} }];
  const contexts = Object.values(error.contexts ?? {}) as FaultContext[];
  const said = contexts.find((context) => context.code === 'type') ?? contexts.find((context) => context.code !== undefined);
  return [{ path: at, code: said?.code ?? 'type', data: said?.data ?? {} }];
}

function unknownField(error: ValidationError, path: string): Fault {
  const known = error.target ? fieldsOf(error.target.constructor) : [];
  const stem = error.property.replace(UNIT, '');
  const expected = known.find((field) => UNIT.test(field) && field.replace(UNIT, '') === stem);
  if (expected) return { path, code: 'unit', data: { expected } };
  return { path, code: 'unknown-field', data: { known: known.join(', ') } };
}

function fieldsOf(target: unknown): string[] {
  if (typeof target !== 'function') return [];
  const metadata = getMetadataStorage().getTargetValidationMetadatas(target, '', false, false);
  return [...new Set(metadata.map((entry) => entry.propertyName))];
}
