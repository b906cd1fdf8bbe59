import type { VehicleShown } from '@jade/contract/customers';
import type { VehicleDraft } from './VehicleFields.vue';

/** An empty draft of a vehicle, its plate as it was looked for. */
export function newDraft(plate = ''): VehicleDraft {
  return { plate, number: '', year: '', colour: '', owner: { name: '' } };
}

/** A known vehicle, to be changed. */
export function draftOf({ plate, profile, number, year, colour, customer }: VehicleShown): VehicleDraft {
  return { plate, profile, number: number ?? '', year: year === null ? '' : String(year), colour: colour ?? '', owner: { ...customer } };
}

/** The vehicle of a draft without its owner: empty fields are left out. */
export function fieldsOf({ plate, profile, number, year, colour }: VehicleDraft) {
  const filled = { number: number.trim(), colour: colour.trim() };
  return {
    plate: plate.trim(),
    profile,
    ...(filled.number ? { number: filled.number } : {}),
    ...(year.trim() ? { year: Number(year) } : {}),
    ...(filled.colour ? { colour: filled.colour } : {}),
  };
}

/** A draft as the server is told of a vehicle that is new, with its owner where that is new as well. */
export function bodyOf(draft: VehicleDraft) {
  const { owner } = draft;
  return { ...fieldsOf(draft), ...(owner.id ? { customer: owner.id } : { newCustomer: { name: owner.name } }) };
}
