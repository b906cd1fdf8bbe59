import { LONGEST_TEXT, MOST_PINS, type WireOpening } from '../../events/index.ts';
import { LOW_LIVE, suppliesNow, supplyBars, type JobContext } from '../../job/index.ts';
import { probedAs, plugsThere, probeOf, readingVoltage } from '../../loom/index.ts';
import type { FoundPlug, PlugSide } from '../../overlay/index.ts';
import { classOf, continuityDoubts, voltageDoubts, type PinStatus, type ProbeFunction } from '../../probing/index.ts';
import type { Side, VehiclePin, VehiclePlug } from '../../vehicle/index.ts';
import { happened, refused, tooLong, unless, type Act, type Refusal } from '../act.ts';

const plugNamed = ({ profile }: JobContext, plug: string): VehiclePlug | undefined => profile.plugs.find(({ id }) => id === plug);

/** What stands against a pin that no plug of the vehicle has. */
function pinRefused(context: JobContext, plug: string, pin: string): Refusal[] {
  return plugNamed(context, plug)?.pins.some(({ id }) => id === pin) ? [] : [{ code: 'unknown', what: 'pin', id: `${plug}/${pin}` }];
}

/** Whether a wire was last read live with the key off while the battery is still connected: continuity would be measured into its voltage. */
function isPowered(context: JobContext, plug: VehiclePlug, pin: string): boolean {
  if (suppliesNow(context).some(({ supply, is }) => supply.id === 'low' && is === 'dead')) return false;
  const { run } = probeOf(context, plug);
  const last = run.readings.findLast((reading) => reading.kind === 'voltage' && reading.pin === pin && reading.state === 'key off');
  return last?.kind === 'voltage' && classOf(last, run, context.rules.probing) !== 'off';
}

/**
 * Continuity from a pin to the body, unplugged and with nothing switched on; refused for a wire that was read live with the key off, and for what no meter shows.
 * @param ohm as the meter shows it
 */
export function takeOhm(context: JobContext, plug: string, pin: string, ohm: number): Act {
  const face = plugNamed(context, plug);
  const strange = pinRefused(context, plug, pin);
  if (!face || strange.length > 0) return refused(...strange);
  if (isPowered(context, face, pin)) return refused({ code: 'powered', pin });
  const doubts = continuityDoubts(ohm, false);
  if (doubts.length > 0) return refused({ code: 'reading-impossible', doubts });
  return happened({ type: 'continuity.measured', payload: { plug, pin, ohm } });
}

/** What is lost between a pin and the battery's negative while a load returns over the pin; a drop below the ground or above the battery is asked about. */
export function takeDrop(context: JobContext, plug: string, pin: string, dropV: number, at: string, sure = false): Act {
  const strange = pinRefused(context, plug, pin);
  if (strange.length > 0) return refused(...strange);
  if (!context.state.reference) return refused({ code: 'reference-first' });
  const doubts = voltageDoubts(dropV, dropV, readingVoltage(context), context.rules.probing);
  if (doubts.refused.length > 0) return refused({ code: 'reading-impossible', doubts: doubts.refused });
  if (doubts.asked.length > 0 && !sure) return refused({ code: 'reading-odd', doubts: doubts.asked });
  return unless(supplyBars(context, LOW_LIVE, at), () => [{ type: 'drop.measured', payload: { plug, pin, dropV } }]);
}

/** What can be looked for in a plug: what its pins are said to carry; of one that was found, what its lamps have. */
export function seekable({ state }: Pick<JobContext, 'state'>, plug: VehiclePlug): ProbeFunction[] {
  const found = state.plugsFound[plug.id];
  const said = plug.pins.map((pin) => probedAs(pin, plug)).filter((name) => !['ground', 'empty', 'unknown', 'data'].includes(name));
  return [...new Set(found ? found.may : said)];
}

/** Looks for these functions in a plug, or for nothing more there. */
export function seek(context: JobContext, plug: string, functions: readonly ProbeFunction[]): Act {
  if (!plugNamed(context, plug)) return refused({ code: 'unknown', what: 'plug', id: plug });
  if (functions.length === 0 && !context.state.sought[plug]) return refused({ code: 'nothing' });
  return happened({ type: 'probe.wanted', payload: { plug, functions: [...new Set(functions)] } });
}

/** A plug, or wires side by side, as somebody stands before it: its face from the wire side, row by row; cavities without a wire are left out. */
export interface NewFace {
  name: string;
  where: string;
  /** As somebody said; none is taken for granted. */
  side?: Side;
  /** What its lamps have, so what its wires may be. */
  may: readonly ProbeFunction[];
  /** How it locks, where somebody saw it. */
  lock?: string;
  rows: number;
  columns: number;
  /** Cavities without a wire, as `row/column`. */
  without: readonly string[];
  /** Colours by `row/column`, where somebody noted one. */
  colours: Readonly<Record<string, string>>;
}

/** Pins of a face, numbered row by row from the top left, as seen from the wire side. */
export function pinsOf({ rows, columns, without, colours }: Pick<NewFace, 'rows' | 'columns' | 'without' | 'colours'>): FoundPlug['pins'] {
  const all = Array.from({ length: rows * columns }, (_, index) => ({ id: String(index + 1), row: Math.floor(index / columns) + 1, column: (index % columns) + 1 }));
  return all
    .filter(({ row, column }) => !without.includes(`${row}/${column}`))
    .map((pin) => {
      const colour = colours[`${pin.row}/${pin.column}`]?.trim();
      return { ...pin, ...(colour ? { colour } : {}) };
    });
}

/**
 * Takes a plug in hand that the profile does not have, from its face alone, and looks for functions in it.
 * @param plug its id for good: of its name and four letters drawn by the device
 */
export function findPlug({ profile }: JobContext, face: NewFace, functions: readonly ProbeFunction[], plug: string): Act {
  const [name, where] = [face.name.trim(), face.where.trim()];
  const { side, rows, columns } = face;
  const lock = face.lock?.trim();
  const blank = [name, where].filter((text) => text === '').length + (functions.length === 0 ? 1 : 0);
  if (blank > 0 || side === undefined) return refused({ code: 'missing', count: blank + (side === undefined ? 1 : 0) });
  const pins = pinsOf(face);
  const long = [
    ...tooLong(name, LONGEST_TEXT.plugName),
    ...tooLong(where, LONGEST_TEXT.where),
    ...tooLong(lock, LONGEST_TEXT.lock),
    ...pins.flatMap(({ colour }) => tooLong(colour, LONGEST_TEXT.colour)),
  ];
  if (long.length > 0) return refused(...long);
  if (pins.length === 0) return refused({ code: 'face-impossible', why: 'no pins' });
  if (pins.length > MOST_PINS) return refused({ code: 'face-impossible', why: 'too many pins' });
  if (profile.plugs.some((other) => other.id === plug || other.name.toLowerCase() === name.toLowerCase())) return refused({ code: 'face-impossible', why: 'known already' });
  const may = [...new Set([...face.may, ...functions])];
  return happened(
    { type: 'plug.found', payload: { plug, name, where, side, may, ...(lock ? { lock } : {}), rows, columns, pins } },
    { type: 'probe.wanted', payload: { plug, functions: [...new Set(functions)] } },
  );
}

/** The insulation of a wire was opened to read it: it is sealed again before the vehicle leaves. */
export function openWire(context: JobContext, plug: string, pin: string, how: WireOpening): Act {
  const strange = pinRefused(context, plug, pin);
  if (strange.length > 0) return refused(...strange);
  if (context.state.wiresOpen[`${plug}/${pin}`] === how) return refused({ code: 'already' });
  return happened({ type: 'wire.opened', payload: { plug, pin, how } });
}

/** The colour of a wire as it was seen, on the side of the plug that is read or beyond it: a hint for the next one who looks, never a proof. */
export function noteColour(context: JobContext, plug: string, pin: string, on: PlugSide, text: string): Act {
  const colour = text.trim();
  const strange = pinRefused(context, plug, pin);
  if (strange.length > 0) return refused(...strange);
  if (colour === '') return refused({ code: 'missing', count: 1 });
  const known = plugNamed(context, plug)?.pins.find(({ id }) => id === pin);
  if ((on === 'beyond' ? known?.beyond : known?.colour) === colour) return refused({ code: 'already' });
  return unless(tooLong(colour, LONGEST_TEXT.colour), () => [{ type: 'colour.noted', payload: { plug, pin, on, colour } }]);
}

/** A wire whose insulation was opened is sealed again. */
export function sealWire({ state }: JobContext, plug: string, pin: string): Act {
  if (!state.wiresOpen[`${plug}/${pin}`]) return refused({ code: 'nothing' });
  return happened({ type: 'wire.sealed', payload: { plug, pin } });
}

/** Wires of the vehicle whose insulation is open. */
export function wiresToSeal({ state }: Pick<JobContext, 'state'>): { plug: string; pin: string; how: WireOpening }[] {
  return Object.entries(state.wiresOpen).map(([at, how]) => ({ plug: at.slice(0, at.indexOf('/')), pin: at.slice(at.indexOf('/') + 1), how }));
}

/** A place where a wire may be found that carries something. */
export interface PlaceToLook {
  plug: VehiclePlug;
  /** As what it is looked for there. */
  name: ProbeFunction;
  /** The pin that is said to carry it. */
  pin?: VehiclePin;
  /** What the readings of this job say of that pin, or of the pin that they prove to be it. */
  status?: PinStatus;
}

const FOUND_RANK = { proved: 0, said: 1, may: 2 } as const;

/** Where to look for one wire: plugs in which it is proved, then those in which it is said to be, then those that were found and may have it. */
export function placesToLook(context: JobContext, name: ProbeFunction): PlaceToLook[] {
  const places = plugsThere(context).flatMap((plug): (PlaceToLook & { rank: number })[] => {
    const { found } = probeOf(context, plug);
    const proved = found.pins.find(({ status }) => status.code === 'proved' && status.functions.includes(name));
    const said = plug.pins.find((pin) => probedAs(pin, plug) === name);
    const pin = proved ? plug.pins.find(({ id }) => id === proved.pin) : said;
    if (pin) {
      const status = found.pins.find((entry) => entry.pin === pin.id)?.status;
      return [{ plug, name, pin, ...(status ? { status } : {}), rank: proved ? FOUND_RANK.proved : FOUND_RANK.said }];
    }
    return seekable(context, plug).includes(name) ? [{ plug, name, rank: FOUND_RANK.may }] : [];
  });
  return places.sort((a, b) => a.rank - b.rank).map(({ rank: _rank, ...place }) => place);
}

/** What one wire is looked for as: what the plugs of this vehicle carry, or may. */
export function wiresToSeek(context: JobContext): ProbeFunction[] {
  return [...new Set(plugsThere(context).flatMap((plug) => seekable(context, plug)))];
}
