import { newestVersion } from '@jade/core/log';
import { demoDocument } from '../test/shop.ts';

/** Type and payload of an event. */
export type Example = [string, Record<string, unknown>];

/** One of each kind of event that the demo's logs hold, as they are right. */
export const EVENT_EXAMPLES: Example[] = [
  ...new Map(
    (demoDocument('shop.json').jobs as { log: { type: string; payload: Record<string, unknown> }[] }[]).flatMap((job) =>
      job.log.map((entry): [string, Example] => [entry.type, [entry.type, entry.payload]]),
    ),
  ).values(),
  ['undone', { event: '019500d0-0000-7000-8000-000000000001' }],
  [
    'accessory.found',
    { accessory: 'winch-mount', name: 'Winch mount', side: 'left', zone: 'front', holds: ['grille'], openMin: 2, closeMin: 3, people: 1, drive: 'hex', count: 2 },
  ],
  [
    'kind.described',
    {
      pieces: [
        {
          id: 'splash-shield-x7k2',
          name: 'Splash shield',
          side: 'left',
          zone: 'front',
          box: { xMm: [300, 600], yMm: [500, 900], zMm: [200, 600] },
          levels: [{ level: 'off', openMin: 3, closeMin: 3, people: 1, ways: [{ id: 'seen', needs: [], extraMin: 0 }] }],
          fasteners: [],
          cautions: [],
        },
      ],
      whole: ['functions'],
    },
  ],
  [
    'kit.described',
    {
      kit: 'cairn-fen-pair',
      contents: [{ id: 'spacers', name: 'Spacers', kind: 'other', count: 4, spareAllowed: false }],
      whole: ['tests'],
    },
  ],
  ['position.set', { kind: 'raised', place: 'front' }],
  ['piece.found', { piece: 'tow-eye-cover', level: 'off' }],
  ['piece.wanted', { piece: 'grille', level: 'off' }],
  ['opening.enough', { kits: ['cairn-fen-pair'] }],
  ['work.paused', {}],
  ['work.resumed', {}],
  ['job.reopened', { why: 'looked at again' }],
];

/** An example as an event of its own. */
export function sample([type, payload]: Example, id: string) {
  return { id, type, v: newestVersion(type), at: '2026-03-05T08:30:00Z', payload };
}
