import { plural } from '@jade/words/units';

/** Units that stand at the end of a field's name. */
const UNITS: readonly (readonly [end: string, unit: string])[] = [
  ['MmPerM', 'mm per m'],
  ['Mm2', 'mm²'],
  ['Mohm', 'mΩ'],
  ['Cents', 'in the smallest coin'],
  ['Mm', 'mm'],
  ['Min', 'min'],
  ['Deg', '°'],
  ['Nm', 'Nm'],
  ['Km', 'km'],
  ['Ah', 'Ah'],
  ['Ma', 'mA'],
  ['Mv', 'mV'],
  ['Ms', 'ms'],
  ['Cd', 'cd'],
  ['Lm', 'lm'],
  ['Ohm', 'Ω'],
  ['W', 'W'],
  ['V', 'V'],
  ['A', 'A'],
  ['M', 'm'],
];

/** Fields that a person would not know by their names as they are written. */
const NAMES: Readonly<Record<string, string>> = {
  id: 'Id, stays for ever',
  slug: 'Short name in files',
  box: 'Where it lies',
  at: 'Where it is',
  xMm: 'Ahead of the front axle',
  yMm: 'To the left',
  zMm: 'Above the ground',
  on: 'On which piece',
  inPlaceOf: 'In place of',
  needs: 'What has to be open',
  asks: 'What it asks of supplies',
  is: 'Is',
  when: 'Only where',
  all: 'All of',
  any: 'Any of',
  not: 'Not where',
  say: 'How the step is said',
  by: 'By whom',
  first: 'First back',
  then: 'Then',
  snug: 'Snug, in',
  openMin: 'To open',
  closeMin: 'To put back',
  extraMin: 'More by this way',
  atV: 'At',
  reach: 'Ways to it',
  gate: 'Before anything covers it',
  lays: 'Legs it lays',
};

/** What a field is called, and its unit where it has one: "Bonnet height" in mm. */
export function sayField(name: string): { label: string; unit?: string } {
  const known = UNITS.find(([end]) => name.length > end.length && name.endsWith(end) && /[a-z0-9]/.test(name.at(-end.length - 1) ?? ''));
  const stem = known ? name.slice(0, -known[0].length) : name;
  const words = stem.replaceAll(/([a-z0-9])([A-Z])/g, '$1 $2').toLowerCase();
  const label = NAMES[name] ?? words.charAt(0).toUpperCase() + words.slice(1);
  return { label, ...(known ? { unit: known[1] } : {}) };
}

/** A field with its unit, as it stands at its entry. */
export function sayFieldWithUnit(name: string): string {
  const { label, unit } = sayField(name);
  return unit === undefined ? label : `${label}, ${unit}`;
}

export const CORRECT = {
  show: 'Correct',
  copy: 'Copy to a like vehicle',
  title: 'Correct',
  titleCopy: 'A like vehicle',
  of: (name: string, version: number) => `${name}, version ${version}`,
  reading: 'Reading the document …',
  theDocument: 'the document',
  sections: 'Parts of the document',
  views: 'View',
  itself: 'In general',
  from: 'from',
  to: 'to',
  notSaid: 'not said',
  yes: 'yes',
  no: 'no',
  say: (name: string) => `Say: ${name.toLowerCase()}`,
  leaveOut: (name: string) => `Leave out: ${name.toLowerCase()}`,
  add: 'Add one',
  another: 'Add a line',
  entry: (place: number) => `No. ${place + 1}`,
  copyEntry: 'Copy',
  up: 'Up',
  down: 'Down',
  takeOut: 'Take out',
  otherSide: 'To the other side',
  undo: 'Undo',
  anew: 'Begin anew',
  keptDraft: 'Taken up as it was left.',
  save: (version: number) => `Save as version ${version}`,
  saveNew: 'Save as a new vehicle',
  checking: 'Checking …',
  sound: 'Nothing stands against it.',
  away: 'The server is not there: what is written stays here and is checked when it is back.',
  wrong: (count: number) => `${plural(count, 'thing stands', 'things stand')} against it`,
  elsewhere: 'Stands against the document as a whole',
  faultsIn: (count: number) => `${count} wrong`,
  nothing: 'Nothing is changed yet.',
  changed: (count: number) => `${plural(count, 'place')} changed`,
  losses: (count: number) => `${plural(count, 'thing rests', 'things rest')} on what this takes away`,
  lossesWhy: 'Kits or open jobs name it. Saved all the same, they keep the version they have, and say what is lost once they take this one over.',
  allTheSame: 'Save all the same',
  drawing: (name: string, view: string) => `${name} from the ${view}, what is being corrected`,
  drag: 'Drag an edge or the whole; the fields beside say the same in millimetres.',
  otherDrive: 'Wheel on the other side',
  otherDriveWhy: 'What lies in the cabin on one side goes to the other, with what is reached through it. Look through the rest.',
  copyWhy: 'Give it a short name of its own, maker, model and years; what differs is corrected below. Nothing of the first vehicle changes.',
  pick: 'Pick a part of the document.',
  empty: 'Nothing here yet.',
} as const;
