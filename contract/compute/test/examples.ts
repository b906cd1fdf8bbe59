import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FaultyInput } from '@jade/core/faults';

/** Where the example of every calculation stands. */
export const folder = join(import.meta.dirname, '../../../docs/formats/examples');
export const example = (name: string): Record<string, unknown> => JSON.parse(readFileSync(join(folder, `compute-${name}.json`), 'utf8')) as Record<string, unknown>;

/** The faults that an input is refused with, each with its path; none where it is taken. */
export function faultsOf(work: () => unknown): string[] {
  try {
    work();
  } catch (error) {
    if (error instanceof FaultyInput) return error.faults.map((fault) => `${fault.path} ${fault.code}`);
    throw error;
  }
  return [];
}
