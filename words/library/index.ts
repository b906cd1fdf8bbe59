import { explain, type Condition } from '@jade/core/facts';
import type { MinutesChange } from '@jade/core/overlay';
import type { Body, FastenerGroup, MeasureId, Piece, PieceLevel, Sensor, VehiclePin, VehiclePlug, VehicleProfile, Way } from '@jade/core/vehicle';
import type { Difference } from '@jade/core/versions';
import { sayWay } from '@jade/words/events';
import { sayCondition } from '@jade/words/match';
import { MEASURE_NAMES, sayThrough } from '@jade/words/names';
import { amount, inSentence, minutes, plural, sayDay, stated } from '@jade/words/units';

export const LEARNED_TIMES = {
  title: 'Times at this shop',
  away: 'The times cannot be read: the server is away.',
  reading: 'Reading the times…',
  none: 'No step that the profile has was timed on a vehicle of this kind that was signed off. Its times stand until one is.',
  timed: (steps: number) => `${plural(steps, 'step')} timed on vehicles that have left, the farthest from the profile first.`,
  chart: 'Minutes by the profile and at this shop',
  all: (steps: number) => `All ${plural(steps, 'step')}`,
  within: (learned: string, most: string) => `${learned} Eight in ten within ${most}.`,
  noneSince: (version: number, times: number) =>
    `No step that the profile has was timed since on a vehicle that was signed off. Version ${version} holds ${plural(times, 'time')} in its minutes.`,
  held: (version: number, times: number) => `Version ${version} holds ${plural(times, 'time')} in its minutes already; those here were taken since.`,
  putInWhy:
    'The next version has them as its own minutes: the way in is chosen by them, and they go along where it is exported. They are not counted once more. Jobs that are open keep their version.',
  becomes: (changes: number) => `${plural(changes, 'number')} would change`,
  save: (version: number) => `Put them into version ${version}`,
  kept: (version: number, changes: number) => `Version ${version}: ${plural(changes, 'number')} of minutes as they were timed here.`,
  nothingNew: (version: number) => `Version ${version} holds these times already.`,
} as const;

/** One number of minutes as a shop's times would make it, with the one before it. */
export function sayMinutesChange({ piece, level, what, beforeMin, nowMin, times }: MinutesChange, name: (piece: string) => string): { which: string; says: string } {
  const exact = (value: number) => amount(value, 'min', Number.isInteger(value) ? 0 : 2);
  const which =
    'extraOf' in what ? `${name(piece)} ${level}, ${sayWay(what.extraOf)}, more than the quickest way` : `${name(piece)} ${what.minutes === 'open' ? level : `back from ${level}`}`;
  const rests = times > 0 ? `timed ${times === 1 ? 'once' : `${times} times`}` : 'goes up with the level below it, nobody timed it by itself';
  return { which, says: `${exact(beforeMin)} → ${exact(nowMin)} (${rests})` };
}

export const LIBRARY_VIEW = {
  theLibrary: 'The library',
  vehicles: 'Vehicles',
  kits: 'Kits',
  plugs: 'Plugs',
  rules: 'Rule sets',
  lost: (things: number) => `${plural(things, 'thing')} no longer ${things === 1 ? 'stands' : 'stand'}:`,
  taken: (file: string, what: string, version: number, isNew: boolean) => `${file}: ${what}, version ${version}${isNew ? '' : ', nothing new'}`,
  fileNotTaken: (file: string) => `${file} was not taken.`,
  vehicle: ({ maker, model, years }: Pick<VehicleProfile, 'maker' | 'model' | 'years'>) => `${maker} ${model}, ${years.from}–${years.to ?? 'today'}`,
  counts: ({ pieces, facts, sensors, plugs, circuits, mounts }: Pick<VehicleProfile, 'pieces' | 'facts' | 'sensors' | 'plugs' | 'circuits' | 'mounts'>) =>
    `${plural(pieces.length, 'piece')}, ${plural(facts.length, 'fact')}, ${plural(sensors.length, 'sensor')}, ${plural(plugs.length, 'plug')}, ${plural(circuits.length, 'circuit')}, ${plural(mounts.length, 'mount position')}.`,
  title: 'Vehicles and kits',
  takeFile: 'Take in a file',
  contentsOut: 'Contents as CSV',
  contentsIn: 'Take in contents',
  find: 'Find in the library',
  notFound: 'Nothing by that name.',
  notTaken: (name: string, lost: number) => `${name} was not taken: ${plural(lost, 'thing')} of the shop rest on what it no longer has.`,
  lostWhy:
    'Open jobs go on with the version they have; whoever takes this one over on such a job loses what is named here. Kits that are named do not fit this vehicle until they are taken in anew.',
  allTheSame: 'Take it in all the same',
  leave: 'Leave it',
  reading: 'Reading the library…',
  empty: 'The library is empty. Take in a vehicle profile first, then the kits that name it.',
  library: 'Library',
  none: 'None yet: take in a file.',
  unmeasured: (ids: readonly MeasureId[]) => `measured by nobody yet: ${ids.map((id) => MEASURE_NAMES[id].toLowerCase()).join(', ')}`,
  measures: (systemV: number, highVoltage: boolean, long: string, wide: string, high: string) =>
    `${systemV} V${highVoltage ? ', high-voltage drive' : ''} · ${long} long, ${wide} wide, ${high} high`,
  export: 'Export',
  drawing: (model: string, view: string) => `${model} from the ${view}`,
  priceFor: (price: string, vehicles: readonly string[]) => `${price} · for ${vehicles.join(', ')}`,
  rulesAsFile: 'A rule set is read and edited as a file for now: export it, change it, take it in again.',
  pick: 'Pick a vehicle or a kit.',
} as const;

export const PLUG_SHELF = {
  export: 'Export',
  leads: 'Leads from one plug to another',
  noLeads: 'No leads yet: where plugs do not meet, Wire names the joints wire by wire.',
  families: 'Families',
} as const;

export const VEHICLE_SHELF = {
  view: 'From',
  find: 'Find a piece',
  notFound: 'No piece by that name.',
  from: { front: 'front', rear: 'rear', side: 'left side', top: 'above' },
  depth: 'How deep',
  skin: 'From outside',
  behind: 'Look behind',
  out: 'Moved out',
  all: 'All pieces',
  layer: (layer: number) => (layer === 1 ? 'First, from outside' : layer === 2 ? 'Behind them' : `Layer ${layer}`),
  noneHere: (view: string) => `No piece is described that is seen from the ${view}.`,
  noPieces: 'No pieces are described: what has to come off is not known here.',
  movement: 'Way out:',
  fastener: ({ place, release, singleUse }: Pick<FastenerGroup, 'place' | 'release' | 'singleUse'>, home: string) =>
    [place, release, ...(singleUse ? ['new ones each time'] : []), `back: ${home}`].join(' · '),
} as const;

/** A level of a piece: how far it opens, in and back, by how many. */
export function sayLevel({ level, say, openMin, closeMin, people, breakage }: PieceLevel): string {
  const risk = breakage ? `, breaks in ${Math.round(breakage.chance * 100)} of 100` : '';
  return `${say ?? level}: ${minutes(openMin)} out, ${minutes(closeMin)} back${people > 1 ? `, ${plural(people, 'person', 'people')}` : ''}${risk}`;
}

/** A way to open a piece: what has to be open before it. */
export function sayWayIn({ id, needs, extraMin, note, irreversible }: Way, pieceName: (id: string) => string): string {
  return `${sayWay(id)}: ${sayThrough({ needs, extraMin }, pieceName)}${irreversible ? ', cannot be undone' : ''}${note ? `. ${note}` : ''}`;
}

/** Where a piece lies and what is to be minded about it. */
export function sayPieceAside({ zone, side, brittle, painted, witness, beside, leashMm, assumed, sensorAssumed }: Piece, layer: number): string {
  return [
    `${zone.replace('-', ' ')}${side === 'centre' ? '' : `, ${side}`}`,
    layer === 1 ? 'reached from outside' : `${plural(layer - 1, 'layer')} before it`,
    ...(brittle ? ['brittle'] : []),
    ...(painted ? ['painted edges'] : []),
    ...(witness ? [`mark first: ${witness}`] : []),
    ...(beside && beside.length > 0 ? [`beside: ${beside.join(', ')}`] : []),
    ...(leashMm === undefined ? [] : [`hangs on its wires by ${amount(leashMm, 'mm')}`]),
    ...(assumed === undefined ? [] : [`assumed, as on ${assumed}: nobody has opened it on this kind`]),
    ...(assumed !== undefined && sensorAssumed ? ['a sensor sits on it there'] : []),
  ].join(' · ');
}

export const ELECTRICS_SHELF = {
  plugs: (count: number) => `Plugs: ${count}`,
  circuits: (count: number) => `Circuits: ${count}`,
  sensors: (count: number) => `Sensors: ${count}`,
  noneDescribed: 'None described. That is not to say that there are none.',
  plug: ({ family, gender, keying, lock }: Pick<VehiclePlug, 'family' | 'gender' | 'keying' | 'lock'>) => `family ${family}, keying ${keying}, ${gender}, lock: ${lock}`,
  face: (name: string) => `${name} from the wire side`,
} as const;

/** On which vehicles of a kind something is; undefined where it is on all. */
export function sayOnlyOn(when: Condition | undefined, { facts }: Pick<VehicleProfile, 'facts'>): string | undefined {
  return when && `Only where ${sayCondition(explain(when, {}), (id) => facts.find((fact) => fact.id === id)?.label ?? id)}.`;
}

/** A pin of the library: what it carries, the colour of its wire, its circuit, and whether it was proved on a vehicle of this kind. */
export function sayLibraryPin({ carries, colour, beyond, proved }: VehiclePin, circuit: string | undefined): string {
  return [
    carries,
    ...(colour ? [beyond ? `${colour}, ${beyond} beyond the plug` : colour] : []),
    ...(circuit ? [circuit] : []),
    ...(proved ? [`proved by ${plural(proved.readings, 'reading')} on ${proved.on}`] : []),
  ].join(' · ');
}

/** What a profile says of its supplies, and what was noted of the kind. */
export const KIND_KNOWN = {
  isolation: 'Isolation',
  unknown: 'Nobody has described how its battery is isolated.',
  notes: 'Noted of this kind',
  note: (station: string, day: string, kit: string | undefined) => [station, ...(kit ? [kit] : []), sayDay(day)].join(' · '),
} as const;

/** A sensor of the library: what it sits on, how far it may stand off, whether it wants its own procedure then. */
export function saySensor({ kind, toleranceDeg, calibration, procedure, lock }: Sensor, on: string): string {
  return `${kind} on ${inSentence(on)} · ${toleranceDeg === undefined ? 'how far it may stand off is not known' : `may stand off by ${stated(toleranceDeg, '°')}`} · calibration ${calibration}${calibration === 'required' ? `: ${procedure}` : ''} · plug: ${lock}`;
}

/** What a body is called where one is picked. */
export const BODY_NAMES: Readonly<Record<Body, string>> = {
  hatchback: 'Hatchback',
  saloon: 'Saloon',
  estate: 'Estate',
  crossover: 'Crossover',
  'off-road-wagon': 'Off-road wagon',
  'pickup-single-cab': 'Pickup, single cab',
  'pickup-double-cab': 'Pickup, double cab',
  'van-low-roof': 'Van, low roof',
  'van-high-roof': 'Van, high roof',
  minibus: 'Minibus',
  'lorry-cab': 'Lorry',
  'motorcycle-naked': 'Motorcycle',
  'motorcycle-faired': 'Motorcycle with fairing',
  'scooter-box': 'Three-wheel scooter with box',
  'utility-side-by-side': 'Side-by-side',
  trailer: 'Trailer',
};

export const BODY_SHELF = {
  group: 'Drawings',
  title: 'Bodies',
  how: 'A vehicle is drawn by its body and its measures. A profile names the body by the word beside it; the drawing follows what was measured.',
  drawing: (name: string, view: string) => `${name} from the ${view}`,
  measures: (long: string, wide: string, high: string) => `drawn here ${long} long, ${wide} wide, ${high} high`,
} as const;

export const VERSION_CHANGES = {
  title: (version: number) => `Version ${version}: what changed`,
  since: 'Since',
  version: (version: number) => `version ${version}`,
  theVersions: 'The versions',
  reading: 'Reading both versions…',
  same: 'Both say the same.',
  backWhy:
    'A version that is wrong is taken back by a further one, which says what the earlier one said. Open jobs go on with the one they have, and are told that there is a newer one.',
  back: (version: number) => `Go back to version ${version}`,
  backAllTheSame: (version: number) => `Go back to version ${version} all the same`,
  wentBack: (version: number, to: number) => `Version ${version} says what version ${to} said.`,
} as const;

/** A value in short: what it is called where it holds more than can be said in a line. */
function sayValue(value: unknown): string {
  if (Array.isArray(value)) return value.every((entry) => typeof entry !== 'object') ? value.join(', ') || 'none' : plural(value.length, 'entry', 'entries');
  if (typeof value === 'object' && value !== null) {
    const { name, label, id } = value as Record<string, unknown>;
    const called = [name, label, id].find((entry) => typeof entry === 'string');
    return typeof called === 'string' ? called : plural(Object.keys(value).length, 'field');
  }
  return String(value);
}

/** What differs at a place: what it said and says. */
export function sayDifference({ kind, before, after }: Difference): string {
  switch (kind) {
    case 'added':
      return `new: ${sayValue(after)}`;
    case 'removed':
      return `gone: ${sayValue(before)}`;
    case 'changed':
      return `was ${sayValue(before)}, is ${sayValue(after)}`;
    case 'moved':
      return `in another order: ${sayValue(after)}`;
  }
}

export const PROFILE_SHEET = {
  show: 'To print',
  plugCards: 'Plug cards',
  print: 'Print',
  back: 'Back to the library',
  version: (version: number) => `version ${version}`,
  theProfile: 'The profile',
  reading: 'Reading the profile…',
  noPieces: 'No pieces are described: what has to come off is not known here.',
} as const;
