import { tally } from '../keep.ts';
import { DONE, type Definition } from '../definition.ts';
import { wanting } from '../state.ts';

export interface FastenerBroken {
  piece: string;
  group: string;
  count: number;
}

export const fastenerBroken: Definition<FastenerBroken> = {
  ...DONE,
  timed: 'trouble',
  opposite: 'fastener.renewed',
  unlike: { timed: 'one that breaks makes the step last longer; a new one goes in with the step' },
  does: (state, { piece, group, count }) => void (tally(state, piece, group).broken += count),
  names: ({ piece, group }, { atGroup }) => atGroup(piece, group),
};

/** New ones put in: in the place of broken ones first, else of ones that came out whole and are not used again. */
export interface FastenerRenewed {
  piece: string;
  group: string;
  count: number;
}

export const fastenerRenewed: Definition<FastenerRenewed> = {
  ...DONE,
  opposite: 'fastener.broken',
  does: (state, { piece, group, count }, event) => {
    const entry = tally(state, piece, group);
    entry.spent += Math.max(0, count - wanting(entry));
    entry.renewed += count;
    if (entry.back + entry.broken + entry.spent > entry.out) state.questions.push({ code: 'more-back-than-out', event: event.id, piece, group });
  },
  names: ({ piece, group }, { atGroup }) => atGroup(piece, group),
};
