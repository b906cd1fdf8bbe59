import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsString,
  IsTimeZone,
  Matches,
  Max,
  MaxLength,
  Min,
  MinLength,
  ValidateBy,
  ValidateIf,
  ValidateNested,
  type ValidationOptions,
} from 'class-validator';
import { JSONSchema } from 'class-validator-jsonschema';
import type { FaultCode } from '@jade/core/faults';

type Field = PropertyDecorator;

/** What a constraint says when it is broken: our own code with its data, read back from the validator's error. */
export interface FaultContext {
  code: FaultCode;
  data: Record<string, string | number>;
}

const says = (code: FaultCode, data: FaultContext['data'] = {}, each = false): ValidationOptions => ({ context: { code, data } satisfies FaultContext, each });

function all(...fields: Field[]): Field {
  return (target, key) => fields.forEach((field) => field(target, key));
}

/** A field that may be left out; null is not the same as left out. */
export const Optional = (): Field => ValidateIf((_, value) => value !== undefined, { context: { optional: true } });

/** Text of one to `most` characters. */
export const Text = (most = 240): Field => all(IsString(says('type', { expected: 'text' })), MinLength(1, says('length', { least: 1 })), MaxLength(most, says('length', { most })));

/** What every object has of its own is no id: looked up in one, it would be found. */
const SLUG = /^(?!constructor$)[a-z0-9]+(?:[-.][a-z0-9]+)*$/;

/** An author's id: small letters, digits, single dashes or dots between. */
export const Slug = (): Field =>
  all(
    IsString(says('type', { expected: 'text' })),
    Matches(SLUG, says('type', { expected: 'an id of small letters, digits and dashes' })),
    MaxLength(80, says('length', { most: 80 })),
  );

export const Slugs = (most = 200): Field =>
  all(
    IsArray(says('type', { expected: 'a list' })),
    ArrayMaxSize(most, says('length', { most })),
    Matches(SLUG, says('type', { expected: 'ids of small letters, digits and dashes' }, true)),
  );

export const Texts = (most = 60, longest = 300): Field =>
  all(
    IsArray(says('type', { expected: 'a list' })),
    ArrayMaxSize(most, says('length', { most })),
    IsString(says('type', { expected: 'text' }, true)),
    MaxLength(longest, says('length', { most: longest }, true)),
  );

/** A finite number between two limits, in the unit that the field's name states. */
export const Amount = (least: number, most: number): Field =>
  all(
    IsNumber({ allowNaN: false, allowInfinity: false }, says('type', { expected: 'a number' })),
    Min(least, says('range', { least, most })),
    Max(most, says('range', { least, most })),
  );

/** A list of finite numbers between two limits. */
export const Amounts = (most: number, least: number, greatest: number): Field =>
  all(
    IsArray(says('type', { expected: 'a list of numbers' })),
    ArrayMaxSize(most, says('length', { most })),
    IsNumber({ allowNaN: false, allowInfinity: false }, says('type', { expected: 'numbers' }, true)),
    Min(least, says('range', { least, most: greatest }, true)),
    Max(greatest, says('range', { least, most: greatest }, true)),
  );

export const Whole = (least: number, most: number): Field =>
  all(IsInt(says('type', { expected: 'a whole number' })), Min(least, says('range', { least, most })), Max(most, says('range', { least, most })));

export const Flag = (): Field => IsBoolean(says('type', { expected: 'true or false' }));

export const OneOf = (choices: readonly (string | number)[]): Field =>
  all(IsIn([...choices], says('choice', { choices: choices.join(', ') })), (target, key) => JSONSchema({ enum: [...choices] })(target, String(key)));

/** A list of values from a list of choices. */
export const OneOfEach = (choices: readonly string[], most: number): Field =>
  all(
    IsArray(says('type', { expected: 'a list' })),
    ArrayMaxSize(most, says('length', { most })),
    IsIn([...choices], says('choice', { choices: choices.join(', ') }, true)),
    (target, key) => JSONSchema({ type: 'array', items: { type: 'string', enum: [...choices] } })(target, String(key)),
  );

/** Exactly this value. */
export const Exactly = (value: string): Field => OneOf([value]);

/** From and to in millimetres. */
export const Span = (): Field =>
  all(
    IsArray(says('type', { expected: 'from and to' })),
    ArrayMinSize(2, says('length', { least: 2 })),
    ArrayMaxSize(2, says('length', { most: 2 })),
    IsNumber({ allowNaN: false, allowInfinity: false }, says('type', { expected: 'two numbers' }, true)),
  );

type Class = new () => object;

/** A nested object of one class. */
export const Part = (of: () => Class): Field => all(IsObject(says('type', { expected: 'an object' })), ValidateNested(says('type', { expected: 'an object' })), Type(of));

/** A list of objects of one class. */
export const Each = (of: () => Class, most = 500): Field =>
  all(
    IsArray(says('type', { expected: 'a list' })),
    ArrayMaxSize(most, says('length', { most })),
    IsObject(says('type', { expected: 'objects' }, true)),
    ValidateNested(says('type', { expected: 'objects' }, true)),
    Type(of),
  );

const MOMENT = /^(\d{4})-(\d{2})-(\d{2})T\d{2}:\d{2}(?::\d{2}(?:\.\d{1,6})?)?(?:Z|[+-]\d{2}:\d{2})$/;

/** Whether a text names a moment that there is: of this or the next century, on a day that its month has. */
function isMoment(value: unknown): boolean {
  const [, year = 0, month = 0, day = 0] = typeof value === 'string' ? (MOMENT.exec(value)?.map(Number) ?? []) : [];
  const daysOfMonth = new Date(Date.UTC(year, month, 0)).getUTCDate();
  return year >= 1970 && year < 2200 && day >= 1 && day <= daysOfMonth && !Number.isNaN(Date.parse(String(value)));
}

/** A point of time as ISO 8601 with its zone. */
export const Moment = (): Field =>
  all(ValidateBy({ name: 'moment', validator: { validate: isMoment } }, says('type', { expected: 'a time such as 2026-03-05T08:30:00Z' })), (target, key) =>
    JSONSchema({ type: 'string', format: 'date-time' })(target, String(key)),
  );

/** A day that there is, as ISO 8601. */
export const Day = (): Field =>
  all(
    ValidateBy(
      { name: 'day', validator: { validate: (value: unknown) => typeof value === 'string' && /^\d{4}-\d\d-\d\d$/.test(value) && isMoment(`${value}T00:00:00Z`) } },
      says('type', { expected: 'a day such as 2026-03-05' }),
    ),
    (target, key) => JSONSchema({ type: 'string', format: 'date' })(target, String(key)),
  );

/** The name of a time zone, as the zone data have it. */
export const TimeZone = (): Field => IsTimeZone(says('type', { expected: 'the name of a time zone such as Etc/UTC' }));

/** Any object, checked elsewhere. */
export const AnyObject = (): Field => IsObject(says('type', { expected: 'an object' }));

/** A client's id: UUID of version 4 or 7. */
export const EventId = (): Field => Matches(/^[0-9a-f]{8}-[0-9a-f]{4}-[47][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/, says('type', { expected: 'a UUID of version 7' }));

/** A SHA-256 as its 64 small letters and digits. */
export const Sha256 = (): Field => Matches(/^[0-9a-f]{64}$/, says('type', { expected: 'a SHA-256 in 64 small hexadecimal digits' }));

/** Facts of one vehicle: fact id to value, both text. */
export const FactMap = (): Field =>
  all(
    IsObject(says('type', { expected: 'an object of facts' })),
    ValidateBy(
      {
        name: 'factMap',
        validator: { validate: (value: unknown) => typeof value === 'object' && value !== null && Object.values(value).every((entry) => typeof entry === 'string') },
      },
      says('type', { expected: 'text for every fact' }),
    ),
  );
