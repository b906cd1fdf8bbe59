import type { Judged } from '@jade/core/job';
import { inSentence, plural } from '@jade/words/units';

const listed = (pieces: readonly string[]) => pieces.map((name, index) => (index === 0 ? name : inSentence(name))).join(', ');

/** What was said of pieces that were opened, in a line: what could have stayed on, how far was enough, how many had to be open. */
export function sayJudged(pieces: readonly Judged[], name: (piece: string) => string): string {
  const spare = pieces.filter(({ enough }) => enough === 'fitted').map(({ piece }) => name(piece));
  const needed = pieces.filter(({ enough }) => enough === 'needed').map(({ piece }) => name(piece));
  const further = pieces.filter(({ enough }) => enough !== 'fitted' && enough !== 'needed');
  return [
    ...(spare.length > 0 ? [`Could have stayed on: ${listed(spare)}`] : []),
    ...further.map(({ piece, enough }) => `${name(piece)}: ${enough} was enough`),
    ...(needed.length > 0 ? [needed.length > 2 ? `${plural(needed.length, 'piece')} had to be open` : `Had to be open: ${listed(needed)}`] : []),
  ].join('; ');
}

export const JUDGE = {
  title: 'What could have stayed on?',
  why: 'Tap what could have stayed on for what was done behind it, all of it together. From this the shop learns how little has to come off.',
  none: 'Nothing that was opened could have stayed on',
  readBack: 'Read it back',
  isIt: 'Is that so?',
  spare: (pieces: readonly string[]) => `Could all together have stayed on: ${listed(pieces)}.`,
  needed: (pieces: readonly string[]) => `Had to be open: ${listed(pieces)}.`,
  yes: 'So it is',
  change: 'Change it',
  later: 'Not known',
  enough: (piece: string) => `${piece}: how far would have been enough?`,
  asFar: (level: string) => `${level}, as it was`,
  wasEnough: (piece: string, level: string) => `${piece}: ${level} was enough.`,
  said: 'Said of what was opened',
  anew: 'Say it anew',
} as const;
