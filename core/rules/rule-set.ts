import type { Beam } from '../kit/index.ts';
import type { WireTable } from './wire-table.ts';

/** A height band of an aim rule; heights of the lamp's reference point, both ends inclusive, in rising order and without a gap of a millimetre; later bands win at a shared end. */
export interface AimBand {
  fromMm: number;
  toMm: number;
  /** Wanted dip, positive down: percent for the percent family, degrees for the other two. */
  wantedDip: number;
  /** How far above and below the wanted aim the cut-off may be, in the unit of the family. */
  toleranceUp: number;
  toleranceDown: number;
}

/** How a beam is to be aimed. */
export interface AimRule {
  id: string;
  name: string;
  beam: Beam;
  family: 'percent' | 'inches at 25 ft' | 'fixed angle';
  reference: 'lower edge' | 'centre';
  bands: AimBand[];
  source: string;
  certainty: 'confirmed' | 'to be confirmed';
}

export interface ElectricsRules {
  warnShare: number;
  refuseShare: number;
  lampDropShare: number;
  auxiliaryDropShare: number;
  contactMohm: number;
  chassisMohm: number;
  slackEndMm: number;
  mainFuseWithinMm: number;
  /** Share of a battery's capacity that may go before the vehicle may not start; a quarter where it is not said. */
  usableShare?: number;
  /** What wires and fuses bear; the usual values where it is not said. */
  wires?: WireTable;
  source: string;
  certainty: 'confirmed' | 'to be confirmed';
}

/** Defaults and limits that the shop can edit; the local rule decides. */
export interface RuleSet {
  format: 'jade-rule-set/1';
  slug: string;
  name: string;
  aim: AimRule[];
  electrics: ElectricsRules;
  /** `positionMin`: a change of the vehicle's own position, such as turning the wheels; half a minute where it is not said. `positions` have a time of their own: raised onto stands. */
  sequence: { sideMin: number; zoneMin: number; toolMin: number; helperMin: number; positionMin?: number; positions?: { kind: string; place: string; min: number }[] };
  /** Clips break more easily with age: the chance grows by `perYear` of itself for every year beyond `fromYears`. No allowance where it is not said. */
  ageing?: { fromYears: number; perYear: number };
  /** Minutes first offered for a seized fastener, to be put right at the vehicle; none offered where it is not said. */
  seizedMin?: number;
  /** When the customer comes back for new fasteners and the aim; 100 km or 14 days where it is not said. */
  recheck?: { afterKm: number; afterDays: number };
  probing: { offBelow: number; onFrom: number; groundMaxV: number; groundMaxOhm: number };
  /** How far the floor may lie off for each metre between vehicle and wall; beyond it an aim is not certified. */
  floorToleranceMmPerM: number;
  neverUseCircuits: string[];
}
