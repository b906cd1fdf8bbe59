import type { EventType } from '../events/index.ts';
import type { With } from './entries.ts';
import type { WhoLine, Work } from './sheet.ts';

const MADE_BY: Readonly<Record<Work, readonly EventType[]>> = {
  arrival: ['baseline.tried', 'battery.measured', 'number.recorded', 'damage.noted'],
  opening: ['piece.moved'],
  wiring: ['plug.joined', 'plug.capped', 'leg.laid', 'cavity.populated', 'contacts.moved'],
  fitting: ['step.passed'],
  testing: ['test.tried', 'reading.taken'],
  aiming: ['aim.measured'],
  leaving: ['final.tested', 'final.tried'],
};

/** Who did which work. */
export function whoLines({ said }: With): WhoLine[] {
  return (Object.entries(MADE_BY) as [Work, readonly EventType[]][]).flatMap(([work, types]): WhoLine[] => {
    const { people, from } = said.people(types);
    return people.length > 0 ? [{ work, people, from }] : [];
  });
}
