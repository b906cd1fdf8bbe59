import { typesOfWork, WORKS } from '../events/index.ts';
import type { With } from './entries.ts';
import type { WhoLine } from './sheet.ts';

/** Who did which work. */
export function whoLines({ said }: With): WhoLine[] {
  return WORKS.flatMap((work): WhoLine[] => {
    const { people, from } = said.people(typesOfWork(work));
    return people.length > 0 ? [{ work, people, from }] : [];
  });
}
