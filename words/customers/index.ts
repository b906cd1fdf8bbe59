import { LANGUAGE } from '@jade/words/units';
import type { Mileage, VehicleRemark } from '@jade/core/customers';
import { sayNumberRemark } from '@jade/words/vehicle';

/** What makes one wonder about a customer's vehicle; nothing of it refuses the vehicle. */
export function sayVehicleRemark(remark: VehicleRemark): string {
  switch (remark.code) {
    case 'year-not-told':
      return `The number tells ${remark.told.join(' or ')}, not ${remark.year}: read both again.`;
    case 'number-other':
      return `The shop has ${remark.written} written down for this vehicle: another vehicle, or one of them was read wrongly.`;
    case 'year-outside':
      return `The library has this kind of vehicle from ${remark.from}${remark.to === undefined ? ' on' : ` to ${remark.to}`}; ${remark.year} is outside.`;
    default:
      return sayNumberRemark(remark);
  }
}

/** What the counter showed, with its unit. */
export function sayMileage({ value, unit }: Mileage): string {
  return `${value.toLocaleString(LANGUAGE).replaceAll(',', ' ')} ${unit}`;
}

export * from './views.ts';
