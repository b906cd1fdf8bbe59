import { tally } from '../keep.ts';
import { RECORDED, type Definition } from '../definition.ts';

export interface FastenerDropped {
  piece: string;
  group: string;
  count: number;
}

export const fastenerDropped: Definition<FastenerDropped> = {
  ...RECORDED,
  timed: 'trouble',
  opposite: 'fastener.found',
  unlike: { timed: 'one that falls makes the step last longer; when it is found, its step is long over' },
  does: (state, { piece, group, count }) => void (tally(state, piece, group).dropped += count),
  names: ({ piece, group }, { atGroup }) => atGroup(piece, group),
};

export interface FastenerFound {
  piece: string;
  group: string;
  count: number;
}

export const fastenerFound: Definition<FastenerFound> = {
  ...RECORDED,
  opposite: 'fastener.dropped',
  does: (state, { piece, group, count }) => {
    const entry = tally(state, piece, group);
    entry.dropped = Math.max(0, entry.dropped - count);
  },
  names: ({ piece, group }, { atGroup }) => atGroup(piece, group),
};
