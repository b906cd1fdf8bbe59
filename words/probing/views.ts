import { plural } from '@jade/words/units';

export const BATTERY_STRIP = {
  batteryNow: 'Battery now',
  ignitionOff: 'Ignition is off',
  chargerOff: 'Charger off',
  chargerOn: 'Charger is on',
} as const;

export const FOUND_PLUG = {
  lampsOf: (end: string) => `${end} lamps`,
  title: 'A plug that is not in the profile',
  read: 'Read this plug',
  name: 'What to call it',
  hides: 'Where it hides',
  lock: 'How it locks',
  feeds: 'Which lamps it feeds',
  side: 'Which side',
  lampsWhy: 'What its lamps have. Take away what cannot be in it: the fewer there are, the fewer readings it takes.',
  lamps: 'What its lamps have',
  rows: 'Rows',
  inRow: 'Wires in a row',
  loom: 'Wires in a loom: one row. Seen from the wire side.',
  face: 'The face from the wire side',
  pin: (id: string, colour: string | undefined) => `Pin ${id}${colour ? `, ${colour}` : ''}`,
  noWireAt: (at: string) => `Row and column ${at}, no wire`,
  colour: 'Colour of the wire',
  noWire: 'No wire in it',
} as const;

export const FUSE_FINDER = {
  pinOf: (plug: string, pin: string) => `${plug}, pin ${pin}`,
  notRead: 'not read',
  volts: { lowest: 'Slot, lowest', highest: 'Slot, highest', moves: 'The slot’s value moves' },
  title: 'Find a fuse slot',
  supply: 'Supply that it is for',
  forPin: (name: string, id: string) => `For ${name}, pin ${id}.`,
  how: 'Key off, pull the fuse, then measure the fed side of its slot. Airbag, brake, steering, engine and high-voltage slots are left alone.',
  slot: 'Slot, as printed',
  fuse: 'Fuse in it',
  shows: 'The slot shows',
  none: 'No slot is measured yet.',
  goOn: (slot: string) => `Go on with ${slot}`,
  atWire: 'Choose it at Wire',
} as const;

export const HELPER_PHONE = {
  stillOpen: 'The server is away: the link is still open.',
  title: 'Helper’s phone',
  open: 'A helper’s phone can read this',
  mayDiffer: 'The helper’s phone may still show something else: tell them by voice.',
  tellAgain: 'Tell it again',
  square: 'Opens the helper’s page',
  where: 'For the phone in the driver’s seat',
  how: 'Let its camera read the square, or open',
  alone: 'The shop is open on this machine alone; started with',
  host: 'JADE_HOST',
  hostWhy: ', a phone finds it.',
  shows: (hours: number) => `It shows what the helper is to switch on this job, and nothing else. Good for ${hours} hours or until it is shut.`,
  shut: 'Shut the link',
  anew: 'Make a new link',
} as const;

export const LAMP_BENCH = {
  title: 'Try a new lamp on the bench',
  caution:
    'The lamp lies on the bench, its plug apart from the vehicle. Supply limited as it says, minus to the ground pin. Do not look into it; it gets hot. Work on mains supplies as their maker and local code say.',
  tryPin: (id: string, name: string) => `Try pin ${id} of ${name}`,
  try: 'Try it',
  now: 'On the bench now',
  supply: 'Supply set to',
  draws: 'It draws',
  lights: 'It lights',
  seen: 'What was seen to light',
  first: 'First write what the supply is set to and what the lamp draws.',
} as const;

export const METER_LINE = {
  meter: 'Meter',
  address: 'Address of the meter’s bridge',
  call: 'Call it',
  typeInstead: 'Type values instead',
  calling: 'Calling the meter …',
  notHeard: 'The meter is not heard; calling again. What is held meanwhile is not lost, values can be typed.',
  touchesNothing: 'touches nothing',
  without: 'Without the meter',
  notUnderstood: (fault: string) => `A line of the meter was not understood: ${fault}. Nothing was taken from it.`,
  held: 'Held and not yet taken',
  ofWhat: 'Held at the meter, and nobody has said of what',
  itIsOf: (takes: string) => `It is of ${takes}`,
  throwAway: 'Throw it away',
} as const;

export const ONE_WIRE = {
  title: 'Find one wire',
  carries: 'What it is to carry',
  hint: 'Its colour is a hint, and may change beyond a plug: the wire counts once it was read on with its state and off without it.',
  noPlug: 'No plug of this vehicle is described. Take the plug before you in hand, below.',
  beingRead: 'being read',
  readAt: (name: string) => `Read it at ${name}`,
  readHere: 'Read it here',
} as const;

export const PLUG_MAP = {
  title: (name: string) => `${name}, pin by pin`,
  proveAll: 'Prove every wire of it',
  noMore: 'Look for nothing more here',
  pinOf: (id: string) => `Pin ${id}`,
  colourSide: 'Colour on this side',
  beyondPlug: 'Beyond the plug',
  continuity: 'Continuity: plug apart, key off, nothing switched on. A lamp at the other end reads like a ground; under 1 Ω is the body.',
  toBody: 'To the body',
  lost: 'Lost with a load over it',
  pierced: 'I pierced its wire',
  bared: 'I bared its wire',
  pick: 'Pick a pin for what was opened on its wire, and for a ground: continuity, or what is lost under a load.',
  table: 'Readings of every pin: a column for each state of the vehicle',
  pin: 'Pin',
  what: 'What it is',
  pinOfPlug: (id: string, name: string) => `Pin ${id} of ${name}`,
  beyond: (beyond: string) => `, ${beyond} beyond`,
  withSame: 'read with the pin of the same function',
  opened: (opened: string) => `· wire ${opened}`,
} as const;

export const PLUG_RECORDS = {
  title: 'What was found',
  print: 'Print plug cards',
  csv: 'Pins, CSV',
  json: 'Values, JSON',
  keep: 'Keep it in the profile',
  kept: (version: number, maker: string, model: string) => `Kept: version ${version} of ${maker} ${model} holds what was proved. This job goes on with its own version.`,
  keepAs: (count: number) => `Keep ${count} as a new version`,
  next: (maker: string, model: string) => `On the next ${maker} ${model} these are likelier, and are still read on and off: colours and wiring differ from one vehicle to another.`,
  nothing: 'Nothing is proved that the newest profile could hold.',
} as const;

export const PROBE_CARD = {
  helper: 'Now, for the helper',
  probeOn: 'Probe on pin',
  of: (name: string) => `of ${name}`,
  meterShows: 'The meter shows',
  left: (readings: number, left: string) => `${plural(readings, 'reading')} in this state. ${left}`,
} as const;

export const PROBE_FLOOR = {
  helper: 'Now, for the helper',
  pin: (id: string) => `Pin ${id}`,
  why: (whereToLook: string, why: string, readings: number, left: string) => `${whereToLook} ${why} ${plural(readings, 'reading')} in this state. ${left}`,
  another: 'Another pin first:',
  anotherPin: (pin: string) => `Pin ${pin}`,
  reference: 'Write both values above: the ground that you will use, and a feed that you know.',
  wholeStation: 'To the whole station',
} as const;

export const PROBE_STATION = {
  takes: (pin: string, state: string) => `pin ${pin} with ${state}`,
  undescribed: 'Nobody has described the plugs of this kind of vehicle: take the one before you in hand, below, and prove each wire before it is joined.',
  noWire: 'No wire of this job wants proof yet: settle the facts at Match, or look for a wire of your own below.',
  reference: 'Reference first',
  referenceHow: 'Meter on the ground you will use, then on a feed you know.',
  ground: 'Ground used to battery −',
  knownFeed: 'A known feed',
  nothingMore: (wires: number) => `Nothing more to read in these states, and ${plural(wires, 'wire')} not proved: what each still wants stands in its line.`,
  allProved: 'Every wire that the job uses is proved.',
  table: 'Readings: a row for each wire, a column for each state of the vehicle',
  wire: 'Wire',
  proves: 'What it proves',
  pinColour: (id: string, colour: string | undefined) => `pin ${id} · ${colour ?? 'no colour noted'}`,
  pinWith: (pin: string, state: string) => `Pin ${pin} with ${state}`,
  volts: 'Voltage to the proved ground',
  holds: 'Test lamp lights, it holds',
  collapses: 'It collapses',
  toNext: 'Back to what comes next',
  pick: 'Pick a cell and write what the meter shows.',
  closed: 'The cells open when the reference is proved.',
  toSeal: 'Wires to seal',
  found: 'A plug that is not in the profile',
  caution: 'Helper in the seat: parking brake set, wheels chocked, no engine running in a closed bay. A powered probe only on a lamp off the vehicle.',
} as const;

export const TWO_TAP = {
  asks: (part: 'lowest' | 'highest' | undefined, whole: string | undefined) =>
    `${part ? `${part === 'lowest' ? 'Lowest' : 'Highest'}. ` : ''}${whole === undefined ? 'Whole volts' : `${whole}. and …`}`,
  moves: 'It moves',
  belowGround: 'Below the ground',
  whole: 'Whole volts',
  tenths: 'Tenths of a volt',
  anew: 'From the start',
} as const;

/** What a test lamp does to a supply that never goes off. */
export const TEST_LAMP = {
  title: 'With a test lamp from it to the ground',
  label: 'What a test lamp does to it',
  holds: 'it holds',
  collapses: 'it collapses',
} as const;

export const READ_CELL = {
  label: (plug: string, pin: string, state: string, shown: string | undefined) => `${plug} pin ${pin}, ${state}: ${shown ?? 'not read'}`,
  read: 'read',
} as const;

/** A value of the meter, or what it moves between. */
export const VOLTS_SAID = { lowest: 'Lowest', highest: 'Highest', moves: 'It moves' } as const;
