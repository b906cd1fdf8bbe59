/** What a measure is written in, where it is typed. */
export type TypedUnit = 'mm' | 'm' | 'V' | 'A' | '°' | 'Ω' | 'min' | 'mV' | 'W';
export type TypedMeasure = { value: number } | { fault: 'not a number' } | { fault: 'unit'; unit: string };

const MM: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: 25.4,
  inch: 25.4,
  inches: 25.4,
  '"': 25.4,
  '″': 25.4,
  ft: 304.8,
  foot: 304.8,
  feet: 304.8,
  "'": 304.8,
  '′': 304.8,
};
const SAME: Readonly<Record<Exclude<TypedUnit, 'mm' | 'm'>, Readonly<Record<string, number>>>> = {
  V: { v: 1, volt: 1, volts: 1, mv: 0.001 },
  A: { a: 1, amp: 1, amps: 1, ma: 0.001 },
  '°': { '°': 1, deg: 1, degrees: 1 },
  Ω: { ω: 1, ohm: 1, ohms: 1 },
  min: { min: 1, minutes: 1, h: 60 },
  mV: { mv: 1, v: 1000 },
  W: { w: 1, watt: 1, watts: 1 },
};

/** How many of the unit that is wanted one of a typed unit is; undefined of one that measures something else. */
function scaleOf(typed: string, unit: TypedUnit): number | undefined {
  if (unit !== 'mm' && unit !== 'm') return SAME[unit][typed];
  const mm = MM[typed];
  return mm === undefined || unit === 'mm' ? mm : mm / 1000;
}

/**
 * A measure as a person types it: with a point or a comma, a sign, as a fraction of an inch such as "4 1/2 in", and with a unit of its own, which is turned
 * into the one that is wanted. "0.18 in" as millimetres is 4.572; "4,5" is 4.5 of what is wanted.
 */
export function typedMeasure(text: string, unit: TypedUnit): TypedMeasure {
  const line = text.trim().toLowerCase().replaceAll('−', '-').replace(',', '.');
  const [, sign = '', wholes = '0', top, bottom, plain, rest = ''] = /^([+-]?)\s*(?:(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)|(\d+(?:\.\d*)?|\.\d+))\s*(.*)$/.exec(line) ?? [];
  const size = plain === undefined ? Number(wholes) + Number(top) / Number(bottom) : Number(plain);
  if (!Number.isFinite(size)) return { fault: 'not a number' };
  const scale = rest === '' ? 1 : scaleOf(rest, unit);
  if (scale === undefined) return { fault: 'unit', unit: rest };
  // To the thousandth: a conversion leaves no tail of digits.
  return { value: Math.round((sign === '-' ? -size : size) * scale * 1000) / 1000 };
}

/** Money as a person types it, as whole smallest coins: "329", "329,5" and "329.50" alike; undefined where it is none, or has parts of the smallest coin. */
export function typedCents(text: string): number | undefined {
  const [, wholes, parts = ''] = /^\s*(\d{1,7})(?:[.,](\d{1,2}))?\s*$/.exec(text) ?? [];
  return wholes === undefined ? undefined : Number(wholes) * 100 + Number(parts.padEnd(2, '0'));
}
