import { plural } from '@jade/words/units';

export const MATCH_STATION = {
  factsLeft: (facts: number) => `${plural(facts, 'fact')} left that could change what is needed; the quickest look first.`,
  why: 'Why',
  opening: (name: string) => `${name}: lamp in its opening`,
  options: 'Options and what they bring',
  needed: 'Needed from the box because of these facts',
  undecided: (item: string) => `? ${item}, hangs on what is not known`,
  contentsUnknown: 'Nobody has described what is in its box: it is counted at Gather.',
  nothingBeyond: 'Nothing beyond the standard contents.',
  confirmed: 'Match confirmed',
  confirm: 'Confirm this match',
  held: 'It was held against the vehicle, and goes',
} as const;
