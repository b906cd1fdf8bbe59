import { DEFAULT_WIRES, type RuleSet } from '@jade/core/rules';

/** Rules that a calculation falls back on where the input names none; a shop's own rule set replaces them. */
export const DEFAULT_RULES: Pick<RuleSet, 'electrics' | 'sequence' | 'probing'> = {
  electrics: {
    warnShare: 0.8,
    refuseShare: 1,
    lampDropShare: 0.03,
    auxiliaryDropShare: 0.05,
    contactMohm: 2,
    chassisMohm: 5,
    slackEndMm: 150,
    mainFuseWithinMm: 180,
    wires: DEFAULT_WIRES,
    source: 'shop default',
    certainty: 'to be confirmed',
  },
  sequence: { sideMin: 0.5, zoneMin: 0.3, toolMin: 0.2, helperMin: 1 },
  probing: { offBelow: 0.05, onFrom: 0.85, groundMaxV: 0.2, groundMaxOhm: 1 },
};

/** The rule set that a shop begins with: nothing on aim, which is the law of the place, and the defaults of the rest to be confirmed. */
export const STARTING_RULES: RuleSet = {
  format: 'jade-rule-set/1',
  slug: 'starting-rules',
  name: 'Starting rules, to be confirmed',
  aim: [],
  ...DEFAULT_RULES,
  floorToleranceMmPerM: 3,
  neverUseCircuits: ['airbag', 'brakes', 'steering', 'engine-control', 'high-voltage-control'],
};
