import { openingDone } from '../../plan/index.ts';
import { lampWires, legRoutes, probedAs, probeOf, readingVoltage, soughtIn, wireJoints, type PlugProbe, type WireJoint } from '../../loom/index.ts';
import { LOW_LIVE, once, supplyBars, type JobContext } from '../../job/index.ts';
import { checkReference, goOn, nextReadings, voltageDoubts, type NextReading, type Reading, type ReadingBatch, type ReferenceVerdict } from '../../probing/index.ts';
import { VEHICLE_STATES, type VehicleState } from '../../states/index.ts';
import { key } from '../../subject/index.ts';
import type { PlugPin } from '../../vehicle/index.ts';
import { SOURCE_MINUTES, voltageRange } from '../../wiring/index.ts';
import { refused, unless, type Act } from '../act.ts';
import { question, todo, type Asked } from '../hold.ts';
import { askedOfTwins } from '../same-place.ts';

import { wiresToSeal } from './plug.ts';

/** A wire that wants proof, with the plug it is in. */
export type WireToProve = WireJoint['toProve'][number];

/** All wires of the job that want proof, each once. */
export function wiresToProve(context: JobContext): WireToProve[] {
  const wires = wireJoints(context).flatMap(({ toProve }) => toProve);
  return [...new Map(wires.map((wire) => [`${wire.plug.id}/${wire.pin.id}`, wire])).values()];
}

/** Plugs with a wire that wants proof, and those in which something is looked for, with what their readings say. */
export function plugsToProbe(context: JobContext): PlugProbe[] {
  const sought = context.profile.plugs.filter(({ id }) => soughtIn(context, id).length > 0);
  const plugs = new Map([...wiresToProve(context).map(({ plug }) => plug), ...sought].map((plug) => [plug.id, plug]));
  return [...plugs.values()].map((plug) => probeOf(context, plug));
}

/** The reading to take now: at which pin, in which state, and what comes with it. */
export interface ProbeNow {
  probe: PlugProbe;
  pin: PlugPin;
  reading: NextReading;
  /** Readings in the same state before the helper switches again. */
  batch: ReadingBatch;
  /** What probing this plug is expected to take yet, and what a wire from the lamp would, where its way is known; in minutes. */
  leftMin: number;
  wireMin?: number;
  go: ReturnType<typeof goOn>;
}

/** Minutes for a wire from the lamp: laying its leg, and joining it at a circuit; unknown where the ways of the vehicle are not described. */
function wireMinutes(context: JobContext, plug: string): number | undefined {
  const lamps = wireJoints(context).filter((joint) => joint.vehiclePlug.id === plug);
  const routes = (legRoutes(context) ?? []).filter(({ kit, lamp, path }) => path && lamps.some((joint) => joint.kit.slug === kit && joint.connection.lamps.includes(lamp)));
  const [first] = routes;
  return first?.path ? first.path.layMin + SOURCE_MINUTES['lamp circuit'] : undefined;
}

/**
 * What to read now, of all plugs whose wires are not proved: first where the helper need not switch, then on the plug where the probe is, then in the order of the joints.
 * Only wires that the job uses are sought, and what somebody looks for, which goes first.
 */
export const probeNow = once((context: JobContext): ProbeNow | undefined => {
  const at = context.state.lastRead;
  const open = wiresToProve(context).filter(({ proof }) => proof.code !== 'proved');
  const offers = plugsToProbe(context).flatMap((probe): ProbeNow[] => {
    const joints = open.filter(({ plug }) => plug.id === probe.plug.id).map(({ pin }) => probedAs(pin, probe.plug));
    const wanted = [...new Set([...joints, ...soughtIn(context, probe.plug.id)])];
    if (wanted.length === 0) return [];
    const next = nextReadings({ ...probe.run, wanted }, context.rules.probing, at?.state);
    const { batch, now } = next.step;
    const pin = probe.plug.pins.find(({ id }) => id === now?.pin);
    if (!batch || !now || !pin) return [];
    const wireMin = wireMinutes(context, probe.plug.id);
    return [{ probe, pin, reading: now, batch, leftMin: next.step.leftMin, ...(wireMin === undefined ? {} : { wireMin }), go: goOn(next, wireMin) }];
  });
  // What somebody took in hand goes before what the joints want.
  const rank = ({ reading, probe }: ProbeNow) => (soughtIn(context, probe.plug.id).length > 0 ? 0 : 3) + (reading.state === at?.state ? 0 : probe.plug.id === at?.plug ? 1 : 2);
  return [...offers].sort((a, b) => rank(a) - rank(b))[0];
});

/** Whether a reading wants to be told what a test lamp does to it: only that shows that a supply which never goes off carries. */
export const wantsLamp = ({ probe, pin }: Pick<ProbeNow, 'probe' | 'pin'>): boolean => probedAs(pin, probe.plug) === 'constant supply';

/** States to read in: those that make a wire of the job live, the one in which none is, those that were read, and the one to read now. */
export function statesToRead(context: JobContext): VehicleState[] {
  const read = plugsToProbe(context).flatMap(({ run }) => run.readings.flatMap((reading) => (reading.kind === 'voltage' ? [reading.state] : [])));
  const now = probeNow(context)?.reading.state;
  const states = new Set<VehicleState>([...wiresToProve(context).map((wire) => wire.state), 'key off', ...read, ...(now ? [now] : [])]);
  return VEHICLE_STATES.filter((state) => states.has(state));
}

export function asked(context: JobContext): Asked[] {
  const wires = wiresToProve(context);
  const unsealed = wiresToSeal(context).map(({ plug, pin, how }) => todo('wire-open', { plug, pin, how }, key({ kind: 'open-wire', plug, pin })));
  const otherwise = lampWires(context).flatMap(({ kit, plug, pin, tried }): Asked[] => {
    const [fault] = tried?.faults ?? [];
    return fault ? [question('lamp-otherwise', { kit: kit.slug, plug: plug.id, pin: pin.id, fault }, key({ kind: 'lamp-wire', kit: kit.slug, wire: `${plug.id}/${pin.id}` }))] : [];
  });
  const twice = askedOfTwins(context, 'plugs');
  if (wires.length === 0) return [...twice, ...unsealed, ...otherwise];
  const reference = context.state.reference ? [] : [todo('reference-missing')];
  const open = wires.flatMap(({ plug, pin, proof }): Asked[] => {
    const data = { plug: plug.id, pin: pin.id, carries: pin.carries };
    const about = key({ kind: 'wire', plug: plug.id, pin: pin.id });
    if (proof.code === 'proved') return [];
    return ['contradictory', 'unclear', 'otherwise'].includes(proof.code) ? [question('wire-contradictory', data, about)] : [todo('wire-unproved', data, about)];
  });
  return [...twice, ...reference, ...open, ...unsealed, ...otherwise];
}

export function begun({ state }: JobContext): boolean {
  return state.reference !== undefined || Object.keys(state.readings).length > 0;
}

/** Where nothing is asked it is settled only once all is open: before that nobody can have seen it. */
export const ready = (context: JobContext): boolean => openingDone(context);

/** What the reference check says, held against the battery as measured at rest, else the system's voltage at rest. */
export function referenceVerdict({ state, profile, rules }: JobContext, groundV: number, feedV: number): ReferenceVerdict {
  return checkReference(groundV, feedV, state.restV ?? voltageRange(profile.systemVoltageV).restV, rules.probing);
}

/** The reference check that opens a run of readings. */
export function checkedReference(context: JobContext, groundV: number, feedV: number, at: string): Act {
  const verdict = referenceVerdict(context, groundV, feedV);
  if (verdict.code !== 'good') return refused({ code: 'reference', verdict });
  return unless(supplyBars(context, LOW_LIVE, at), () => [{ type: 'reference.checked', payload: { groundV, feedV } }]);
}

/**
 * A reading at a pin in one state of the vehicle; voltages are read with the supply live. What a meter cannot show is refused; what is odd is asked about first.
 * @param sure it was asked about, and is so
 */
export function take(context: JobContext, plug: string, pin: string, reading: Reading, at: string, sure = false): Act {
  if (!plugsToProbe(context).some((probe) => probe.plug.id === plug && probe.plug.pins.some(({ id }) => id === pin)))
    return refused({ code: 'unknown', what: 'pin', id: `${plug}/${pin}` });
  if (!context.state.reference) return refused({ code: 'reference-first' });
  const doubts = voltageDoubts(reading.lowV, reading.highV, readingVoltage(context), context.rules.probing);
  if (doubts.refused.length > 0) return refused({ code: 'reading-impossible', doubts: doubts.refused });
  if (doubts.asked.length > 0 && !sure) return refused({ code: 'reading-odd', doubts: doubts.asked });
  return unless(supplyBars(context, LOW_LIVE, at), () => [{ type: 'reading.taken', payload: { plug, pin, ...reading } }]);
}
