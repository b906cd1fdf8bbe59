import type { VehicleShown } from '@jade/contract/customers';
import { typedMeasure } from '@jade/core/units';
import { kindSlug, type Body, type NewKind } from '@jade/core/vehicle';
import type { Owner } from './CustomerField.vue';

/** A kind of vehicle as it is written down: measures in millimetres as they are typed. */
export interface KindDraft {
  maker: string;
  model: string;
  body?: Body;
  lengthMm: string;
  widthMm: string;
  heightMm: string;
  wheelbaseMm: string;
  voltage?: '12' | '24';
  highVoltage?: 'yes' | 'no';
  /** A kind that it is much like. */
  like?: { slug: string; version: number };
}

/** A vehicle as it is written down: plate, kind, number with the years it tells, year, colour, and whose it is. */
export interface VehicleDraft {
  plate: string;
  profile?: string;
  number: string;
  year: string;
  colour: string;
  owner: Owner;
  /** Its kind, where that is made with it. */
  kind?: KindDraft;
}

export const newKindDraft = (): KindDraft => ({ maker: '', model: '', lengthMm: '', widthMm: '', heightMm: '', wheelbaseMm: '', like: undefined });

/** The kind that a draft tells of; undefined while something of it is missing. */
export function kindOf({ maker, model, body, voltage, highVoltage, like, ...typed }: KindDraft, year: number | undefined): NewKind | undefined {
  const measure = (text: string) => {
    const read = typedMeasure(text, 'mm');
    return 'fault' in read ? NaN : Math.round(read.value);
  };
  const measures = { lengthMm: measure(typed.lengthMm), widthMm: measure(typed.widthMm), heightMm: measure(typed.heightMm), wheelbaseMm: measure(typed.wheelbaseMm) };
  if (!maker.trim() || !model.trim() || !body || !voltage || !highVoltage || year === undefined || Object.values(measures).some(Number.isNaN)) return undefined;
  return {
    maker: maker.trim(),
    model: model.trim(),
    year,
    body,
    ...measures,
    systemVoltageV: voltage === '12' ? 12 : 24,
    highVoltage: highVoltage === 'yes',
    ...(like ? { like } : {}),
  };
}

/** An empty draft of a vehicle, its plate as it was looked for. */
export function newDraft(plate = ''): VehicleDraft {
  return { plate, number: '', year: '', colour: '', owner: { name: '' } };
}

/** A known vehicle, to be changed. */
export function draftOf({ plate, profile, number, year, colour, customer }: VehicleShown): VehicleDraft {
  return { plate, profile, number: number ?? '', year: year === null ? '' : String(year), colour: colour ?? '', owner: { ...customer } };
}

/** The vehicle of a draft without its owner: empty fields are left out. */
export function fieldsOf({ plate, profile, number, year, colour, kind }: VehicleDraft) {
  const filled = { number: number.trim(), colour: colour.trim() };
  const made = kind && kindOf(kind, year.trim() ? Number(year) : undefined);
  return {
    plate: plate.trim(),
    profile: made ? kindSlug(made) : profile,
    ...(filled.number ? { number: filled.number } : {}),
    ...(year.trim() ? { year: Number(year) } : {}),
    ...(filled.colour ? { colour: filled.colour } : {}),
  };
}

/** A draft as the server is told of a vehicle that is new, with its owner and its kind where those are new as well. */
export function bodyOf(draft: VehicleDraft) {
  const { owner, kind, year } = draft;
  const made = kind && kindOf(kind, year.trim() ? Number(year) : undefined);
  return { ...fieldsOf(draft), ...(made ? { kind: made } : {}), ...(owner.id ? { customer: owner.id } : { newCustomer: { name: owner.name } }) };
}
