import type { BatteryWatch, LampWire, MappedPin, PinLearned, PinLeft } from '@jade/core/loom';
import type {
  PracticeClaim,
  PracticeReading,
  PracticeScore,
  Waste,
  HeldLine,
  LineFault,
  NextReading,
  PinFound,
  PinStatus,
  ProbeFunction,
  ProofStatus,
  Reading,
  ReadingClass,
  ReadingDoubt,
  ReferenceVerdict,
  Separator,
  SlotFound,
} from '@jade/core/probing';
import type { probe } from '@jade/core/stations';
import { statedA, type Behaviour, type PoweredFault } from '@jade/core/wiring';
import { onWith, type VehicleState } from '@jade/core/states';
import type { VehiclePin, VehiclePlug } from '@jade/core/vehicle';
import { sayHelperState } from '@jade/words/kit';
import { amount, percent, plural, stated, volts } from '@jade/words/units';

export const CLASS_WORDS: Record<ReadingClass, string> = {
  off: 'off',
  on: 'on',
  leak: 'leak: collapses under a test lamp',
  'dimmed or modulated': 'dimmed or modulated',
  'in between': 'in between: use a test lamp or min/max',
  flashing: 'flashing',
};

const FUNCTION_WORDS: Readonly<Partial<Record<ProbeFunction, string>>> = {
  'stop pedal': 'stop',
  unknown: 'something not in the list',
  empty: 'nothing',
  hazard: 'both turn signals',
};
/** What a wire is called by what it was probed as; several on one wire together. */
export const sayFunctions = (functions: readonly ProbeFunction[]): string => functions.map((name) => FUNCTION_WORDS[name] ?? name).join(' and ');

/** What would part what all states leave alike. */
export const SEPARATOR_WORDS: Readonly<Record<Separator, string>> = {
  continuity: 'unplugged and unpowered, continuity to the body tells',
  load: 'a load between it and the battery tells',
  'which lamp lights': 'unplug one lamp after the other and see which goes dark',
};

/** What is proved of a wire, or what is still to be read. */
export function sayProof(proof: ProofStatus): string {
  switch (proof.code) {
    case 'proved':
      return 'Proved: on with its state, off without it.';
    case 'no-reading':
      return 'Nothing read yet. Colour proves nothing.';
    case 'needs-on':
      return `Now with ${proof.state} switched on.`;
    case 'needs-off':
      return `Likely. Now switch ${proof.state} off and read again: on alone is no proof.`;
    case 'contradictory':
      return `Contradicts: with “${proof.state}” it read ${CLASS_WORDS[proof.found]}. Check the pin, the state and the reference.`;
    case 'needs-load':
      return 'On wherever it was read. Now a test lamp from it to the ground: a constant supply holds under it.';
    case 'rivals':
      return proof.state
        ? `Likely. Something else could still read like this: now with ${proof.state}.`
        : 'Likely. What these states can tell is read; something else could still read like this.';
    case 'otherwise':
      return `Proved to be ${sayFunctions(proof.functions)}, not what it is said to be.`;
    case 'alike':
      return `${proof.among.map(sayFunctions).join(' or ')}: no state parts them; ${proof.by.map((by) => SEPARATOR_WORDS[by]).join(', or ')}.`;
    case 'unclear':
      return `Unclear in “${proof.state}”: ${CLASS_WORDS[proof.found]}.`;
  }
}

/** What is odd about a reading. */
export const DOUBT_WORDS: Readonly<Record<ReadingDoubt, string>> = {
  'not a number': 'That is no number.',
  'outside what a meter shows': 'No meter shows that on a vehicle: from −30 to 60 V.',
  'lowest above highest': 'The lowest is above the highest.',
  'probes swapped': 'Below the ground: are the probes swapped?',
  'above the system': 'Above the battery of this vehicle: is the meter on its right range?',
  powered: 'Continuity is measured unplugged and unpowered only.',
};

/** Why a reading is worth taking. */
export function sayWhy({ why, vague }: Pick<NextReading, 'why' | 'vague'>, name: ProbeFunction): string {
  if (vague) return 'A middle value was seen there: keep the lowest and the highest, or try a test lamp.';
  switch (why) {
    case 'parts what it may be':
      return 'It tells what this wire may be.';
    case 'shows it on':
      return `If this is ${sayFunctions([name])}, it is on now.`;
    case 'shows it off':
      return `If this is ${sayFunctions([name])}, it is off now: on alone is no proof.`;
    case 'read again':
      return 'Once more: what was read there does not stand by itself.';
  }
}

/** How long probing is expected to take yet, and what a wire from the lamp would. */
export function sayLeft({ leftMin, wireMin, go }: { leftMin: number; wireMin?: number; go: string }): string {
  const left = `About ${stated(Math.max(1, Math.round(leftMin)), 'min')} of probing left on this plug`;
  if (wireMin === undefined) return `${left}.`;
  const wire = `a wire from the lamp about ${stated(Math.round(wireMin), 'min')}`;
  return go === 'run a wire' ? `${left}; ${wire}: run the wire.` : `${left}; ${wire}.`;
}

/** What can hurt while the vehicle is in a state; undefined where nothing more than always. */
export function sayStateCaution(state: VehicleState): string | undefined {
  if (onWith(state).includes('engine')) return 'Engine running: doors open or extraction on, parking brake set, out of gear, hands and leads away from belts and fan.';
  if (state === 'reverse') return 'Reverse gear: parking brake set, wheels chocked, nobody in front or behind. A foot on the brake pedal makes the stop lamps live too: say so.';
  return undefined;
}

/** What the helper's phone says beside the state, and where none is asked for. */
export const HELPER_WORDS = {
  hold: 'Everything else off. Hold it until the words change.',
  wait: 'Everything off, wait',
  nothing: 'Nothing is asked of you now.',
  away: 'The line to the bench is lost. Change nothing; ask by voice.',
} as const;

/** When what a slot is to feed is to be live. */
export function saySlotWanted({ on, off }: Behaviour): string {
  return `Wanted: live with ${on.join(', ') || 'no state that is known'}${off.length > 0 ? `, dead with ${off.join(', ')}` : ''}.`;
}

/** A fuse slot against what is wanted, with what was found and what is still to be measured. */
export function saySlot({ slot, ratedA, value, conflicts, untested, inherits }: SlotFound): string {
  const fuse = ratedA === undefined ? '' : `, fuse ${stated(ratedA, 'A')}`;
  const takes = inherits.length > 0 ? ` What hangs there takes over its ${inherits.join(' and ')}.` : '';
  if (value === 'otherwise')
    return `${slot}${fuse}: not as wanted, ${conflicts.map(({ state, found, wanted }) => `${CLASS_WORDS[found]} with ${state} where ${wanted} is wanted`).join('; ')}.`;
  if (value === 'not yet measured') return `${slot}${fuse}: nothing against it; still to be measured with ${untested.join(', ')}.${takes}`;
  return `${slot}${fuse}: behaves as wanted.${takes}`;
}

/** A pin of a plug as far as it is known, in few words. */
export function sayPinFound({ status, chances }: PinFound): string {
  const [best] = chances;
  const likely = best ? `${sayFunctions(best.functions)}, ${percent(best.chance)}` : 'not known';
  switch (status.code) {
    case 'proved':
      return `${sayFunctions(status.functions)}, proved`;
    case 'by elimination':
      return `${sayFunctions(status.functions)}, by elimination`;
    case 'contradictory':
      return 'contradictory';
    case 'indistinguishable':
      return status.among.map(sayFunctions).join(' or ');
    case 'open':
      return likely;
  }
}

/** What the reference check says. */
export function sayReference(verdict: ReferenceVerdict): string {
  switch (verdict.code) {
    case 'good':
      return 'The reference is good.';
    case 'ground-high':
      return `The ground used lies ${volts(verdict.volts)} above the battery’s negative; at most ${volts(verdict.mostV)}. Find another ground point.`;
    case 'feed-low':
      return `The known feed reads ${volts(verdict.volts)}; at least ${volts(verdict.leastV)} is wanted. Check meter, leads and battery.`;
  }
}

/** What a meter showed: one value, or what it moved between. */
export const sayReading = ({ lowV, highV }: Pick<Reading, 'lowV' | 'highV'>): string => (lowV === highV ? volts(highV) : `${volts(lowV)} to ${volts(highV)}`);

/** A text as somebody wrote it, ended like a sentence. */
export const ended = (text: string): string => (/[.!?]$/.test(text) ? text : `${text}.`);

/** A place in which one wire may be found, with what is known of it there. */
export function sayPlace({ plug, pin, status }: { plug: VehiclePlug; pin?: VehiclePin; status?: PinStatus }): string {
  const place = `${plug.name}, ${plug.side === 'centre' ? 'in the middle' : plug.side}`;
  const seen = pin?.proved ? `, proved on another on ${pin.proved.on}` : '';
  if (!pin) return `${place}: it may be there, no pin is said to have it. ${ended(plug.whereToLook)}`;
  const wire = `pin ${pin.id}, ${pin.colour ? `${pin.colour} on this side of the plug` : 'no colour noted'}${pin.beyond ? `, ${pin.beyond} beyond it` : ''}`;
  return `${place}: ${wire}; ${status?.code === 'proved' ? 'proved on this vehicle' : `said to be${seen}, not proved here`}. ${ended(plug.whereToLook)}`;
}

export const MAP_COLUMNS = ['Plug', 'Where', 'Pin', 'Row', 'Column', 'Colour', 'What it is', 'How sure', 'Readings', 'Said to carry'] as const;
export type MapRow = Record<(typeof MAP_COLUMNS)[number], string>;

const SURE: Readonly<Record<PinStatus['code'], string>> = {
  proved: 'proved',
  'by elimination': 'by elimination, not proved',
  open: 'likely only',
  indistinguishable: 'no state parts them',
  contradictory: 'the readings contradict',
};

/** One pin of the map of a plug: what it is as far as the readings say, and how sure that is. */
export function sayMapped({ plug, pin, status, chance, readings }: MappedPin): MapRow {
  const none = readings === 0 && status?.code !== 'by elimination';
  const what = (): string => {
    if (!status || none) return 'not read';
    if (status.code === 'contradictory') return 'not known';
    if (status.code === 'indistinguishable') return status.among.map(sayFunctions).join(' or ');
    return sayFunctions(status.functions);
  };
  return {
    Plug: plug.name,
    Where: plug.whereToLook,
    Pin: pin.id,
    Row: String(pin.row),
    Column: String(pin.column),
    Colour: pin.colour ?? 'not noted',
    'What it is': what(),
    'How sure': !status || none ? '—' : status.code === 'open' && chance !== undefined ? `${SURE.open}, ${percent(chance)}` : SURE[status.code],
    Readings: String(readings),
    'Said to carry': pin.carries === 'unknown' ? 'not described' : pin.carries,
  };
}

const LEFT_WHY: Readonly<Record<PinLeft['why'], string>> = {
  'no such pin': 'the newest profile has no such pin',
  'no one place': 'it has more than one function, which no pin of a profile can',
};

/** What a profile would learn of a pin. */
export const sayLearned = ({ plugName, pin, was, is, readings }: PinLearned): string =>
  `${plugName}, pin ${pin}: ${was === undefined || was === is ? is : `${is}, before ${was === 'unknown' ? 'not described' : was}`}, proved by ${plural(readings, 'reading')}`;

export const sayNotLearned = ({ plugName, pin, why }: PinLeft): string => `${plugName}, pin ${pin} stays as it is: ${LEFT_WHY[why]}`;

/** Why a line of a meter was not understood. */
export const LINE_FAULTS: Readonly<Record<LineFault, string>> = {
  'not JSON': 'it is no line of values',
  'another protocol': 'it speaks another way than this program',
  'not a line of the protocol': 'it says nothing that is known here',
  'no number': 'what stands for a number is none',
  'outside what a meter shows': 'no meter shows that on a vehicle',
};

/** What was held at a meter. */
export const sayHeld = (held: HeldLine): string => (held.held === 'voltage' ? sayReading(held) : `${stated(held.ohm, 'Ω')} to the body`);

/** How the battery stands in long work with the ignition on. */
export function sayWatch({ minutes, volts: measured, charger, leastV, is }: BatteryWatch): string {
  const since = `Ignition asked for ${stated(Math.round(minutes), 'min')} ago and not yet said to be off${charger ? ', charger on' : ', no charger'}${measured === undefined ? '' : `, battery ${volts(measured)}`}.`;
  if (is === 'charge') return `${since} Below ${volts(leastV)}: key off, or a charger on, before it goes on; readings against a sagging battery mislead.`;
  return is === 'look' ? `${since} Measure the battery, or put a charger on.` : since;
}

/** One thing to do at Probe, in few words. */
export function sayProbeStep(step: probe.ProbeStep, plugName: (plug: string) => string): string {
  switch (step.kind) {
    case 'reference':
      return 'Reference first';
    case 'read':
      return sayHelperState(step.now.reading.state);
    case 'stuck':
      return `${plural(step.open, 'wire')} not proved: these states tell no more`;
    case 'seal':
      return `Seal the ${step.how} wire of pin ${step.pin}, ${plugName(step.plug)}`;
    case 'done':
      return 'Everything at Probe is done';
  }
}

/** What was not as the kit says when a wire of a lamp was fed on the bench. */
export const POWERED_FAULTS: Readonly<Record<PoweredFault, string>> = {
  'lights something else': 'it lit something else than the kit says',
  'lights nothing': 'nothing lit',
  'draws too little': 'it drew too little',
  'draws too much': 'it drew too much',
  'at the limit': 'it drew all that the supply gave: a short, or polarity',
};

/** A wire of a kit's lamp, and what it should light. */
export const sayLampWire = ({ pin, loads }: LampWire, plug: string): string =>
  `${plug}, pin ${pin.id}${pin.colour === undefined ? '' : `, ${pin.colour}`}: ${loads.length > 1 ? `${pin.carries}, ${plural(loads.length, 'lamp')}` : (loads[0]?.name ?? pin.carries)}`;

/** How the supply of the bench is set for it. */
export const saySupply = ({ loads }: LampWire, { volts: set, limitA }: { volts: number; limitA: number }): string =>
  `Supply at ${stated(set, 'V')}, limited to ${stated(limitA, 'A')}. About ${amount(statedA(loads, set), 'A', 2)} is stated at that voltage.`;

/** What came of trying it. */
export function sayPowered({ tried, onVehicle }: LampWire): string {
  if (!tried) return onVehicle ? `not tried; ${onVehicle}` : 'not tried';
  const drew = `${amount(tried.ampere, 'A', 2)} of ${amount(tried.statedA, 'A', 2)}`;
  return tried.faults.length === 0 ? `as the kit says, ${drew}` : `${tried.faults.map((fault) => POWERED_FAULTS[fault]).join('; ')} (${drew})`;
}

/** Minutes to a tenth. */
export const tenths = (minutes: number): string => stated(Math.round(minutes * 10) / 10, 'min');

const WASTE_WORDS: Readonly<Record<Waste, string>> = {
  'proved already': 'what it could tell was proved already',
  'read before': 'it was read before and told nothing new',
  'tells little': 'whatever it showed, little would have followed',
  'switched for it': 'the helper switched for it alone, while more could be read as things stood',
};

/** Why a reading was not worth its time, as it is taken. */
export const sayWaste = (waste: Waste): string => `Not worth its time: ${WASTE_WORDS[waste]}.`;

/** A reading that was not worth its time, with what it cost. */
export const sayWasted = ({ pin, state, minutes, waste }: PracticeReading): string =>
  `Pin ${pin} with ${state}, ${tenths(minutes)}: ${waste ? WASTE_WORDS[waste] : 'worth its time'}.`;

/** What came of a word on a pin: right, too early, or wrong with what a lamp fed from it would have done. */
export function sayClaim({ pin, function: name, premature, doubt, isReally, wrongIn }: PracticeClaim): string {
  const said = sayFunctions([name]);
  if (isReally !== undefined)
    return `Pin ${pin} is ${sayFunctions([isReally])}, not ${said}: a lamp fed from it would have been wrong with ${wrongIn.length > 0 ? wrongIn.join(', ') : 'a load on it'}.`;
  if (premature)
    return `Pin ${pin} is ${said}, but it was not proved: by the readings it was something else in ${percent(Math.max(0.001, doubt))} of cases. On a vehicle that is a lamp that fails a test, or worse, passes it.`;
  return `Pin ${pin} is ${said}, and it was proved.`;
}

/** What a practice was worth, in a sentence. */
export function sayScore({ minutes, bestMin, readings, bestReadings, wastedMin }: PracticeScore): string {
  const waste = wastedMin > 0 ? ` ${tenths(wastedMin)} went into readings that were not worth them.` : '';
  return `${tenths(minutes)} and ${plural(readings, 'reading')}; the readings that are worth most take ${tenths(bestMin)} and ${plural(bestReadings, 'reading')}.${waste}`;
}

/** A practice that was kept, in few words. */
export const sayKeptPractice = ({ score, minutes, premature, wrong }: PracticeScore): string =>
  `${score} of 100, ${tenths(minutes)}${premature > 0 ? `, ${premature} said too early` : ''}${wrong > 0 ? `, ${wrong} wrong` : ''}`;

export * from './views.ts';
