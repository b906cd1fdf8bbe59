import type { NewKind } from '../vehicle/index.ts';

/** A pickup that came in for the first time, of a kind that nobody has described. */
export const NEW_HERON: NewKind = {
  maker: 'Dunmorrow',
  model: 'Heron',
  year: 2021,
  body: 'pickup-double-cab',
  lengthMm: 5330,
  widthMm: 1860,
  heightMm: 1780,
  wheelbaseMm: 3200,
  systemVoltageV: 12,
  highVoltage: false,
};
