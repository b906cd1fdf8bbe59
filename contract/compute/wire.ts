import { duplicateIds, unknownId, type Fault } from '@jade/core/faults';
import { checkWireTable, DEFAULT_WIRES, type ElectricsRules, type WireTable } from '@jade/core/rules';
import { checkFace, checkProtection } from '@jade/core/vehicle';
import {
  assignLegs,
  BEHAVIOURS,
  boreFor,
  bundleDiameterMm,
  cheapestPaths,
  checkAdapter,
  checkLoad,
  checkRelay,
  conductorOhm,
  copperOhm,
  currentsOf,
  dropLimitShare,
  gaugeAreaMm2,
  gaugeDiameterMm,
  GAUGES,
  judgeDrop,
  judgePlugs,
  matePlugs,
  METRIC_MM2,
  neededMm,
  outageCure,
  rankSources,
  sizeCircuit,
  smallestFuseA,
  standingDrain,
  USABLE_SHARE,
  voltageRange,
} from '@jade/core/wiring';
import { computation, lampsTwice, refuse, type Computation } from './computation.ts';
import { DEFAULT_RULES } from './default-rules.ts';
import {
  CircuitLoadInput,
  DrainInput,
  GaugeInput,
  LampCurrentInput,
  LegsInput,
  OutageInput,
  PlugMatchInput,
  RelayInput,
  RouteInput,
  SourcesInput,
  SizeCircuitInput,
  VoltageDropInput,
  type NewCircuitInput,
} from './wire-inputs.ts';

const TOLERANCE = 0.05;
const SHRINK_RATIO = 3;

/** A fault unless just one of two is given. */
function oneOf(input: object, one: string, other: string): Fault[] {
  const given = [one, other].filter((name) => (input as Record<string, unknown>)[name] !== undefined);
  return given.length === 1 ? [] : [{ path: one, code: 'one-of', data: { choices: `${one}, ${other}` } }];
}

/** The table that an input names, else that of its rules, else the usual values. */
const wiresOf = ({ wires, rules }: { wires?: WireTable; rules?: ElectricsRules }) => wires ?? rules?.wires ?? DEFAULT_WIRES;

/** Faults in meaning of a circuit that is to be sized, and of the table that it is sized by. */
function circuitFaults(circuit: NewCircuitInput, path: string, wires: WireTable | undefined): Fault[] {
  const loads: Fault[] = circuit.loads.length > 0 ? [] : [{ path: `${path}loads`, code: 'length', data: { least: 1 } }];
  return [...loads, ...(wires ? checkWireTable(wires, 'wires') : [])];
}

/** The thinnest stocked gauge that is not thinner than a wire; null above the thickest. */
const gaugeFor = (areaMm2: number): number | null => GAUGES.find((gauge) => gaugeAreaMm2(gauge) >= areaMm2 - 1e-9) ?? null;

/** Calculations of the station Wire, by name. */
export const WIRE_COMPUTATIONS: readonly Computation[] = [
  computation(
    'plug-match',
    'A plug of the vehicle against a plug of the kit, pin by pin, and what is to be done so that the one feeds the other.',
    '`value`, `pairs` by row and column with a verdict each, `troubles`; `verdict` with its `value`: works, works either way, turn it, re-pin (`moves`, and the `harm` if pushed together as they are), populate (`missing`), adapter (`chain` with `priceCents`), no plug (`joins` wire by wire), do not connect (`because`).',
    PlugMatchInput,
    ({ vehicle, kit, adapters = [] }) => {
      const maps = adapters.flatMap((adapter, index) => checkAdapter(adapter, `adapters[${index}]`));
      refuse([...checkFace(vehicle, 'vehicle'), ...checkFace(kit, 'kit'), ...duplicateIds(adapters, 'adapters'), ...maps]);
      return { ...matePlugs(vehicle, kit), verdict: judgePlugs(vehicle, kit, adapters) };
    },
    ['plugs'],
  ),
  computation(
    'circuit-load',
    'A circuit with added loads against its weakest part, and what is lost on the way to them.',
    '`beforeA`, `addedA`, `afterA` at the worst voltage, `weakest` with `limitA`, shares of 1, `dropV` and `dropShare` at running voltage against `dropLimitShare`, `atLeastV` at the loads while the supply is at its least (against `neededV` where a load states one), `fullestLeg` and `longestLeg` of the legs given (`ampere`, `share` of 1, `dropV`), `troubles`, `unknown` (what is not described: other loads, the wire, contacts, a coil; all figures are then the least that they can be), `mend` (`of` wire or leg: the metric size, or the longest way in metres, that loses little enough; empty where neither does), `verdict`.',
    CircuitLoadInput,
    (input) => {
      refuse([...checkProtection(input.circuit, 'circuit'), ...duplicateIds(input.legs ?? [], 'legs')]);
      return checkLoad(input.circuit, input.added, input.systemVoltageV, input.rules ?? DEFAULT_RULES.electrics, input.use, input.legs);
    },
  ),
  computation(
    'voltage-drop',
    'Voltage lost in a conductor and its contacts, judged by the share that may be lost.',
    '`resistanceOhm`, `dropV`, `dropShare` of running voltage, `limitShare`, `holds`.',
    VoltageDropInput,
    (input) => {
      refuse(oneOf(input, 'areaMm2', 'gauge'));
      const areaMm2 = input.areaMm2 ?? gaugeAreaMm2(input.gauge ?? 0);
      const resistanceOhm = conductorOhm({ ...input, areaMm2 }) + (input.contactsMohm ?? 0) / 1000;
      return judgeDrop(input.currentA, resistanceOhm, input.runningV, dropLimitShare(input.use ?? 'lamp', input.rules ?? DEFAULT_RULES.electrics));
    },
    ['wire-drop'],
  ),
  computation(
    'lamp-current',
    'Current of a lamp over the voltage range, and the smallest fuse that keeps a fifth in hand.',
    '`leastVoltageA`, `runningA`, `mostVoltageA`, `worstA`, `fuseA` (null above the largest blade fuse).',
    LampCurrentInput,
    (input) => {
      const currents = currentsOf([input], voltageRange(input.systemVoltageV));
      return { ...currents, fuseA: smallestFuseA(currents.worstA) ?? null };
    },
  ),
  computation(
    'size-circuit',
    'Fuse and wire of a circuit that is still to be laid: the fuse first, then the thinnest wire of either series that may carry it where it lies and loses little enough.',
    '`runningA`, `worstA`, `fuseA` (null where no standard fuse does), `dropLimitShare`, `metric` and `gauge` (`size`, `areaMm2`, `permittedA` where it lies, `dropV`, `dropShare`; null where no size does), `reasons` (what has to grow, come nearer or be fed otherwise).',
    SizeCircuitInput,
    (input) => {
      refuse(circuitFaults(input, '', input.wires));
      return sizeCircuit(input, input.rules ?? DEFAULT_RULES.electrics, wiresOf(input));
    },
  ),
  computation(
    'relay',
    'A relay: its coil on the circuit that triggers it, and the lamps on a feed of their own, each judged by itself.',
    '`trigger` (as `circuit-load`, with the coil alone added), `coilA` at running voltage, `closes` (enough voltage for the coil while the supply is at its least; null where that hangs on what is not described), `feed` (as `size-circuit`), `contactShare` (1 is full), `contactHolds`.',
    RelayInput,
    (input) => {
      refuse([...checkProtection(input.trigger, 'trigger'), ...circuitFaults(input.feed, 'feed.', input.wires)]);
      return checkRelay(input.relay, input.trigger, input.feed, input.rules ?? DEFAULT_RULES.electrics, wiresOf(input));
    },
  ),
  computation(
    'outage-cure',
    'What a vehicle makes of a lamp that takes less than it expects, and what cures it.',
    '`seen` (nothing, reported, flashes fast), `cures` (a resistor with `neededW` and `mostOhm` at the lowest voltage, `ohm` of the series, `onW` and `averageW` of heat at the highest, least `ratingW`; on metal, away from plastic), `noCures` with `because`.',
    OutageInput,
    (input) => {
      if (input.leastV > input.mostV) refuse([{ path: 'mostV', code: 'span-order', data: { from: input.leastV, to: input.mostV } }]);
      return outageCure({ ...input, series: input.series ?? 'E12', tolerance: input.tolerance ?? TOLERANCE });
    },
  ),
  computation(
    'drain',
    'How long a vehicle may stand until it may not start, before and with what is added.',
    '`beforeMa`, `afterMa`, `hoursBefore`, `hoursAfter` (null where nothing is drawn).',
    DrainInput,
    ({ capacityAh, usableShare = USABLE_SHARE, vehicleStandbyMa, added }) =>
      standingDrain({ capacityAh, usableShare, vehicleStandbyMa, addedMa: added.reduce((sum, { standbyMa }) => sum + standbyMa, 0) }),
  ),
  computation(
    'gauge',
    'A wire gauge in metric terms, or the gauge and the metric size that are not thinner than an area.',
    '`areaMm2`, `diameterMm` of the bare conductor, `ohmPerM` of pure copper at 20 °C, `metricMm2` and `gauge`, the thinnest stocked ones that are not thinner (null above the thickest).',
    GaugeInput,
    (input) => {
      refuse(oneOf(input, 'gauge', 'areaMm2'));
      const areaMm2 = input.areaMm2 ?? gaugeAreaMm2(input.gauge ?? 0);
      const diameterMm = input.gauge === undefined ? Math.sqrt((4 * areaMm2) / Math.PI) : gaugeDiameterMm(input.gauge);
      return { areaMm2, diameterMm, ohmPerM: copperOhm(1, areaMm2), metricMm2: METRIC_MM2.find((size) => size >= areaMm2 - 1e-9) ?? null, gauge: gaugeFor(areaMm2) };
    },
  ),
  computation(
    'sources',
    'What of a vehicle could feed something, best first: by behaviour, by what it bears, by what is cut, by minutes.',
    '`sources`: `kind`, `id`, `name`, `behaviour` (as wanted, otherwise or not known in `states`), `inherits` (flashing, dimming), `check` as `circuit-load` or `newFuseA` in amperes (null where no standard one does), `capacity`, `reversible`, `minutes`; `refused`: circuits and slots that are never used, with `why`.',
    SourcesInput,
    ({ wanted, loads, use = 'lamp', systemVoltageV, circuits, slots = [], neverUse = [], rules }) => {
      const open = circuits.flatMap((circuit, index) => checkProtection(circuit, `circuits[${index}]`));
      const none: Fault[] = loads.length > 0 ? [] : [{ path: 'loads', code: 'length', data: { least: 1 } }];
      refuse([...duplicateIds(circuits, 'circuits'), ...open, ...none]);
      const shop = { ...DEFAULT_RULES, electrics: rules ?? DEFAULT_RULES.electrics };
      return rankSources({ wanted: BEHAVIOURS[wanted], loads, use, systemVoltageV, circuits, slots, neverUse }, shop);
    },
  ),
  computation(
    'route',
    'The cheapest safe way for a cable to each lamp, which leg goes to which, and what the bundle wants to be covered by.',
    '`lamps`: for each its `paths`, cheapest first (`segments`, `places`, `lengthMm`, `costMm` weighed by hazards, `hazards`; empty where none leads there) and `neededMm` for the first; `legs` as `harness-legs`, `extensionMm` of all; `bundleMm`, `loomMm`, `shrinkMm` (3 to 1; null above the largest) where wires are given.',
    RouteInput,
    (input) => {
      const few: Fault[] = input.legs && input.legs.length < input.lamps.length ? [{ path: 'legs', code: 'length', data: { least: input.lamps.length } }] : [];
      const places = new Set(input.segments.flatMap(({ from, to }) => [from, to]));
      const ends = input.lamps.flatMap(({ at }, index) => unknownId(at, places, `lamps[${index}].at`, 'place'));
      refuse([
        ...duplicateIds(input.segments, 'segments'),
        ...unknownId(input.from, places, 'from', 'place'),
        ...ends,
        ...lampsTwice(input.lamps),
        ...few,
        ...duplicateIds(input.legs ?? [], 'legs'),
      ]);
      const slackMm = input.slackEndMm ?? DEFAULT_RULES.electrics.slackEndMm;
      const lamps = input.lamps.map(({ lamp, at, liftOutMm }) => {
        const paths = cheapestPaths(input.segments, input.from, at, input.paths ?? 1);
        return { lamp, paths, neededMm: paths[0] ? neededMm(paths[0].lengthMm, slackMm, liftOutMm) : null };
      });
      const needs = lamps.flatMap(({ lamp, neededMm: needed }) => (needed === null ? [] : [{ lamp, neededMm: needed }]));
      const legs = input.legs ? assignLegs(needs, input.legs) : [];
      const bundleMm = input.wiresMm && bundleDiameterMm(input.wiresMm);
      const covers = bundleMm === undefined ? {} : { bundleMm, loomMm: boreFor(bundleMm) ?? null, shrinkMm: boreFor(bundleMm, SHRINK_RATIO) ?? null };
      return { lamps, legs, extensionMm: legs.reduce((sum, { surplusMm }) => sum + Math.max(0, -surplusMm), 0), ...covers };
    },
  ),
  computation(
    'harness-legs',
    'Which leg goes to which lamp so that the least is to be extended.',
    'A list of `lamp`, `leg`, `neededMm`, `lengthMm`, `surplusMm` (negative is to be extended).',
    LegsInput,
    ({ lamps, legs }) => {
      const few: Fault[] = legs.length < lamps.length ? [{ path: 'legs', code: 'length', data: { least: lamps.length } }] : [];
      refuse([...duplicateIds(legs, 'legs'), ...lampsTwice(lamps), ...few]);
      return assignLegs(lamps, legs);
    },
  ),
];
