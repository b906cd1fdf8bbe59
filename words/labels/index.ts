import type { JobLabel } from '@jade/core/paper';
import type { Names } from '@jade/words/names';
import { inSentence, plural } from '@jade/words/units';

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
export const LABELS = {
  print: 'Print labels',
  title: (count: number) => `${plural(count, 'label')}: keys, slots of the tray, original parts`,
  sheet: 'Labels on a sheet',
  sheetOf: (labels: string, paper: string) => `${labels} on ${paper}`,
  first: 'Tap the first place that is still free.',
  page: 'The sheet, from its top',
  place: (place: number, is: 'used' | 'printed' | 'left') => `Place ${place}, ${{ used: 'used up', printed: 'will be printed', left: 'stays free' }[is]}`,
  open: 'Open the sheet to print',
  leave: 'Leave it',
} as const;
