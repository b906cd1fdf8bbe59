import { subjectOf, type Subject } from '@jade/core/subject';
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

/** What nobody has described of a kind of vehicle. */
const UNDESCRIBED: Readonly<Record<string, string>> = { functions: 'lamps of this kind of vehicle, not described', sensors: 'sensors of this kind of vehicle, not described' };

const KIT_LISTS: Readonly<Record<string, string>> = { contents: 'contents', lamps: 'lamps' };

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
    case 'arrival':
      return 'vehicle on arrival';
    case 'paper':
      return `${PAPER_NAMES[subject.paper] ?? subject.paper} of ${names.kit(subject.kit)}`;
    case 'leaving':
      return 'vehicle leaving';
    case 'damage':
      return 'damage';
    case 'face':
      return names.plug(subject.plug);
    case 'undescribed':
      return UNDESCRIBED[subject.list] ?? subject.list;
    case 'unplaced':
      return `how ${names.kit(subject.kit)} is ${subject.what} on this kind of vehicle, not described`;
    case 'kit-list':
      return `${KIT_LISTS[subject.list] ?? subject.list} of ${names.kit(subject.kit)}, not described`;
    case 'log':
      return 'log';
  }
}

/** Papers that come with a kit. */
export const PAPER_NAMES: Readonly<Record<string, string>> = {
  fitting: 'Fitting instructions',
  wiring: 'Wiring diagram',
  aiming: 'Aiming instructions',
  approval: 'Approval',
  other: 'Other papers',
};

/** What a kept key is called; a key of no known form stands for itself. */
export function sayKey(kept: string, names: Names): string {
  const subject = subjectOf(kept);
  return subject ? saySubject(subject, names) : kept;
}

/** What is to be reached: a mount position, or the work that wants it. */
export function sayTarget(target: string, names: Names): string {
  return target.includes(':') ? sayKey(target, names) : names.mount(target);
}
