import type { LinesOf } from './lines-of.ts';
import { amount, inSentence } from '@jade/words/units';

/** Lines of the family, as the log shows them. */
export const FASTENERS_LINES: LinesOf<'fasteners'> = {
  'fastener.seized': ({ piece, group, count, addMin, why }, names) =>
    `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} seized, ${amount(addMin, 'min')} more${why ? `, ${why}` : ''}`,
  'fastener.broken': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} broken`,
  'fastener.renewed': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} put in new`,
  'fastener.dropped': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} dropped`,
  'fastener.found': ({ piece, group, count }, names) => `${count} × ${names.group(piece, group)} of ${inSentence(names.piece(piece))} found`,
};
