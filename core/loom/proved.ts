import { asPinFunction, type PinStatus, type ProbeFunction } from '../probing/index.ts';
import type { PinFunction } from '../states/index.ts';
import type { ProvedPin, VehiclePin, VehiclePlug, VehicleProfile } from '../vehicle/index.ts';
import type { JobContext } from '../job/index.ts';
import { probeOf, type PlugProbe } from './plug-probe.ts';

/** A pin of a plug with what the readings of a job say of it. */
export interface MappedPin {
  plug: VehiclePlug;
  pin: VehiclePin;
  status?: PinStatus;
  /** How likely what it is most likely is. */
  chance?: number;
  /** Readings of it that count. */
  readings: number;
}

/** Plugs of the vehicle of which something was read, in the order of the profile. */
export function plugsRead(context: JobContext): PlugProbe[] {
  const { readings, continuity, drops } = context.state;
  const read = new Set([...Object.keys(readings), ...Object.keys(continuity), ...Object.keys(drops)]);
  return context.profile.plugs.filter((plug) => plug.pins.some(({ id }) => read.has(`${plug.id}/${id}`))).map((plug) => probeOf(context, plug));
}

/** What is known of every pin of the plugs of which something was read. */
export function mappedPins(context: JobContext): MappedPin[] {
  return plugsRead(context).flatMap(({ plug, run, found }) =>
    plug.pins.map((pin): MappedPin => {
      const entry = found.pins.find((other) => other.pin === pin.id);
      const [best] = entry?.chances ?? [];
      return {
        plug,
        pin,
        ...(entry ? { status: entry.status } : {}),
        ...(best ? { chance: best.chance } : {}),
        readings: run.readings.filter((reading) => reading.pin === pin.id).length,
      };
    }),
  );
}

/** What a profile would have of a pin that was proved: what it carries now, and before; nothing before in a plug that the profile does not have. */
export interface PinLearned {
  plug: string;
  plugName: string;
  pin: string;
  was?: PinFunction;
  is: PinFunction;
  readings: number;
}

/** Why a pin that was proved is not taken into the profile. */
export interface PinLeft {
  plug: string;
  plugName: string;
  pin: string;
  why: 'no such pin' | 'no one place';
}

export interface ProfileLearned {
  profile: VehicleProfile;
  learned: PinLearned[];
  left: PinLeft[];
}

const provedOf = ({ status }: MappedPin): ProbeFunction[] => (status?.code === 'proved' ? status.functions : []);

/** What of proved functions a pin of a profile can carry: several on one wire, or both turn signals, are nothing that it can. */
const carriesOf = ([name, ...more]: readonly ProbeFunction[]): PinFunction => (name && more.length === 0 ? asPinFunction(name) : 'unknown');

/** What a pin carries as it was proved on this job; undefined where that is not proved, or is nothing that a profile can say. */
export function carriesProved(context: JobContext, plug: VehiclePlug, pin: VehiclePin): PinFunction | undefined {
  const status = probeOf(context, plug).found.pins.find((entry) => entry.pin === pin.id)?.status;
  const carries = status?.code === 'proved' ? carriesOf(status.functions) : 'unknown';
  return carries === 'unknown' ? undefined : carries;
}

/** The circuit that a pin hangs on by what it carries: that of the pin that was said to carry it; none where that is not known. */
function circuitFor(plug: VehiclePlug | undefined, pin: VehiclePin, is: PinFunction): Pick<VehiclePin, 'circuit' | 'channel'> {
  const said = pin.carries === is ? pin : plug?.pins.find((other) => other.carries === is);
  return { ...(said?.circuit === undefined ? {} : { circuit: said.circuit }), ...(said?.channel === undefined ? {} : { channel: said.channel }) };
}

/**
 * A profile with what this job proved of its plugs: what a pin carries, when it was proved and by how many readings. A plug that was found is taken in with what is proved of
 * it, the rest as not known. What is only likely is left out, and a pin that the profile does not have is told.
 * @param newest the profile as it stands now, which may be newer than the one that the job pins
 * @param on day of the proof, as `2026-03-05`
 */
export function withProved(context: JobContext, newest: VehicleProfile, on: string): ProfileLearned {
  const pins = mappedPins(context).filter((entry) => provedOf(entry).length > 0);
  const left: PinLeft[] = [];
  const taken = pins.flatMap((entry) => {
    const { plug, pin } = entry;
    const isFound = context.state.plugsFound[plug.id] !== undefined;
    const there = isFound || newest.plugs.find(({ id }) => id === plug.id)?.pins.some(({ id }) => id === pin.id);
    const is = carriesOf(provedOf(entry));
    if (there && is !== 'unknown') return [{ ...entry, is }];
    left.push({ plug: plug.id, plugName: plug.name, pin: pin.id, why: there ? 'no one place' : 'no such pin' });
    return [];
  });
  const provedAt = (plug: string, pin: string) => taken.find((entry) => entry.plug.id === plug && entry.pin.id === pin);
  const proved = (readings: number): ProvedPin => ({ on, readings });
  const pinOf = (plug: VehiclePlug, pin: VehiclePin): VehiclePin => {
    const entry = provedAt(plug.id, pin.id);
    if (!entry) return pin;
    const { circuit: _circuit, channel: _channel, ...rest } = pin;
    const { 'this side': colour, beyond } = context.state.colours[`${plug.id}/${pin.id}`] ?? {};
    return {
      ...rest,
      ...(colour === undefined ? {} : { colour }),
      ...(beyond === undefined ? {} : { beyond }),
      carries: entry.is,
      ...circuitFor(plug, pin, entry.is),
      proved: proved(entry.readings),
    };
  };
  const found = Object.keys(context.state.plugsFound).filter((id) => taken.some(({ plug }) => plug.id === id) && !newest.plugs.some((plug) => plug.id === id));
  const plugs = [
    ...newest.plugs.map((plug) => ({ ...plug, pins: plug.pins.map((pin) => pinOf(plug, pin)) })),
    ...context.profile.plugs.filter(({ id }) => found.includes(id)).map((plug) => ({ ...plug, pins: plug.pins.map((pin) => pinOf(plug, pin)) })),
  ];
  const learned = taken.map(({ plug, pin, is, readings }): PinLearned => {
    const was = newest.plugs.find(({ id }) => id === plug.id)?.pins.find(({ id }) => id === pin.id)?.carries;
    return { plug: plug.id, plugName: plug.name, pin: pin.id, ...(was === undefined ? {} : { was }), is, readings };
  });
  return { profile: { ...newest, plugs }, learned, left };
}
