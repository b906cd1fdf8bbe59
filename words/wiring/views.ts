export const CIRCUIT_PANEL = {
  circuit: (circuit: string, wire: string) => `${circuit} · ${wire}`,
  fuseSeen: 'Fuse seen',
  fuseLabel: 'Fuse seen in the slot',
  otherSources: 'What else could feed it',
  chooseAt: 'Choose it at',
  accepted: 'Load accepted',
  accept: 'Accept this load',
  added: (added: string) => `Added: ${added}`,
} as const;

export const EMPTY_CAVITIES = {
  title: 'Empty cavity',
  toGround: 'Contact put in and tugged, wire to a ground point',
  noCircuit: 'No circuit of this vehicle that may be used is live when it is wanted.',
  fromHere: 'Contact put in and tugged, fed from here',
} as const;

export const GROUND_POINTS = {
  title: 'Ground points',
  how: 'With a load switched on that returns over the point: from the stud to the battery’s negative, and the current. Where a sensor sits on the negative post, ground goes to the body.',
  notDescribed: 'The ground points of this vehicle are not described. Take a stud on bare metal, and measure it under load.',
  current: 'Current',
  drop: 'Drop',
} as const;

export const JOINT_LIST = {
  title: 'Joint list',
  print: 'Print',
  svg: 'Drawing, SVG',
  csv: 'List, CSV',
  json: 'Values, JSON',
  strip: (strip: string) => `, strip ${strip}`,
} as const;

export const JOINT_PANEL = {
  noPlug: 'No plug is joined here: each wire has its place.',
  with: (part: string) => `, with ${part}`,
  between: (price: string, leads: readonly string[]) => `Between them, from the shelf, ${price} each: ${leads.join(', then ')}.`,
  ownPlug: (family: string, keying: string) => `The vehicle’s own plug is ${family} ${keying}; each lead’s pins are followed.`,
  leg: (length: string) => `Leg ${length}.`,
  tapped: 'Tapped and sealed',
  wires: 'Wires joined and sealed',
  joined: 'Joined and locked',
} as const;

export const LEFTOVER_PLUGS = {
  title: 'Plugs left over',
  none: 'None: every plug of the kit finds its mate.',
  capped: 'Capped and tied away',
  others: 'Other plugs of this vehicle, and where they hide',
} as const;

export const LEG_ROUTES = {
  title: 'Ways of the legs',
  notDescribed: 'The ways for cable in this vehicle are not described: whether the legs are long enough is not known. Hold them along the way before anything is tied.',
  withStep: (kit: string) => `Laid with its fitting step: ${kit}.`,
  anotherWay: 'Another way',
  take: 'Take this way',
  toLeast: 'Back to the least labour',
  laid: 'laid',
  lay: 'Laid, tied, ends flush',
  hole: 'A hole would open other ways',
  holeWhy: 'Only where the customer agrees, and only once somebody has looked at what lies behind. It cannot be undone.',
  who: 'Who agreed to it',
  behind: 'What lies behind, as seen',
  agreed: (name: string) => `Agreed: ${name}`,
} as const;

export const PLUG_WORK = {
  rePin: 'Re-pin the kit’s plug',
  wires: 'Wire by wire',
  wiresWhy: 'The kit’s plug is cut off its lead: ask the customer and read the maker’s terms first. The vehicle’s plug stays as it is.',
  plan: 'Plan it wire by wire',
  rest: 'What the vehicle’s plug has is planned. The rest has to be fed from another source.',
} as const;

export const SOURCE_CHOICE = {
  title: 'Feed it from elsewhere',
  length: 'Length of new wire to there',
  lengthHow: 'Hold it along its way; 0 where none is needed. Then what could feed it is ranked.',
  pin: (id: string, carries: string) => `Pin ${id}, ${carries}`,
  led: (led: string) => `Led ${led}.`,
  asKit: 'As the kit has it',
  wantedLive: (states: readonly string[]) => `Wanted live in ${states.join(', ') || 'no state that is known'}.`,
  barred: (bar: string) => `Not from there: ${bar}.`,
  withLength: 'With this length',
  feedHere: 'Feed it from here',
  nothingElse: 'Nothing else of this vehicle is described or measured that could feed it.',
} as const;

export const WATCHED_LAMPS = {
  title: 'What the vehicle makes of it',
  leftSo: 'Left so',
  leave: 'Leave it so',
} as const;

export const WIRE_FLOOR = {
  allDone: 'Everything at Wire is done.',
  notProved: (pins: number) => `Nobody has proved what ${pins > 1 ? 'these wires carry' : 'this wire carries'} on this vehicle. Once it is joined, its back is hard to reach.`,
  layHow: 'Tied often, ends cut flush, nothing hot, sharp or moving beside it',
  lay: 'Laid, tied, ends flush',
  capped: 'Capped and tied away',
  prove: 'Prove it at Probe',
  later: 'Later',
  toPicture: 'To the picture',
  accept: 'Accept this load',
  then: (following: string) => `Then: ${following}.`,
  another: 'Another step',
} as const;

export const WIRE_STATION = {
  highVoltage: 'High-voltage vehicle: orange cables stay untouched. Only the 12 V side, after the maker’s isolation procedure, by people qualified for it.',
  noPlug: 'No plug of this job meets the vehicle yet. Settle the facts at Match: they decide which plugs it has.',
  next: 'Next in the picture',
  standing: 'Standing',
} as const;
