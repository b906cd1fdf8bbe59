import type { FitStep } from '@jade/core/kit';
import type { Supply, VehicleProfile } from '@jade/core/vehicle';
import type { Names } from '@jade/words/names';
import { inSentence, minutes, plural } from '@jade/words/units';

/** The work card: a job on paper. */
export const CARD = {
  title: 'Work card',
  show: 'Work card',
  print: 'Print',
  back: 'Back to the job',
  vehicle: ({ maker, model }: Pick<VehicleProfile, 'maker' | 'model'>, customer: string) => `${maker} ${model} · ${customer}`,
  kits: (names: readonly string[]) => (names.length === 0 ? 'No kit is fitted on this job.' : `To fit: ${names.join(', ')}.`),
  planning: 'The way in is still being worked out: print once it stands here.',
  drawing: (view: string) => `What comes off, from the ${view}`,
  out: 'Off, in this order',
  givenUp: (why: string) => `The kits are not fitted after all: ${why}. What is open goes back.`,
  unsettled: 'Not settled when this card was made, and it can change what is on it:',
  alreadyOpen: (count: number) => `${plural(count, 'step')} done before this card was made ${count === 1 ? 'is' : 'are'} not on it.`,
  nothingOut: 'Nothing is planned to come off.',
  notDescribed: 'The pieces of this vehicle are not described: what has to come off is not known.',
  ownLock: 'its own lock',
  people: (people: number) => (people > 1 ? ` · ${plural(people, 'person', 'people')}` : ''),
  first: 'First:',
  wayOut: 'Way out:',
  fit: (kit: string) => `Fit and test: ${kit}`,
  fits: {
    no: 'It does not fit this vehicle: see Match.',
    'not settled': 'Whether it fits is not settled: see Match.',
    'not described': 'How it is fitted is not described: what its maker says holds.',
  },
  alreadyDone: (count: number) => `${plural(count, 'step or test', 'steps and tests')} behind the job ${count === 1 ? 'is' : 'are'} not on it.`,
  wired: 'Plugs, joints, wires and fuses are on the wiring paper of the job.',
  forGood: 'It cannot be undone: the customer agrees first, with a name.',
  fitStep: ({ tool, tighten, minutes: takes }: Pick<FitStep, 'tool' | 'tighten' | 'minutes'>) => [tool, tighten, minutes(takes)].filter(Boolean).join(' · '),
  test: (name: string) => `Test: ${name}`,
  in: 'Back, in this order',
  nothingBack: 'Nothing has to go back.',
  before: 'Before it:',
  gate: 'Now:',
  home: (count: number, fastener: string, home: string) => `${count} × ${fastener}: ${home}`,
  tools: 'Tools',
  notRecorded: 'A tick on paper is not recorded. What was done and counted is tapped at the job, where it is checked.',
} as const;

/** Until when, and when the card was made. */
export const sayCardHead = (promised: string | undefined, made: string): string =>
  `${promised === undefined ? 'Nothing is promised' : `Promised for ${promised}`} · card made ${made}`;

/** Fasteners of a step in a line. */
export const sayCardFasteners = (groups: readonly { count: number; name: string; place: string; singleUse: boolean }[]): string =>
  groups.map(({ count, name, place, singleUse }) => `${count} × ${name}, ${place}${singleUse ? ', once only' : ''}`).join('; ');

/** What a step isolates, by whom, and how long until it counts as dead. */
export function sayIsolates(supply: Pick<Supply, 'id' | 'by' | 'waitMin'> | undefined, names: Pick<Names, 'supply'>): string {
  if (!supply) return '';
  const by = supply.by === 'anyone' ? '' : ` By ${supply.by}, by the maker’s procedure.`;
  return `It isolates ${inSentence(names.supply(supply.id))}: dead only ${minutes(supply.waitMin)} later, and looked at before anything is touched.${by}`;
}
