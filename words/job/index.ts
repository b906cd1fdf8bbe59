import { sayEvent } from '@jade/words/events';
import type { LoggedEvent, OpenQuestion } from '@jade/core/events';
import type { PartToOrder } from '@jade/core/job';
import { isScrewed, type FastenerGroup, type Release, type Tightening } from '@jade/core/vehicle';
import { type Names } from '@jade/words/names';
import { amount, millimetres } from '@jade/words/units';

/** How what is not screwed goes home. */
const HOME: Record<Exclude<Release, 'unscrew'>, string> = {
  'pull out': 'pressed home',
  'push centre': 'pressed home, centre flush',
  'centre out first': 'pressed home, centre in last',
  'squeeze tabs': 'in until it clicks',
  slide: 'slid home, lock closed',
  turn: 'turned home by hand',
  'lift then pull': 'in until it catches',
};

/** How a fastener goes back: what is screwed by its torque with the source, or snug in what it goes into; what is not, by how it goes home. */
export function sayHome({ release, tighten }: { release: Release; tighten: Tightening }): string {
  if (!isScrewed(release)) return HOME[release];
  const again = tighten.recheckKm === undefined ? '' : `, once more after ${amount(tighten.recheckKm, 'km')}`;
  if (tighten.torqueNm !== undefined) return `${amount(tighten.torqueNm, 'Nm', Number.isInteger(tighten.torqueNm) ? 0 : 1)} (${tighten.source ?? 'no source'})${again}`;
  return tighten.snug ? `snug, in ${tighten.snug}` : 'snug, by hand';
}

/** The sentence for a question the log leaves open. */
export function sayQuestion(question: OpenQuestion, names: Names): string {
  switch (question.code) {
    case 'event-before-opening':
      return 'An entry came before the job was opened.';
    case 'second-opening':
      return 'The job was opened a second time.';
    case 'more-back-than-out':
      return `${names.piece(question.piece)}: more ${names.group(question.piece, question.group)} went back than came out.`;
    case 'late-event':
      return 'An entry came after the job was signed.';
    case 'contradicted':
      return 'Two people said otherwise of the same thing within a minute.';
  }
}

/** Why a fastener is wanted new. */
export const PART_WHY: Record<PartToOrder['why'], string> = {
  'single use': 'used once only',
  broken: 'broken',
  seized: 'seized',
  'too short': 'the vehicle’s own are too short for the kit’s part',
};

/** What goes back in place of fasteners that came out; nothing where they go back themselves. */
export function sayNew(parts: readonly PartToOrder[], piece: string, group: FastenerGroup): string {
  const longer = parts.find((part) => part.why === 'too short' && part.piece === piece && part.group.id === group.id);
  if (longer?.group.lengthMm !== undefined) return `take new ones of ${millimetres(longer.group.lengthMm)}, through the kit’s part`;
  return group.singleUse ? 'take new ones' : '';
}

/** What cannot be undone on a vehicle, and who agreed to it. */
export const CONSENT = {
  caution: 'This cannot be undone. Whose vehicle it is agrees to it beforehand, by name.',
  ask: 'Write down who agreed',
  title: 'Consent',
  label: 'Who agreed to it, and how',
  record: 'Record the consent',
} as const;
export const sayConsent = (by: string): string => `Agreed to: ${by}`;

/** One line of the log with who made it, where that is known. */
export function sayLogLine(event: LoggedEvent, names: Names, benchName: (id: string) => string): string {
  const said = event.type === 'job.assigned' && event.payload.person !== undefined ? `Given to ${benchName(event.payload.person)}` : sayEvent(event, names);
  return event.person === undefined ? said : `${benchName(event.person)}: ${said}`;
}

/** Two entries of which the one contradicts the other: who said what. */
export function sayContradiction(entries: readonly LoggedEvent[], names: Names, benchName: (id: string) => string): string {
  return `${entries.map((event) => sayLogLine(event, names, benchName)).join('. ')}. Within a minute: look again together, and say it once more.`;
}

/** What stands in the place of what holds a job, where its log cannot be read. */
export const UNREADABLE = 'This job cannot be read: npm run check says where its log is damaged';

export * from './views.ts';
