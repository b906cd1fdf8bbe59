import { plural } from '@jade/words/units';
export const COUNT_ENTRY = {
  less: (label: string) => `One ${label} less`,
  more: (label: string) => `One ${label} more`,
} as const;

export const FORM_DIALOG = {
  takenUp: 'Taken up where you left it.',
  beginAnew: 'Begin anew',
  leave: 'Leave it',
} as const;

export const WORDS_FIELD = {
  left: (left: number) => `${left} left`,
} as const;

export const AIM_WALL = {
  vehiclesCentreLine: 'vehicle’s centre line',
  whole: (name: string, wantedMm: string) => `${name}: wanted ${wantedMm}`,
  wanted: (wantedMm: string) => `wanted ${wantedMm}`,
  before: (beforeMm: string) => `before ${beforeMm}`,
  after: (height: string, isWithin: boolean | undefined) => `after ${height} ${isWithin ? 'in' : 'out'}`,
} as const;

export const BOLT_CHOICE = {
  long: (lengthMm: number) => `${lengthMm} mm`,
} as const;

export const CABLE_WAY = {
  ways: (view: string) => `Ways of the legs, from the ${view}`,
  from: (view: string) => `from the ${view}`,
} as const;

export const FUSE_WIRE = {
  lost: (dropShare: string, atLeast: boolean) => (atLeast ? `lost ${dropShare} +` : `lost ${dropShare}`),
  atMost: (dropLimitShare: string) => `${dropLimitShare} at most`,
} as const;

export const OPENING_FIT = {
  size: (widthMm: number, heightMm: number) => `${widthMm} × ${heightMm} mm`,
  depth: (depthMm: number) => `${depthMm} mm`,
  fromAhead: 'from ahead',
  fromSide: 'from the side',
} as const;

export const PLUG_FACES = {
  ofKit: (family: string, keying: string) => `kit · ${family} ${keying}`,
} as const;

export const PROBE_FACE = {
  pin: (pin: string, found: string | undefined) => `Pin ${pin}${found ? `: ${found}` : ''}`,
  face: (name: string) => `${name} from the wire side`,
  fromWireSide: 'from the wire side',
} as const;

export const TIMES_CHART = {
  axis: 'minutes',
  says: (step: string, here: string, most: string, profile: string) => `${step}: ${here} here, eight in ten within ${most}; the profile gives ${profile}`,
  median: 'median at this shop',
  profile: 'the profile',
} as const;

export const TRAY_DRAWING = {
  named: (slot: number, name: string) => `${slot > 0 ? `slot ${slot}, ` : ''}${name}`,
  droppedFound: (dropped: number) => `${dropped} dropped: found`,
  oneDropped: (fastener: string, name: string) => `${fastener} of ${name}: one dropped`,
  dropped: 'dropped',
} as const;

export const TWO_LANES = {
  at: (atMin: number) => `${atMin} min`,
  one: 'one',
  other: 'the other',
} as const;

export const WIRE_PICTURE = {
  label: 'Electrical picture, from source to ground',
} as const;

export const PRACTICE_CHART = {
  score: 'score',
  axis: 'score of 100',
} as const;

const BAR_STATES = { done: 'open', next: 'next', planned: 'planned', other: 'way not taken' } as const;
export const WAY_IN = {
  more: (count: number, name: string) => (count === 1 ? `and ${name}` : `and ${count} more`),
  layer: (index: number) => (index === 0 ? 'outside, min' : `layer ${index + 1}`),
  bar: (name: string, min: string, state: keyof typeof BAR_STATES, shared: number) =>
    `${name} ${min} min, ${BAR_STATES[state]}${shared > 1 ? `, shared by ${shared} targets` : ''}`,
} as const;

export const SHEET_NAMES = {
  undescribed: 'not described from here',
  more: (count: number) => `${plural(count, 'piece')} without a name beside it`,
} as const;
