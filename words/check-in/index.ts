import type { MeasureId } from '@jade/core/vehicle';
import { MEASURE_NAMES } from '@jade/words/names';
import { plural } from '@jade/words/units';

export const CHECK_IN_STATION = {
  view: 'View',
  noLamps: (unknown: boolean) => (unknown ? 'Nobody has described which lamps it has.' : 'It has no lamps.'),
  allTried: 'Every factory lamp is tried.',
  toTry: (left: number, all: number) => `${left} of ${plural(all, 'lamp')} to try: pick one on the drawing.`,
  drawing: (maker: string, model: string, view: string) => `${maker} ${model} from the ${view}: lamps and gaps`,
  withOn: (state: string) => `with ${state} on`,
  nominal: (nominalMm: number, imperial: string) => `about ${nominalMm} mm (${imperial})`,
  gap: 'Gap',
  marks: 'Rings are lamps, bars are panel gaps.',
  othersWork: (count: number) => `The other ${count} work`,
  found: 'Damage and accessories found',
  noteDamage: 'Note damage',
  fitted: 'Something was fitted here',
  noneNoted: 'None noted. What is not noted now is ours later.',
  offBefore: (pieces: readonly string[]) => `off before ${pieces.join(', ')}`,
  vehicleNumber: 'Vehicle number',
  modelYear: (year: number) => `Model year ${year}`,
  noModelYear: 'Model year not known',
  toVehicle: 'the vehicle and its visits',
  number: 'Number, 17 places',
  asItCame: 'As it came in',
  keys: 'Keys at',
  battery: 'Battery and fault codes',
  atRest: 'Battery at rest',
  addCode: 'Add a fault code',
  noneStored: 'Read: none stored',
  allEntered: 'All codes entered',
  codeTitle: 'A fault code',
  damageTitle: (view: string) => `Damage seen from the ${view}`,
  code: 'Code as the scanner shows it',
  whatAndWhere: 'What and where',
} as const;

export const FACT_LIST = {
  lookAt: 'Look at',
  label: 'Facts of this vehicle',
  assumed: (seen: string | undefined) => (seen ? `assumed, seen ${seen}` : 'assumed'),
  surelyNotOf: (label: string) => `${label}: surely not`,
  surelyNot: 'Surely not',
  none: 'This profile names no facts.',
} as const;

/** What tells a vehicle from others of its kind. */
export const DIFFERS = {
  title: 'What tells it from others',
  record: 'They differ so',
  open: 'It differs from others of its kind',
  why: 'Same model and year, and still not the same. Say what, and how the next one sees it: it is asked at Check in from then on, and the way in follows the answer.',
  which: 'How it differs',
  lacks: 'This one lacks a piece',
  has: 'This one has more than others',
  pieces: 'Which pieces',
  noneLeft: 'No piece is described that this vehicle could lack.',
  noneHere: 'Nothing was described or opened on this vehicle yet that others could lack.',
  by: 'It goes by',
  another: 'something else',
  label: 'What it is called',
  onThis: 'On this vehicle',
  onOthers: 'On others',
  lacked: 'none',
  there: 'fitted',
  howToSee: 'How it is seen, before anything is opened',
  missing: 'Still missing: which pieces, what it is called, what it is here and on others, or how it is seen.',
} as const;

/** Which lamps a vehicle has whose kind nobody described. */
export const LAMPS_SEEN = {
  title: 'Which lamps does it have?',
  why: (known: number) =>
    known > 0
      ? `${plural(known, 'lamp')} said so far. Tap what is there besides, or say that this is all of them.`
      : 'Nobody has described the lamps of this kind of vehicle. Walk round it and tap what is there: each is then tried, now and before it leaves.',
  all: 'Mark all',
  write: (count: number) => `It has these ${plural(count, 'lamp')}`,
  noMore: 'That is all of them',
} as const;

/** Measures of a kind that nobody has taken. */
export const MEASURES_TAKEN = {
  title: 'Measures of this kind',
  record: 'Measured so',
  why: 'What nobody measured is as such a body typically has it, and the vehicle is drawn so. Write what you measure, in mm, and leave the rest: the next one of the kind has it.',
  drawing: 'The vehicle from the side, as it is drawn by these measures',
  field: (id: MeasureId) => `${MEASURE_NAMES[id]}, mm`,
  typical: (mm: number) => `about ${mm}`,
  notRead: (name: string) => `${name}: a number of mm, or nothing.`,
  open: (count: number) => `${plural(count, 'measure')} of this kind that nobody has taken: it is drawn as such a body typically is.`,
  measure: 'Measure the vehicle',
} as const;

export const GAP_FOUND = {
  title: 'A panel gap',
  record: 'Measured so',
  why: 'Where a panel will come off and go back: as it came, before anything is opened. It is measured again before the vehicle leaves.',
  view: 'View',
  point: 'Tap where the gap is',
  here: 'Here',
  name: 'Between what',
  names: ['Bonnet to wing', 'Bumper to wing', 'Headlamp to bonnet', 'Headlamp to bumper', 'Grille to bonnet', 'Tail lamp to panel'],
  side: 'Side',
  sides: { left: 'left', centre: 'middle', right: 'right' },
  width: 'Width, mm',
  missing: 'Still missing: where it is, between what, its side, or its width.',
  measure: 'Measure a gap',
  none: 'No panel gap of this kind of vehicle is described: measure those of the panels that will come off, left and right.',
} as const;
