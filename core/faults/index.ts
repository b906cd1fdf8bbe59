/** What is wrong with a document or a request, and where: `path` is as in `pieces[3].levels[0].openMin`. */
export interface Fault {
  path: string;
  code: FaultCode;
  data: Record<string, string | number>;
}

export type FaultCode =
  | 'type'
  | 'missing'
  | 'unknown-field'
  | 'unit'
  | 'range'
  | 'choice'
  | 'length'
  | 'duplicate-id'
  | 'unknown-id'
  | 'own-level'
  | 'open-falls'
  | 'unreachable-level'
  | 'no-levels'
  | 'refit-cycle'
  | 'condition-shape'
  | 'span-order'
  | 'unknown-kind'
  | 'unknown-name'
  | 'not-json'
  | 'too-large'
  | 'unknown-event'
  | 'pin-outside-face'
  | 'pin-place-twice'
  | 'mark-without-supply'
  | 'isolation-asks-dead'
  | 'caution-without-mark'
  | 'place-taken'
  | 'circuit-unprotected'
  | 'voltage-impossible'
  | 'fuse-above'
  | 'never-used'
  | 'option-changes-nothing'
  | 'not-its-relay'
  | 'tap-dead'
  | 'replaced-not-off'
  | 'torque-without-thread'
  | 'bands'
  | 'too-deep'
  | 'not-available'
  | 'too-often'
  | 'too-heavy'
  | 'busy'
  | 'failed'
  | 'no-lead'
  | 'not-let-in'
  | 'name-twice'
  | 'line-twice'
  | 'no-column'
  | 'plate-known'
  | 'kind-known'
  | 'kit-known'
  | 'number-known'
  | 'not-csv'
  | 'one-of'
  | 'role'
  | 'reserved'
  | 'other-session'
  | 'not-undoable'
  | 'undone-already'
  | 'no-session'
  | 'code-unknown'
  | 'link-shut'
  | 'itself'
  | 'other-kind'
  | 'other-number'
  | 'camera-records'
  | 'other-hash'
  | 'too-many-photos'
  | 'conflict';

/** A structural fault of an input; nothing of it was taken. */
export class FaultyInput extends Error {
  constructor(readonly faults: Fault[]) {
    super(faults.map((fault) => `${fault.path}: ${fault.code}`).join('; '));
    this.name = 'FaultyInput';
  }
}

/** Faults for every id that stands twice in a list. */
export function duplicateIds(items: readonly { id: string }[], path: string): Fault[] {
  const seen = new Set<string>();
  const faults: Fault[] = [];
  items.forEach((item, index) => {
    if (seen.has(item.id)) faults.push({ path: `${path}[${index}].id`, code: 'duplicate-id', data: { id: item.id } });
    seen.add(item.id);
  });
  return faults;
}

/** A fault where an id is not among the known ones. */
export function unknownId(id: string | undefined, known: ReadonlySet<string>, path: string, what: string): Fault[] {
  if (id === undefined || known.has(id)) return [];
  return [{ path, code: 'unknown-id', data: { id, what } }];
}
