const VALUES: Record<string, number> = Object.fromEntries(
  [...'ABCDEFGH']
    .map((letter, index): [string, number] => [letter, index + 1])
    .concat([...'JKLMN'].map((letter, index) => [letter, index + 1]))
    .concat([
      ['P', 7],
      ['R', 9],
    ])
    .concat([...'STUVWXYZ'].map((letter, index) => [letter, index + 2]))
    .concat([...'0123456789'].map((digit) => [digit, Number(digit)])),
);
const WEIGHTS = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2];
const YEAR_CODES = 'ABCDEFGHJKLMNPRSTVWXY123456789';

export type NumberRemark =
  { code: 'number-length'; length: number } | { code: 'number-letters'; letters: string } | { code: 'number-check-digit'; expected: string; found: string };

export interface NumberCheck {
  /** The number in capitals without spaces. */
  number: string;
  remarks: NumberRemark[];
  /** Years that place 10 can mean, where the market uses it. */
  years: number[];
}

/**
 * Checks a vehicle number: 17 places without I, O, Q, and where the market has one, the check digit at place 9.
 * Everything is a remark, nothing refuses. Where the market uses place 7 so, a letter there tells the later of the two cycles of thirty
 * years and a digit the earlier one; elsewhere both candidates are given. Source: 49 CFR 565 for digit and year code; ISO 3779 gives only the form.
 */
export function checkVehicleNumber(text: string, hasCheckDigit: boolean, yearByPlace7 = false): NumberCheck {
  const number = text.toUpperCase().replace(/[\s-]/g, '');
  const remarks: NumberRemark[] = [];
  if (number.length !== 17) remarks.push({ code: 'number-length', length: number.length });
  const letters = [...number].filter((letter) => VALUES[letter] === undefined).join('');
  if (letters) remarks.push({ code: 'number-letters', letters });
  if (remarks.length > 0) return { number, remarks, years: [] };
  if (hasCheckDigit) {
    const sum = [...number].reduce((total, letter, place) => total + (VALUES[letter] ?? 0) * (WEIGHTS[place] ?? 0), 0);
    const expected = sum % 11 === 10 ? 'X' : String(sum % 11);
    const found = number[8] ?? '';
    if (expected !== found) remarks.push({ code: 'number-check-digit', expected, found });
  }
  const code = YEAR_CODES.indexOf(number[9] ?? '');
  if (code < 0) return { number, remarks, years: [] };
  const [earlier, later] = [1980 + code, 2010 + code];
  if (!yearByPlace7) return { number, remarks, years: [earlier, later] };
  return { number, remarks, years: [/\d/.test(number[6] ?? '') ? earlier : later] };
}
