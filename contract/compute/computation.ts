import { duplicateIds, FaultyInput, type Fault } from '@jade/core/faults';
import { checkForm, MOST_IN_DOCUMENT } from '@jade/contract/check';
import { liftDocument } from '@jade/contract/documents';

/** One calculation that the shell and the server offer under a name. */
export interface Computation {
  name: string;
  /** Names that it had before. */
  aliases: readonly string[];
  summary: string;
  /** What comes out, field by field with units. */
  output: string;
  input: new () => object;
  run: (input: unknown) => unknown;
}

/** An input whose documents are lifted to the newest version of their formats. */
function liftInside(input: unknown): unknown {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) return input;
  return Object.fromEntries(Object.entries(input).map(([field, value]) => [field, Array.isArray(value) && field === 'kits' ? value.map(liftDocument) : liftDocument(value)]));
}

/** A calculation that checks the form of its input before it works. */
export function computation<T extends object>(
  name: string,
  summary: string,
  output: string,
  input: new () => T,
  work: (input: T) => unknown,
  aliases: readonly string[] = [],
): Computation {
  const run = (written: unknown) => {
    const value = liftInside(written);
    refuse(checkForm(input, value, '', MOST_IN_DOCUMENT));
    return work(value as T);
  };
  return { name, aliases, summary, output, input, run };
}

/** Ends a calculation where something is wrong with its input. */
export function refuse(faults: Fault[]): void {
  if (faults.length > 0) throw new FaultyInput(faults);
}

/** Faults for a lamp that is named twice. */
export function lampsTwice(lamps: readonly { lamp: string }[]): Fault[] {
  const named = lamps.map(({ lamp }) => ({ id: lamp }));
  return duplicateIds(named, 'lamps').map((fault) => ({ ...fault, path: fault.path.replace(/id$/, 'lamp') }));
}
