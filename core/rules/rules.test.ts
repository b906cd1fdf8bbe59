import type { AimBand, AimRule } from './index.ts';
import { checkBands, checkRules, DEFAULT_WIRES } from './index.ts';
import { RULES } from '../job/test/log.ts';

const band = (fromMm: number, toMm: number): AimBand => ({ fromMm, toMm, wantedDip: 1.2, toleranceUp: 0.2, toleranceDown: 0.3 });
const faults = (...bands: AimBand[]) => checkBands({ bands } satisfies Pick<AimRule, 'bands'>, 'bands').map((fault) => `${fault.path} ${fault.code}`);

test('bands rise and touch; one may begin by less than a millimetre after the other', () => {
  expect(faults(band(250, 800), band(800, 1200))).toEqual([]);
  expect(faults(band(250, 800), band(800.1, 1200))).toEqual([]);
  expect(faults()).toEqual([]);
});

test('a band the wrong way round, a hole of a millimetre and an overlap are named with their paths', () => {
  expect(faults(band(800, 250))).toEqual(['bands[0].toMm span-order']);
  expect(faults(band(250, 250))).toEqual(['bands[0].toMm span-order']);
  expect(faults(band(250, 800), band(801, 1200))).toEqual(['bands[1].fromMm bands']);
  expect(faults(band(250, 800), band(799.5, 1200))).toEqual(['bands[1].fromMm bands']);
});

test('a rule set: rules of aim that say nothing or stand twice, a load refused before it is warned of, a wire off and on at once', () => {
  const faultsOf = (part: Partial<typeof RULES>) => checkRules({ ...RULES, ...part }).map((fault) => `${fault.path} ${fault.code}`);
  const [rule] = RULES.aim;
  expect(faultsOf({})).toEqual([]);
  expect(faultsOf({ aim: [rule!, { ...rule!, id: 'empty', bands: [] }, rule!] })).toEqual(['aim[2].id duplicate-id', 'aim[1].bands length']);
  expect(faultsOf({ electrics: { ...RULES.electrics, warnShare: 0.9, refuseShare: 0.8 } })).toEqual(['electrics.refuseShare span-order']);
  expect(faultsOf({ electrics: { ...RULES.electrics, warnShare: 0.8, refuseShare: 0.8 } })).toEqual([]);
  const wires = { ...DEFAULT_WIRES, permitted: [DEFAULT_WIRES.permitted[1]!, DEFAULT_WIRES.permitted[0]!] };
  expect(faultsOf({ electrics: { ...RULES.electrics, wires } })).toEqual(['electrics.wires.permitted[1].areaMm2 span-order', 'electrics.wires.permitted[1].ampere span-order']);
  expect(faultsOf({ electrics: { ...RULES.electrics, wires: DEFAULT_WIRES } })).toEqual([]);
  expect(faultsOf({ probing: { ...RULES.probing, offBelow: 0.5, onFrom: 0.5 } })).toEqual(['probing.onFrom span-order']);
});
