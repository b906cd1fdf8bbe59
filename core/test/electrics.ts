import type { ElectricsRules } from '../rules/index.ts';
import type { PinFunction } from '../states/index.ts';
import type { PlugFace } from '../vehicle/index.ts';

/** Rules that tests of wires are worked out with. */
export const ELECTRICS: ElectricsRules = {
  warnShare: 0.8,
  refuseShare: 1,
  lampDropShare: 0.03,
  auxiliaryDropShare: 0.05,
  contactMohm: 2,
  chassisMohm: 5,
  slackEndMm: 150,
  mainFuseWithinMm: 180,
  source: 'test',
  certainty: 'to be confirmed',
};

/** A face of one row that carries these, one cavity each. */
export function faceOf(gender: PlugFace['gender'], carries: readonly PinFunction[], part: Partial<PlugFace> = {}): PlugFace {
  return {
    id: 'x',
    name: 'x',
    family: 'LB-2',
    gender,
    keying: 'A',
    rows: 1,
    columns: carries.length,
    lock: 'tab',
    pins: carries.map((what, index) => ({ id: String(index + 1), row: 1, column: index + 1, carries: what })),
    ...part,
  };
}
