import type { LinesOf } from './lines-of.ts';
import { sayFunctions } from '@jade/words/probing';
import { amount, inSentence, plural } from '@jade/words/units';

/** Lines of the family, as the log shows them. */
export const PROBING_LINES: LinesOf<'probing'> = {
  'slot.measured': ({ slot, state, lowV, highV }) => `Slot ${slot}, ${state}: ${lowV === highV ? amount(highV, 'V', 2) : `${amount(lowV, 'V', 2)} to ${amount(highV, 'V', 2)}`}`,
  'battery.watched': ({ volts }) => `Battery with the ignition on: ${amount(volts, 'V', 1)}`,
  'ignition.set': ({ on }) => (on ? 'Ignition on' : 'Ignition off'),
  'charger.set': ({ on }) => (on ? 'Charger on the battery' : 'Charger off the battery'),
  'reference.checked': ({ groundV, feedV }) => `Reference: ground ${amount(groundV, 'V', 2)}, feed ${amount(feedV, 'V', 2)}`,
  'reading.taken': ({ plug, pin, state, lowV, highV }, names) =>
    `${names.plug(plug)} pin ${pin}, ${state}: ${lowV === highV ? amount(highV, 'V', 2) : `${amount(lowV, 'V', 2)} to ${amount(highV, 'V', 2)}`}`,
  'continuity.measured': ({ plug, pin, ohm }, names) => `${names.plug(plug)} pin ${pin} to the body: ${amount(ohm, 'Ω', 1)}`,
  'drop.measured': ({ plug, pin, dropV }, names) => `${names.plug(plug)} pin ${pin}, with a load returning over it: ${amount(dropV, 'V', 2)} lost`,
  'plug.found': ({ name, pins }) => `Found: ${inSentence(name)}, ${plural(pins.length, 'wire')}, not in the profile`,
  'probe.wanted': ({ plug, functions }, names) =>
    functions.length === 0 ? `${names.plug(plug)}: nothing more is looked for` : `${names.plug(plug)}: looking for ${functions.map((name) => sayFunctions([name])).join(', ')}`,
  'wire.opened': ({ plug, pin, how }, names) => `${names.plug(plug)} pin ${pin}: wire ${how} to read it`,
  'wire.sealed': ({ plug, pin }, names) => `${names.plug(plug)} pin ${pin}: wire sealed again`,
  'colour.noted': ({ plug, pin, on, colour }, names) => `${names.plug(plug)} pin ${pin}: ${colour} ${on === 'beyond' ? 'beyond the plug' : 'on this side'}`,
};
