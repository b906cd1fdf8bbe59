/** Letters and digits that are not taken for one another when they are read off a screen and typed with gloves on. */
const SIGNS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';
export const CODE_PLACES = 6;
/** How long a code lets a device in, in minutes. */
export const CODE_MINUTES = 10;
/** Wrong codes after which those that are open are given up. */
export const CODE_TRIES = 10;
/** Days without use after which a device is let in no more. */
export const DEVICE_DAYS = 90;
/** Hours after which the link of a helper's phone is over. */
export const HELPER_HOURS = 12;
/** Days after which somebody picks their bench name again. */
export const SESSION_DAYS = 30;

/** A code made of random bytes, one for each of its places. 32 signs: each byte gives one evenly. */
export function codeFrom(bytes: Uint8Array): string {
  return [...bytes.slice(0, CODE_PLACES)].map((byte) => SIGNS[byte % SIGNS.length]).join('');
}

/** A code as it was typed: capitals without spaces or dashes. */
export const readCode = (text: string): string => text.toUpperCase().replace(/[\s-]/g, '');
