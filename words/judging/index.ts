import type { MeasureDoubt, OpeningDoubt } from '@jade/core/judging';
import type { TypedMeasure } from '@jade/core/units';
import { millimetres, minutes, volts } from '@jade/words/units';

/** Warning lamps that are lit, as a list. */
export const sayWarnings = (lit: readonly string[]): string => (lit.length === 0 ? 'none lit' : lit.join(', '));

/** What makes one wonder about a measure, and what to do. */
export function sayDoubt(doubt: MeasureDoubt): string {
  switch (doubt.code) {
    case 'other system':
      return `No battery of ${doubt.systemV} V: read it again, on the posts.`;
    case 'battery low':
      return `Below ${volts(doubt.leastV, 1)}: charge it before anything is tried with the ignition on.`;
    case 'not at rest':
      return `Above ${volts(doubt.mostV, 1)}: it was charged just now. Lamps on for a minute, then read it again.`;
    case 'outside':
      return `Meant to be ${millimetres(doubt.nominalMm, 1)} ± ${millimetres(doubt.toleranceMm, 1)}.`;
    case 'changed':
      return `It was ${millimetres(doubt.beforeMm, 1)} on arrival.`;
    case 'uneven':
      return `The other side has ${millimetres(doubt.otherMm, 1)}.`;
    case 'alike':
      return `The same as ${doubt.count - 1} others: is each of them measured?`;
    case 'no code':
      return `Lit: ${sayWarnings(doubt.lit)}. No fault code is stored: read both again, with everything running.`;
    case 'lens uneven':
      return `The other side: ${doubt.other}. Was one of the two renewed?`;
    case 'lens better':
      return `It came with ${doubt.before}: was it polished or renewed?`;
    case 'no time':
      return 'It takes some time: how much?';
    case 'long':
      return `More than ${minutes(doubt.likelyMin)} for this alone?`;
  }
}

/** How a measure that makes one wonder is kept. */
export const DOUBTED = { why: 'Why it is so', keep: 'Keep it', again: 'Measure again', look: 'Look again' } as const;

/** What cannot be read of a measure as it was typed. */
export function sayTyped(typed: Extract<TypedMeasure, { fault: string }>, unit: string): string {
  return typed.fault === 'unit' ? `“${typed.unit}” is no measure here: write it in ${unit}${unit === 'mm' ? ', or in inches as 4 1/2 in' : ''}.` : `Write a number in ${unit}.`;
}

/** What makes one wonder about a job that is to be opened. */
export const OPENING_DOUBTS: Readonly<Record<OpeningDoubt, string>> = {
  'promise past': 'That time is past: promise one that is still to come.',
  'job open': 'This vehicle has a job that is still open. Another kit can be fitted with it, while everything is open anyway.',
};
export const SECOND_JOB = { go: 'Go to the open job', second: 'A second job is meant' } as const;
