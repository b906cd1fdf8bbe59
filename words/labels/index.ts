import type { JobLabel } from '@jade/core/job';
import type { Names } from '@jade/words/names';
import { inSentence } from '@jade/words/units';

/** What stands on a label below the plate: what it is, and what is in it or where it belongs. */
export interface LabelText {
  title: string;
  lines: string[];
}

export function sayLabel(label: JobLabel, names: Pick<Names, 'piece' | 'group'>): LabelText {
  switch (label.kind) {
    case 'keys':
      return { title: 'Keys', lines: label.where === undefined ? [] : [label.where] };
    case 'slot':
      return {
        title: `Slot ${label.slot}: ${inSentence(names.piece(label.piece))}`,
        lines: label.groups.map(({ group, count }) => `${count} × ${names.group(label.piece, group)}`),
      };
    case 'part':
      return { title: `Original: ${inSentence(names.piece(label.piece))}`, lines: label.where === undefined ? ['for the owner'] : [label.where] };
  }
}

/** Labels as they are asked for. */
export const LABELS = { print: 'Print labels' } as const;
