import type { KitRelay } from '../kit/index.ts';
import type { ElectricsRules } from '../rules/index.ts';
import type { Circuit } from '../vehicle/index.ts';
import { voltageRange } from './current.ts';
import { checkLoad, type AddedLoad, type LoadCheck } from './load.ts';
import { sizeCircuit, type CircuitSize, type NewCircuit } from './size.ts';
import type { WireTable } from '../rules/index.ts';

/** A relay of which all is known: its coil loads the circuit that triggers it, its contact carries the feed. */
export type Relay = Required<Omit<KitRelay, 'id' | 'name'>>;

/** A relay that a shop has on its shelf, as such parts commonly are; what is printed on the part itself counts. */
const SHOP_RELAYS: Readonly<Record<12 | 24, Relay>> = { 12: { coilOhm: 85, contactA: 30, pullInV: 8 }, 24: { coilOhm: 340, contactA: 20, pullInV: 16 } };
export const shopRelay = (systemVoltageV: 12 | 24): Relay => SHOP_RELAYS[systemVoltageV];

/** What a relay's coil puts on the circuit that triggers it: its current at running voltage, and the voltage that it needs to close; at the least nothing where nobody measured it. */
export function coilLoad({ coilOhm, pullInV }: Pick<KitRelay, 'coilOhm' | 'pullInV'>, name: string, systemVoltageV: 12 | 24): AddedLoad {
  const { runningV } = voltageRange(systemVoltageV);
  const unmeasured = coilOhm === undefined || pullInV === undefined;
  return {
    name,
    powerW: coilOhm === undefined ? 0 : runningV ** 2 / coilOhm,
    atV: runningV,
    kind: 'resistive',
    ...(pullInV === undefined ? {} : { leastV: pullInV }),
    ...(unmeasured ? { unmeasured } : {}),
  };
}

export interface RelayCheck {
  /** The coil alone on the circuit that triggers it. */
  trigger: LoadCheck;
  coilA: number;
  /** Whether the coil has enough voltage to close while the supply is at its least; null where that hangs on what nobody has measured. */
  closes: boolean | null;
  /** The lamps on a feed of their own. */
  feed: CircuitSize;
  /** Load at the worst voltage as a share of what the contact carries, 1 is full. */
  contactShare: number;
  contactHolds: boolean;
}

/** Trigger and feed apart: the coil at running voltage on one circuit, the lamps on another, each judged by itself. */
export function checkRelay(relay: Relay, trigger: Circuit, feed: NewCircuit, rules: ElectricsRules, table: WireTable): RelayCheck {
  const { runningV } = voltageRange(feed.systemVoltageV);
  const coil = coilLoad(relay, 'relay coil', feed.systemVoltageV);
  const triggered = checkLoad(trigger, [coil], feed.systemVoltageV, rules, 'auxiliary');
  const sized = sizeCircuit(feed, rules, table);
  const contactShare = sized.worstA / relay.contactA;
  return {
    trigger: triggered,
    coilA: runningV / relay.coilOhm,
    closes: triggered.troubles.includes('least voltage') ? false : triggered.unknown.some((part) => part !== 'contacts') ? null : true,
    feed: sized,
    contactShare,
    contactHolds: contactShare <= rules.refuseShare + 1e-9,
  };
}
