import { key, type Subject } from '@jade/core/subject';
import type { Names } from '@jade/words/names';
import { inSentence } from '@jade/words/units';

/** A plug left over, of the vehicle or, where a kit stands before it, of that kit. */
function sayCapped(kept: string, names: Names): string {
  const [kit = '', plug] = kept.split('/');
  return plug === undefined ? names.plug(kept) : names.kitPlug(kit, plug);
}

/** What is done to take something of a dropped kit out again. */
function sayOut({ kit, what }: Extract<Subject, { kind: 'out' }>, names: Names): string {
  const kind = what.slice(0, what.indexOf('/'));
  const id = what.slice(kind.length + 1);
  switch (kind) {
    case 'joint':
      return `Part ${inSentence(names.connection(kit, id))}`;
    case 'leg':
      return `Lift out the leg to ${inSentence(names.leg(kit, id))}`;
    case 'contact': {
      const [plug = '', row = '', column = ''] = id.split('.');
      return `Pull the contact out of ${inSentence(names.plug(plug))}, row ${row}, column ${column}`;
    }
    default:
      return `Undo: ${inSentence(names.step(kit, id))}`;
  }
}

/** What a subject is called where something waits for it. */
export function saySubject(subject: Subject, names: Names): string {
  switch (subject.kind) {
    case 'piece':
      return `${names.piece(subject.piece)} ${subject.level}`;
    case 'supply':
      return `${names.supply(subject.supply)} ${subject.to}`;
    case 'test':
      return names.test(subject.kit, subject.test);
    case 'aim':
      return `Aim ${inSentence(names.lamp(subject.kit, subject.lamp))}`;
    case 'fit':
      return names.step(subject.kit, subject.step);
    case 'joint':
      return `Join ${inSentence(names.connection(subject.kit, subject.connection))}`;
    case 'content':
      return names.item(subject.kit, subject.item);
    case 'plug':
      return `plug of ${subject.connection}`;
    case 'leg':
      return `Lay the leg to ${inSentence(names.leg(subject.kit, subject.leg))}`;
    case 'out':
      return sayOut(subject, names);
    case 'cap':
      return `Cap ${inSentence(sayCapped(subject.plug, names))}`;
    case 'wire':
      return `${names.plug(subject.plug)}, pin ${subject.pin}`;
    case 'lamp-wire':
      return `${names.kitPlug(subject.kit, subject.wire.split('/')[0] ?? '')}, pin ${subject.wire.split('/')[1] ?? ''}, on the bench`;
    case 'open-wire':
      return `Seal of the wire: ${inSentence(names.plug(subject.plug))}, pin ${subject.pin}`;
    case 'sensor':
      return names.sensor(subject.sensor);
    case 'tray':
    case 'dropped':
      return `${names.group(subject.piece, subject.group)} of ${inSentence(names.piece(subject.piece))}`;
    case 'wanting':
      return `${names.group(subject.piece, subject.group)} of ${inSentence(names.piece(subject.piece))}, broken and not renewed`;
    case 'again':
      return `${names.group(subject.piece, subject.group)} of ${inSentence(names.piece(subject.piece))}, used again`;
    case 'closed':
      return `${names.test(subject.kit, subject.test)}, with everything closed`;
    case 'entry':
      return 'two entries that contradict each other';
    case 'function':
      return names.factory(subject.lamp);
    case 'code':
      return `fault code ${subject.code}`;
    case 'setting':
      return subject.setting;
    case 'number':
      return 'vehicle number';
    case 'codes':
      return 'fault codes';
    case 'warnings':
      return `warning lamps, ${subject.moment === 'before' ? 'on arrival' : 'leaving'}`;
    case 'warning':
      return `warning lamp, ${subject.lamp}`;
    case 'uncoded':
      return `warning lamps without a fault code, ${subject.moment === 'before' ? 'on arrival' : 'leaving'}`;
    case 'lenses':
      return `lens haze, ${subject.moment === 'before' ? 'on arrival' : 'leaving'}`;
    case 'lens':
      return `lens of ${inSentence(names.factory(subject.lamp))}`;
    case 'floor':
      return 'floor that was aimed on';
    case 'log':
      return 'log';
  }
}

const KINDS: readonly Subject['kind'][] = [
  'piece',
  'supply',
  'test',
  'aim',
  'fit',
  'joint',
  'content',
  'plug',
  'cap',
  'leg',
  'out',
  'wire',
  'open-wire',
  'lamp-wire',
  'sensor',
  'tray',
  'dropped',
  'wanting',
  'again',
  'closed',
  'entry',
  'function',
  'code',
  'setting',
  'number',
  'codes',
  'warnings',
  'warning',
  'uncoded',
  'lenses',
  'lens',
  'floor',
  'log',
];
const FIELDS: Readonly<Partial<Record<Subject['kind'], readonly string[]>>> = {
  piece: ['piece', 'level'],
  supply: ['supply', 'to'],
  test: ['kit', 'test'],
  aim: ['kit', 'lamp'],
  fit: ['kit', 'step'],
  joint: ['kit', 'connection'],
  content: ['kit', 'item'],
  plug: ['connection'],
  cap: ['plug'],
  leg: ['kit', 'leg'],
  out: ['kit', 'what'],
  wire: ['plug', 'pin'],
  'open-wire': ['plug', 'pin'],
  'lamp-wire': ['kit', 'wire'],
  sensor: ['sensor'],
  tray: ['piece', 'group'],
  dropped: ['piece', 'group'],
  wanting: ['piece', 'group'],
  again: ['piece', 'group'],
  closed: ['kit', 'test'],
  entry: ['entry'],
  function: ['lamp'],
  code: ['code'],
  warnings: ['moment'],
  warning: ['lamp'],
  uncoded: ['moment'],
  lenses: ['moment'],
  lens: ['lamp'],
  setting: ['supply', 'setting'],
};

/** What a kept key is called; a key of no known form stands for itself. */
export function sayKey(kept: string, names: Names): string {
  const kind = KINDS.find((candidate) => kept === candidate || kept.startsWith(`${candidate}:`));
  if (!kind) return kept;
  const ids = kept.slice(kind.length + 1);
  const fields = FIELDS[kind] ?? [];
  const parts = fields.length < 2 ? [ids] : [ids.slice(0, ids.indexOf('/')), ids.slice(ids.indexOf('/') + 1)];
  const subject = { kind, ...Object.fromEntries(fields.map((field, index) => [field, parts[index] ?? ''])) } as Subject;
  return key(subject) === kept ? saySubject(subject, names) : kept;
}

/** What is to be reached: a mount position, or the work that wants it. */
export function sayTarget(target: string, names: Names): string {
  return target.includes(':') ? sayKey(target, names) : names.mount(target);
}
