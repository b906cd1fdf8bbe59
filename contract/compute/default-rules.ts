import type { RuleSet } from '@jade/core/rules';
import type { WireTable } from '@jade/core/wiring';

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
    source: 'shop default',
    certainty: 'to be confirmed',
  },
  sequence: { sideMin: 0.5, zoneMin: 0.3, toolMin: 0.2, helperMin: 1 },
  probing: { offBelow: 0.05, onFrom: 0.85, groundMaxV: 0.2, groundMaxOhm: 1 },
};

/** What wires and fuses bear where the input names no table: usual values of stranded copper in thin insulation and of blade fuses. */
export const DEFAULT_WIRES: WireTable = {
  permitted: [
    [0.35, 8],
    [0.5, 11],
    [0.75, 14],
    [1, 18],
    [1.5, 23],
    [2.5, 31],
    [4, 41],
    [6, 53],
    [10, 72],
    [16, 96],
    [25, 126],
  ].map(([areaMm2 = 0, ampere = 0]) => ({ areaMm2, ampere })),
  atC: 30,
  mostC: 105,
  bundle: [
    { from: 2, share: 0.85 },
    { from: 4, share: 0.7 },
    { from: 7, share: 0.6 },
    { from: 13, share: 0.5 },
  ],
  surge: [
    { forMs: 20, times: 6 },
    { forMs: 100, times: 3 },
    { forMs: 500, times: 1.5 },
  ],
  source: 'shop default',
  certainty: 'to be confirmed',
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
