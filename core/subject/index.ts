export * from './stations.ts';

/** What a gate, an exception or a step is about: one kind of thing with the ids that name it. */
export type Subject =
  | { kind: 'piece'; piece: string; level: string }
  | { kind: 'supply'; supply: string; to: string }
  | { kind: 'test'; kit: string; test: string }
  | { kind: 'aim'; kit: string; lamp: string }
  | { kind: 'fit'; kit: string; step: string }
  | { kind: 'joint'; kit: string; connection: string }
  | { kind: 'content'; kit: string; item: string }
  | { kind: 'plug'; connection: string }
  | { kind: 'cap'; plug: string }
  | { kind: 'leg'; kit: string; leg: string }
  /** Something of a dropped kit that is taken out again, as in `joint/left-plug`. */
  | { kind: 'out'; kit: string; what: string }
  | { kind: 'wire'; plug: string; pin: string }
  | { kind: 'open-wire'; plug: string; pin: string }
  | { kind: 'lamp-wire'; kit: string; wire: string }
  | { kind: 'sensor'; sensor: string }
  | { kind: 'tray'; piece: string; group: string }
  | { kind: 'dropped'; piece: string; group: string }
  /** Places of fasteners that broke and were not renewed; fasteners that are to be used once and went back. */
  | { kind: 'wanting'; piece: string; group: string }
  | { kind: 'again'; piece: string; group: string }
  /** A test of a kit, with everything closed. */
  | { kind: 'closed'; kit: string; test: string }
  /** Two entries that contradict each other, by the later one. */
  | { kind: 'entry'; entry: string }
  | { kind: 'function'; lamp: string }
  | { kind: 'code'; code: string }
  | { kind: 'setting'; supply: string; setting: string }
  | { kind: 'number' }
  | { kind: 'codes' }
  /** Warning lamps of the instrument panel: that they are read, one that is lit, some that are lit without a code. */
  | { kind: 'warnings'; moment: string }
  | { kind: 'warning'; lamp: string }
  | { kind: 'uncoded'; moment: string }
  /** Lenses that are to be graded, and one of them. */
  | { kind: 'lenses'; moment: string }
  | { kind: 'lens'; lamp: string }
  /** The floor that is aimed on. */
  | { kind: 'floor' }
  /** The vehicle as it came, as it leaves; damage, by the entry that noted it. */
  | { kind: 'arrival' }
  | { kind: 'leaving' }
  /** A paper that came with a kit. */
  | { kind: 'paper'; kit: string; paper: string }
  | { kind: 'damage'; entry: string }
  /** A plug of the vehicle. */
  | { kind: 'face'; plug: string }
  /** What nobody has described: a list of the profile, or how a kit is wired, fitted or aimed on this kind of vehicle. */
  | { kind: 'undescribed'; list: string }
  | { kind: 'unplaced'; kit: string; what: string }
  /** A list of a kit that nobody has described. */
  | { kind: 'kit-list'; kit: string; list: string }
  | { kind: 'log' };

/** The one text under which a subject is kept and compared: its kind, then its ids. */
export function key(subject: Subject): string {
  const { kind, ...ids } = subject;
  const list = Object.values(ids);
  return list.length === 0 ? kind : `${kind}:${list.join('/')}`;
}

/** Whether two subjects are the same. */
export function same(one: Subject, other: Subject): boolean {
  return key(one) === key(other);
}

/** The ids of each kind, in the order in which its key has them. */
const IDS: Readonly<Record<Subject['kind'], readonly string[]>> = {
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
  setting: ['supply', 'setting'],
  number: [],
  codes: [],
  warnings: ['moment'],
  warning: ['lamp'],
  uncoded: ['moment'],
  lenses: ['moment'],
  lens: ['lamp'],
  floor: [],
  arrival: [],
  leaving: [],
  paper: ['kit', 'paper'],
  damage: ['entry'],
  face: ['plug'],
  undescribed: ['list'],
  unplaced: ['kit', 'what'],
  'kit-list': ['kit', 'list'],
  log: [],
};
const KINDS = Object.keys(IDS) as Subject['kind'][];

/** The subject of a key, undefined where it is the key of none. */
export function subjectOf(kept: string): Subject | undefined {
  const kind = KINDS.find((candidate) => kept === candidate || kept.startsWith(`${candidate}:`));
  if (!kind) return undefined;
  const ids = kept.slice(kind.length + 1);
  const fields = IDS[kind];
  const parts = fields.length < 2 ? [ids] : [ids.slice(0, ids.indexOf('/')), ids.slice(ids.indexOf('/') + 1)];
  const subject = { kind, ...Object.fromEntries(fields.map((field, index) => [field, parts[index] ?? ''])) } as Subject;
  return key(subject) === kept ? subject : undefined;
}
