import type { NumberRemark, Side } from '@jade/core/vehicle';

/** What a vehicle number makes one wonder about; nothing of it refuses the number. */
export function sayNumberRemark(remark: NumberRemark): string {
  switch (remark.code) {
    case 'number-length':
      return `${remark.length} places read; a number has 17.`;
    case 'number-letters':
      return `${remark.letters} does not occur in a vehicle number: read it again.`;
    case 'number-check-digit':
      return `Check digit at place 9 is ${remark.found}, ${remark.expected} was expected. In some markets it has none: read the number again, then go on.`;
  }
}

/** A side as it is said of a place: the middle has none. */
export const saySide = (side: Side): string => (side === 'centre' ? 'middle' : `${side} side`);
