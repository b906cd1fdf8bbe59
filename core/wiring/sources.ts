import { classifyReading, type Reading } from '../probing/index.ts';
import type { ElectricsRules, RuleSet } from '../rules/index.ts';
import { liveWith, type VehicleState } from '../states/index.ts';
import type { Circuit, Load } from '../vehicle/index.ts';
import { currentsOf, voltageRange } from './current.ts';
import type { DropUse } from './drop.ts';
import { smallestFuseA } from './fuse.ts';
import { checkLoad, type LoadCheck } from './load.ts';

/** When something is to be fed: in all of these states, and in none of those. */
export interface Behaviour {
  on: VehicleState[];
  off: VehicleState[];
}

export const WANTED = ['with ignition', 'parking', 'main beam', 'off with main beam', 'own switch', 'backlight'] as const;
export type Wanted = (typeof WANTED)[number];

/** What is wanted, as the states that tell it from the others. What goes out with main beam is on with dipped beam alone. */
export const BEHAVIOURS: Readonly<Record<Wanted, Behaviour>> = {
  'with ignition': { on: ['ignition'], off: ['key off'] },
  parking: { on: ['parking'], off: ['key off', 'ignition'] },
  'main beam': { on: ['main'], off: ['dipped', 'key off'] },
  'off with main beam': { on: ['dipped'], off: ['main', 'key off'] },
  // Its switch turns it off, so that a supply which stays will do.
  'own switch': { on: ['ignition'], off: [] },
  backlight: { on: ['parking'], off: ['key off', 'ignition'] },
};

/** A fuse slot that was measured on this vehicle. */
export interface MeasuredSlot {
  slot: string;
  name: string;
  /** What is printed on the fuse that sits in it, where that was looked at. */
  ratedA?: number;
  /** Largest fuse that the slot may hold; not known where it is not said. */
  mostA?: number;
  readings: Reading[];
  /** Named where nobody may work on it. */
  neverUse?: string;
}

export const SOURCE_KINDS = ['switch output', 'lamp circuit', 'fuse tap', 'battery with relay'] as const;
export type SourceKind = (typeof SOURCE_KINDS)[number];

/** How a source behaves against what is wanted; in which states it is otherwise, or was not measured. */
export type SourceBehaviour = { value: 'as wanted' } | { value: 'otherwise'; states: VehicleState[] } | { value: 'not known'; states: VehicleState[] };
/** What a lamp takes over from its source. */
export type Inherited = 'flashing' | 'dimming';

export interface Source {
  kind: SourceKind;
  /** Circuit or slot that it is; of a battery feed what triggers its relay. */
  id: string;
  name: string;
  behaviour: SourceBehaviour;
  inherits: Inherited[];
  /** How the circuit bears the load; of a tap and of a battery feed there is a fuse of its own. */
  check?: LoadCheck;
  newFuseA?: number | null;
  /** What is printed on the fuse that sits in a slot, and stays; undefined where that is not known. */
  originalA?: number;
  capacity: 'carries' | 'tight' | 'does not carry' | 'not known';
  /** Nothing of the vehicle is cut or bared. */
  reversible: boolean;
  minutes: number;
}

/** A source that is refused whatever it bears, by name. */
export interface RefusedSource {
  id: string;
  name: string;
  /** Absent where it is the shop's rules that never use it. */
  why?: string;
}

/** Minutes that joining each kind takes, where nothing else is said; a shop's own times are better. */
export const SOURCE_MINUTES: Readonly<Record<SourceKind, number>> = { 'switch output': 4, 'lamp circuit': 10, 'fuse tap': 12, 'battery with relay': 35 };

export interface SourceQuestion {
  wanted: Behaviour;
  loads: readonly Load[];
  use: DropUse;
  systemVoltageV: 12 | 24;
  circuits: readonly Circuit[];
  slots: readonly MeasuredSlot[];
  /** Ids of circuits that the rule set never lets be used. */
  neverUse: readonly string[];
  minutes?: Partial<Record<SourceKind, number>>;
}

function behaviourOf(liveIn: readonly VehicleState[], { on, off }: Behaviour): SourceBehaviour {
  const odd = [...on.filter((state) => !liveWith(liveIn, state)), ...off.filter((state) => liveWith(liveIn, state))];
  return odd.length === 0 ? { value: 'as wanted' } : { value: 'otherwise', states: odd };
}

/** A slot behaves as it was measured: what was not measured is not known, what flashes or is dimmed is on. */
function measuredBehaviour(
  readings: readonly Reading[],
  { on, off }: Behaviour,
  systemV: number,
  rules: RuleSet['probing'],
): { behaviour: SourceBehaviour; inherits: Inherited[] } {
  const classes = new Map(readings.map((reading) => [reading.state, classifyReading(reading, systemV, rules)]));
  const isOn = (state: VehicleState) => ['on', 'flashing', 'dimmed or modulated'].includes(classes.get(state) ?? '');
  const odd = [...on.filter((state) => classes.has(state) && !isOn(state)), ...off.filter((state) => classes.has(state) && classes.get(state) !== 'off')];
  const open = [...on, ...off].filter((state) => !classes.has(state));
  const seen = on.map((state) => classes.get(state));
  return {
    behaviour: odd.length > 0 ? { value: 'otherwise', states: odd } : open.length > 0 ? { value: 'not known', states: open } : { value: 'as wanted' },
    inherits: [...(seen.includes('flashing') ? ['flashing' as const] : []), ...(seen.includes('dimmed or modulated') ? ['dimming' as const] : [])],
  };
}

const CAPACITY = { carries: 'carries', 'not known': 'not known', warn: 'tight', refuse: 'does not carry', never: 'does not carry' } as const;
const CAPACITY_RANK = { carries: 0, tight: 1, 'not known': 2, 'does not carry': 3 } as const;
const BEHAVIOUR_RANK = { 'as wanted': 0, 'not known': 2, otherwise: 8 } as const;

/** The better source first: what behaves and bears it, then what cuts nothing, then what takes least. */
function better(a: Source, b: Source): number {
  const rank = (source: Source) => BEHAVIOUR_RANK[source.behaviour.value] + CAPACITY_RANK[source.capacity];
  return rank(a) - rank(b) || Number(b.reversible) - Number(a.reversible) || a.minutes - b.minutes || a.name.localeCompare(b.name);
}

/**
 * Sources of a vehicle for what is to be fed, best first: switch outputs and lamp circuits as they are described, fuse slots as they were
 * measured (the original fuse kept, the added load behind a fuse of its own), and the battery over a relay that a circuit of the wanted
 * behaviour triggers. Slots and circuits that are never used are refused by name.
 */
export function rankSources(question: SourceQuestion, rules: Pick<RuleSet, 'probing'> & { electrics: ElectricsRules }): { sources: Source[]; refused: RefusedSource[] } {
  const { wanted, loads, use, systemVoltageV, circuits, slots, neverUse } = question;
  const range = voltageRange(systemVoltageV);
  const minutesOf = (kind: SourceKind) => question.minutes?.[kind] ?? SOURCE_MINUTES[kind];
  const ownFuseA = smallestFuseA(currentsOf(loads, range).worstA) ?? null;
  const refusal = (id: string, name: string, why: string | undefined): RefusedSource[] => (why !== undefined ? [{ id, name, why }] : neverUse.includes(id) ? [{ id, name }] : []);
  const refused = [...circuits.flatMap((circuit) => refusal(circuit.id, circuit.name, circuit.neverUse)), ...slots.flatMap((slot) => refusal(slot.slot, slot.name, slot.neverUse))];
  const barred = new Set(refused.map(({ id }) => id));
  const described = circuits
    .filter(({ id }) => !barred.has(id))
    .map((circuit): Source => {
      const kind = circuit.output !== undefined || circuit.liveIn.some((state) => state.startsWith('output ')) ? 'switch output' : 'lamp circuit';
      const check = checkLoad(circuit, loads, systemVoltageV, rules.electrics, use);
      const flashes = wanted.on.some((state) => ['turn left', 'turn right', 'hazard'].includes(state));
      return {
        kind,
        id: circuit.id,
        name: circuit.name,
        behaviour: behaviourOf(circuit.liveIn, wanted),
        inherits: flashes ? ['flashing'] : [],
        check,
        capacity: CAPACITY[check.verdict],
        reversible: kind === 'switch output',
        minutes: minutesOf(kind),
      };
    });
  const measured = slots
    .filter(({ slot }) => !barred.has(slot))
    .map(({ slot, name, ratedA, readings, mostA }): Source => {
      const tooLarge = ownFuseA === null || (mostA !== undefined && ownFuseA > mostA);
      return {
        kind: 'fuse tap',
        id: slot,
        name,
        ...measuredBehaviour(readings, wanted, range.restV, rules.probing),
        newFuseA: ownFuseA,
        ...(ratedA === undefined ? {} : { originalA: ratedA }),
        capacity: tooLarge ? 'does not carry' : mostA === undefined ? 'not known' : 'carries',
        reversible: true,
        minutes: minutesOf('fuse tap'),
      };
    });
  const [trigger] = [...described, ...measured]
    .filter(({ behaviour }) => behaviour.value === 'as wanted')
    .sort((a, b) => Number(b.reversible) - Number(a.reversible) || a.minutes - b.minutes);
  const battery: Source[] = trigger
    ? [
        {
          kind: 'battery with relay',
          id: trigger.id,
          name: trigger.name,
          behaviour: { value: 'as wanted' },
          inherits: trigger.inherits,
          newFuseA: ownFuseA,
          capacity: ownFuseA === null ? 'does not carry' : 'carries',
          reversible: trigger.reversible,
          minutes: minutesOf('battery with relay'),
        },
      ]
    : [];
  return { sources: [...described, ...measured, ...battery].sort(better), refused };
}
