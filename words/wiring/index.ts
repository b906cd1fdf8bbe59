import type { ReasonTree } from '@jade/core/facts';
import type { LedWire } from '@jade/core/job';
import type { StandingDraw, WatchedLamp, WireBranch, WireJoint, WireLane } from '@jade/core/loom';
import type { Circuit, Load, MonitorKind } from '@jade/core/vehicle';
import type { Cure, CureTrouble, LoadCheck, MateTrouble, MateVerdict, PinVerdict, PlugFamily } from '@jade/core/wiring';
import { sayCondition } from '@jade/words/match';
import { amperes, inSentence, percent, plural, stated } from '@jade/words/units';

export * from './joints.ts';
export * from './loads.ts';
export * from './plugs.ts';
export * from './routes.ts';
export * from './sources.ts';

export const MATE_WORDS: Record<MateVerdict['value'], string> = {
  mates: 'Plug meets plug, pin by pin',
  'mates with pins wrong': 'Plugs meet, but pins are wrong',
  'does not mate': 'These plugs do not meet',
};
/** Two plugs held against each other, as their drawing is called. */
export const sayFacesOf = ({ vehiclePlug, kitPlug, mate }: Pick<WireJoint, 'vehiclePlug' | 'kitPlug' | 'mate'>): string =>
  `${vehiclePlug.name} against ${kitPlug.name}: ${MATE_WORDS[mate.value]}`;
export const PIN_WORDS: Record<PinVerdict, string> = {
  meets: 'meets',
  swapped: 'carries something else',
  'nothing there': 'no contact in the vehicle plug',
  'left over': 'left over, cap it',
  spare: 'empty on both',
};

/** Why two plugs do not go together. */
export function sayMateTrouble(trouble: MateTrouble): string {
  switch (trouble.code) {
    case 'family':
      return `The vehicle has family ${trouble.vehicle}, the kit ${trouble.kit}.`;
    case 'gender':
      return `Both have ${trouble.gender}.`;
    case 'keying':
      return `Keying ${trouble.vehicle} on the vehicle, ${trouble.kit} on the kit.`;
    case 'face':
      return `The vehicle’s face is ${trouble.vehicle}, the kit’s ${trouble.kit}.`;
  }
}

/** That a meeting of two plugs is only one of several, while it is not known which. */
export function sayOnlyWhere(tree: ReasonTree, factName: (id: string) => string): string {
  return `Only where ${sayCondition(tree, factName)}, which is not known yet: settle it at Check in.`;
}

/** What guards a circuit: its fuse with its slot, the main fuse of one fed straight from the battery, or an output with its limit. */
export function sayProtection({ fuse, output, batteryToFuseMm }: Pick<Circuit, 'fuse' | 'output' | 'batteryToFuseMm'>): string {
  if (output) return `output ${output.slot}, limits itself at ${stated(output.limitA, 'A')}`;
  if (!fuse) return 'nothing that guards it';
  return batteryToFuseMm === undefined ? `fuse ${fuse.slot}, ${stated(fuse.ratedA, 'A')}` : `main fuse ${stated(fuse.ratedA, 'A')}`;
}

/** A fuse that was seen in its slot: as it is documented, or another one. */
export function sayFuseSeen(seenA: number | undefined, documentedA: number | undefined): string {
  if (seenA === undefined) return 'The fuse is taken as documented until it was looked at.';
  if (documentedA === undefined) return `Fuse seen: ${stated(seenA, 'A')}, as documented.`;
  return `A fuse of ${stated(seenA, 'A')} sits where ${stated(documentedA, 'A')} is documented. Find out why before you go on; nothing is added to a circuit whose fuse was made larger.`;
}

/** Why a load that was accepted is asked for again. */
export function sayWithdrawn(acceptedA: number, { afterA }: Pick<LoadCheck, 'afterA'>): string {
  return `${amperes(acceptedA)} were accepted, and it is ${amperes(afterA)} now: look at it again.`;
}

const WATCHES: Record<MonitorKind, string> = {
  steady: 'by its current while it is on',
  'pulses when off': 'by short pulses while it is off',
  modulated: 'by the current of a chopped supply',
};

/** What the vehicle makes of a lamp, what cures it and what is of no use; `itemName` names a part of a kit. */
export function sayWatched({ channel, beforeW, afterW, answer, brought, glows, value }: WatchedLamp, itemName: (kit: string, item: string) => string): string {
  const base = `The vehicle watches it ${WATCHES[channel.kind]}: ${stated(beforeW, 'W')} hung on it, ${stated(round(afterW), 'W')} do now, and below ${stated(channel.thresholdW, 'W')} it ${channel.flashes ? 'flashes fast' : 'reports the lamp'}.`;
  const glow = glows ? [' Off, the lamp may glow or flicker by the pulses.'] : [];
  if (value === 'as it was') return `${base} It sees nothing.${glow.join('')}`;
  const good = brought.filter(({ trouble }) => !trouble).map(({ kit, item }) => inSentence(itemName(kit.slug, item.id)));
  if (value === 'cured') return `${base} Cured by what the kit brings: ${good.join(', ')}.${glow.join('')}`;
  const bad = brought.flatMap(({ kit, item, trouble }) => (trouble ? [`${itemName(kit.slug, item.id)}: ${sayCureTrouble(trouble)}.`] : []));
  const cures = answer.cures.map(sayCure);
  const none = answer.noCures.some(({ cure, because }) => cure === 'resistor' && because === 'kind') ? ['A resistor cannot satisfy it.'] : [];
  return [base, ...bad, cures.length > 0 ? `It would be cured by ${cures.join(', or ')}.` : 'Nothing cures it.', ...none, ...glow.map((text) => text.trim())].join(' ');
}

/** What a way through a joint ends in: the lamps that it feeds, counted where they are many, or a relay's coil. */
export function sayEnds({ loads, ends }: Pick<WireBranch, 'loads' | 'ends'>): string {
  if (ends === 'coil') return `${loads[0]?.name ?? 'relay'}, coil only`;
  if (loads.length > 2) return `${loads.length} lamps, ${stated(round(loads.reduce((sum, load) => sum + load.powerW, 0)), 'W')}`;
  return loads.map(({ name, powerW }) => `${name} ${stated(powerW, 'W')}`).join('; ');
}

/** What guards a lane, for its box in the picture: name, guard, load. */
export function sayGuard({ load, source }: WireLane): string[] {
  const { fuse, output } = load.circuit;
  const what = output
    ? `${output.slot}, ${stated(output.limitA, 'A')}`
    : source === 'battery'
      ? `battery, ${stated(fuse?.ratedA ?? 0, 'A')}`
      : `${fuse?.slot ?? ''}, ${stated(fuse?.ratedA ?? 0, 'A')}`;
  const share = percent(load.check.shareAfter);
  return [load.circuit.name, what, load.check.unknown.length > 0 ? `${share} or more` : share];
}

/** What a joint of the picture is called, for eye and ear. */
export function sayJoint({ vehiclePlug, tapped, joined, plugless, kitPlug }: Pick<WireJoint, 'vehiclePlug' | 'tapped' | 'joined' | 'plugless' | 'kitPlug'>): string {
  const what = plugless ? `${kitPlug.name}, wire by wire` : tapped ? `${vehiclePlug.name}, wire of pin ${tapped.id}` : vehiclePlug.name;
  return joined ? `${what}, joined` : what;
}

/** Where a wire of a kit is led to, in short. */
export function sayLedShort({ to, at }: LedWire): string {
  const wire = at ? `wire of pin ${at.pin.id} of ${inSentence(at.plug.name)}` : '';
  switch (to.at) {
    case 'wire':
      return `joined to the ${wire}`;
    case 'slot':
      return `by a tap at slot ${to.slot ?? ''}`;
    case 'battery':
      return `from the battery over a relay that the ${wire} closes`;
    case 'ground':
      return 'to a ground point of the body';
  }
}

/** Where the wires of a joint are led that do not go into its plug. */
export const sayLed = ({ led }: Pick<WireJoint, 'led'>): string =>
  `Led elsewhere: ${led.map((wire) => `pin ${wire.pin.id}, ${wire.pin.carries}, ${sayLedShort(wire)}`).join('; ')}.`;

/** What can hurt or come back wet where wires are led elsewhere; undefined where nothing of the kind is. */
export function sayLedCaution({ led }: Pick<WireJoint, 'led'>, { mainFuseWithinMm }: { mainFuseWithinMm: number }): string | undefined {
  if (led.some(({ to }) => to.at === 'battery'))
    return `Battery negative off first and on last. Main fuse within ${stated(mainFuseWithinMm, 'mm')} of the positive post and put in last. Relay on metal, dry, its terminals down; rings on bare metal at full tightness.`;
  return led.some(({ to }) => to.at === 'slot')
    ? 'Key off before a fuse is drawn. The tap is turned so that the added load does not pass through the original fuse; measure which side is fed.'
    : undefined;
}

/** Where hands find the plugs of a joint. */
export function sayWhereToLook({ vehiclePlug, between, plugless, led }: Pick<WireJoint, 'vehiclePlug' | 'between' | 'plugless' | 'led'>): string {
  const away = led.flatMap(({ at }) => (at && (plugless || at.plug.id !== vehiclePlug.id) ? [`${at.plug.name}: ${at.plug.whereToLook}`] : []));
  return [...new Set([...(plugless ? [] : [(between?.plug ?? vehiclePlug).whereToLook]), ...away])].join(' · ');
}

/** How a joint was made. */
export function sayJoinedHow({ tapped, between, led, plugless }: Pick<WireJoint, 'tapped' | 'between' | 'led' | 'plugless'>): string {
  if (tapped) return `wire of pin ${tapped.id} tapped and sealed`;
  const away = led.map((wire) => `pin ${wire.pin.id} ${sayLedShort(wire)}`).join(', ');
  if (plugless) return `wire by wire: ${away}`;
  const leads = between ? ` by ${between.chain.adapters.map(({ name }) => inSentence(name)).join(', then ')}` : '';
  return `plug to plug${leads}, ${away === '' ? 'nothing cut' : away}`;
}

/** Whether one wire of the vehicle may be tapped by a lead, with what they carry. */
export function sayTap({ tapped, kitPlug, mate }: Pick<WireJoint, 'tapped' | 'kitPlug' | 'mate'>): string {
  const wire = `the ${tapped?.colour ? `${tapped.colour} ` : ''}wire of pin ${tapped?.id ?? ''} carries ${tapped?.carries ?? 'nothing'}`;
  const wanted = kitPlug.pins[0]?.carries ?? 'nothing';
  return mate.value === 'mates' ? `Tap: ${wire}, as the lead wants.` : `Not to be tapped: ${wire}, and the lead wants ${wanted}.`;
}

/** What comes before a joint is closed: leads between, a turn, what a tap wants; empty where nothing does. */
export function sayFirst({
  tapped,
  verdict,
  between,
  plugless,
  led = [],
}: Pick<WireJoint, 'tapped' | 'verdict' | 'between'> & Partial<Pick<WireJoint, 'plugless' | 'led'>>): string {
  if (plugless) return `Key off. Sleeve on before each joint closes: ${led.map((wire) => `pin ${wire.pin.id} ${sayLedShort(wire)}`).join('; ')}.`;
  if (tapped) return 'Key off. Sleeve on before the connector closes.';
  const leads = between ? `Between them: ${between.chain.adapters.map(({ name }) => inSentence(name)).join(', then ')}. ` : '';
  const turn = verdict?.value === 'turn it' ? 'Turn it by half a turn. ' : '';
  return `${leads}${turn}Key off.`;
}

/** What closes a joint, and how it is tried. */
export function sayHowToJoin(
  { tapped, vehiclePlug, verdict, between, plugless }: Pick<WireJoint, 'tapped' | 'vehiclePlug' | 'verdict' | 'between' | 'plugless'>,
  family?: PlugFamily,
): string {
  if (plugless) return 'No plug is parted. Each wire of the vehicle is proved at Probe first, then key off; sleeve on, pull once, seal what was bared.';
  if (tapped) return 'Prove the wire at Probe first, then key off. Connector for both conductors and insulations, sleeve on before it closes, pull once, seal what was bared.';
  const turn = verdict?.value === 'turn it' ? 'Turn it by half a turn. ' : '';
  const seal = family?.sealed ? ' Its seal is in its place and clean.' : '';
  const hold = `Hold the contacts from backing out, push until it is home, then pull once.${seal}`;
  if (between) {
    const leads = between.chain.adapters.map(({ name }) => inSentence(name)).join(', then ');
    const atLamp = family ? ` At the kit: ${family.lock}${family.secondLock ? `, then ${family.secondLock}` : ''}.` : '';
    return `Put ${leads} between. At the vehicle: ${between.plug.lock}.${atLamp} ${turn}${hold}`;
  }
  const second = family?.secondLock && !vehiclePlug.lock.includes(family.secondLock) ? ` Then ${family.secondLock}.` : '';
  return `${turn}Lock: ${vehiclePlug.lock}.${second} ${hold}`;
}

export const WATCHED_WORDS: Record<WatchedLamp['value'], string> = { 'as it was': 'sees nothing', cured: 'the kit brings the cure', open: 'not cured' };

/** That it is not known how a vehicle watches its lamps. */
export function sayNotDescribed(): string {
  return 'Whether this vehicle watches its lamps is not described. Look for a report, fast flashing and a glow while off when the lamps are tried.';
}

/** On paper: what the vehicle makes of a lamp. */
export function sayWatchedShort(value: WatchedLamp['value'], flashes: boolean, accepted: boolean): string {
  if (value === 'as it was') return 'by the figures it sees nothing';
  if (value === 'cured') return 'a part of the kit is made for it';
  const seen = `by the figures ${flashes ? 'it flashes fast' : 'it is reported as out'}`;
  return accepted ? `${seen}, left so` : seen;
}

const round = (watts: number) => Math.round(watts * 10) / 10;

function sayCure(cure: Cure): string {
  switch (cure.cure) {
    case 'flasher':
      return 'a flasher that does not look at the load';
    case 'decoder':
      return 'a decoder made for this vehicle';
    case 'coding':
      return 'coding by the maker’s procedure';
    case 'resistor':
      return `a resistor of ${stated(cure.ohm, 'Ω')}, rated ${stated(Math.ceil(cure.ratingW), 'W')} or more, on metal and away from plastic (it gives off ${stated(round(cure.onW), 'W')} while on)`;
  }
}

function sayCureTrouble(trouble: CureTrouble): string {
  switch (trouble.code) {
    case 'of no use':
      return 'of no use against this kind of watching';
    case 'too many ohms':
      return `its ${stated(trouble.ohm, 'Ω')} take too little, at most ${stated(round(trouble.mostOhm), 'Ω')} would do`;
    case 'too little rating':
      return `it may give off ${stated(trouble.ratingW, 'W')}, and ${stated(Math.ceil(trouble.neededW), 'W')} are wanted`;
  }
}

const days = (hours: number) => plural(Math.floor(hours / 24), 'day');

/** How long a vehicle may stand with what its kits draw, with the numbers that it comes from. */
export function sayStanding({ addedMa, unmeasured, lasts }: StandingDraw): string {
  if (unmeasured)
    return `While it stands the kits draw ${addedMa > 0 ? `${stated(addedMa, 'mA')} and ` : ''}what ${unmeasured} ${unmeasured === 1 ? 'lamp takes' : 'lamps take'} while off, which nobody has measured: how long the battery lasts is not known.`;
  if (!lasts) return `While it stands the kits draw ${stated(addedMa, 'mA')}. Nobody has described the battery of this kind of vehicle: how long it lasts is not known.`;
  const { beforeMa, afterMa, hoursBefore, hoursAfter, capacityAh, usableShare } = lasts;
  const drawn = `While it stands the vehicle draws ${stated(beforeMa, 'mA')}, and the kits ${stated(afterMa - beforeMa, 'mA')} more.`;
  const without = hoursBefore === null ? '' : `; without the kits it would be ${days(hoursBefore)}`;
  return `${drawn} After ${days(hoursAfter ?? 0)} it may not start${without} (${percent(usableShare)} of ${stated(capacityAh, 'Ah')}).`;
}

/** Loads added to a circuit; those that are alike are counted. */
export function sayAdded(loads: readonly Load[]): string {
  const alike = new Map<string, Load[]>();
  for (const load of loads) {
    const key = `${load.powerW}/${load.atV}/${load.kind}`;
    alike.set(key, [...(alike.get(key) ?? []), load]);
  }
  return [...alike.values()]
    .map((list) => {
      const [{ name, powerW, atV, kind } = { name: '', powerW: 0, atV: 0, kind: '' }] = list;
      const what = list.length > 2 ? `${list.length} lamps, ${inSentence(name)} and alike, each` : list.map((load) => inSentence(load.name)).join(' and ');
      return `${what}${list.length === 2 ? ', each' : ''} ${stated(powerW, 'W')} at ${stated(atV, 'V')}, ${kind}`;
    })
    .join('; ');
}

export * from './views.ts';
export * from './capture.ts';
