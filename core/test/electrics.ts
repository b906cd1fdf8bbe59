import type { ElectricsRules } from '../rules/index.ts';

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
