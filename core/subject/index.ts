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
