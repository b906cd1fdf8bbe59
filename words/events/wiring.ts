import type { LinesOf } from './lines-of.ts';
import type { LedTo } from '@jade/core/events';
import { type Names } from '@jade/words/names';
import { sayArea } from '@jade/words/wiring';
import { amount, inSentence, stated } from '@jade/words/units';

/** Where a wire of a kit is led to. */
export function sayLedTo({ at, plug = '', pin = '', slot = '', ground, fuseA, areaMm2, lengthMm = 0 }: LedTo, names: Pick<Names, 'plug' | 'ground'>): string {
  const wire = `the wire of pin ${pin} of ${inSentence(names.plug(plug))}`;
  const new_ = lengthMm > 0 && areaMm2 !== undefined ? `, ${stated(lengthMm / 1000, 'm')} of ${sayArea(areaMm2)}` : '';
  const fuse = fuseA === undefined ? '' : `, fuse ${stated(fuseA, 'A')}`;
  switch (at) {
    case 'wire':
      return `fed from ${wire}${new_}`;
    case 'slot':
      return `fed by a tap at slot ${slot}${fuse}${new_}`;
    case 'battery':
      return `fed from the battery over a relay that ${wire} closes${fuse}${new_}`;
    case 'ground':
      return `to ${ground === undefined ? 'a ground point of the body' : inSentence(names.ground(ground))}${new_}`;
  }
}

/** Lines of the family, as the log shows them. */
export const WIRING_LINES: LinesOf<'wiring'> = {
  'plug.joined': ({ kit, connection, adapters = [] }, names) =>
    `Plug joined: ${inSentence(names.connection(kit, connection))}${adapters.length > 0 ? `, by ${adapters.map((adapter) => inSentence(names.adapter(adapter))).join(', then ')}` : ''}`,
  'plug.parted': ({ kit, connection }, names) => `Plug parted: ${inSentence(names.connection(kit, connection))}`,
  'cavity.populated': ({ plug, row, column, carries, circuit }, names) =>
    `${names.plug(plug)}, row ${row}, column ${column}: contact for ${carries} put in${circuit === undefined ? '' : `, fed from ${inSentence(names.circuit(circuit))}`}`,
  'contact.pulled': ({ plug, row, column }, names) => `${names.plug(plug)}, row ${row}, column ${column}: contact pulled out`,
  'contacts.moved': ({ kit, plug, moves }, names) =>
    `${names.kitPlug(kit, plug)} re-pinned: ${moves.map(({ pin, row, column }) => `pin ${pin} to row ${row}, column ${column}`).join('; ')}`,
  'source.chosen': ({ kit, connection, pin, to }, names) => `${names.connection(kit, connection)}, pin ${pin}: ${to ? sayLedTo(to, names) : 'fed as the kit has it'}`,
  'leg.laid': ({ kit, leg, path }, names) => `Leg to ${inSentence(names.leg(kit, leg))} laid: ${path.map((id) => inSentence(names.segment(id))).join(', ')}`,
  'leg.lifted': ({ kit, leg }, names) => `Leg to ${inSentence(names.leg(kit, leg))} lifted out`,
  'route.chosen': ({ kit, leg, path }, names) =>
    path
      ? `Way of the leg to ${inSentence(names.leg(kit, leg))} chosen: ${path.map((id) => inSentence(names.segment(id))).join(', ')}`
      : `Way of the leg to ${inSentence(names.leg(kit, leg))}: back to the least labour`,
  'drill.agreed': ({ segment, by, behind }, names) => `Hole at ${inSentence(names.segment(segment))} agreed by ${by}; behind it: ${behind}`,
  'plug.capped': ({ plug, kit }, names) => `${kit === undefined ? names.plug(plug) : names.kitPlug(kit, plug)} capped and tied away`,
  'load.accepted': ({ circuit, afterA }, names) => `Load on ${inSentence(names.circuit(circuit))} accepted${afterA === undefined ? '' : `: ${amount(afterA, 'A', 1)}`}`,
  'fuse.seen': ({ circuit, ratedA }, names) => `Fuse of ${inSentence(names.circuit(circuit))} seen: ${stated(ratedA, 'A')}`,
  'ground.measured': ({ ground, dropMv, ampere }, names) => `${names.ground(ground)}: ${amount(dropMv, 'mV')} at ${stated(ampere, 'A')}`,
  'outage.accepted': ({ channel }, names) => `${names.channel(channel)}: left as the vehicle reports it`,
};
