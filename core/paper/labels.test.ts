import { labelsOf } from './labels.ts';
import { contextOf, openedLog } from '../job/test/log.ts';

test('a fresh job labels its keys alone', () => {
  expect(labelsOf(contextOf(openedLog()))).toEqual([{ kind: 'keys' }]);
});

test('each slot of the tray says what came out there, each original part that is off where it is kept', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [{ group: 'bolts', count: 2 }] });
  log.add('piece.moved', { piece: 'old-lamp', level: 'off', way: 'behind', fasteners: [] });
  expect(labelsOf(contextOf(log))).toEqual([
    { kind: 'keys' },
    { kind: 'slot', slot: 1, piece: 'grille', groups: [{ group: 'bolts', count: 2 }] },
    { kind: 'part', piece: 'old-lamp' },
  ]);
  log.add('part.bagged', { piece: 'old-lamp', where: 'shelf 3' });
  expect(labelsOf(contextOf(log)).at(-1)).toEqual({ kind: 'part', piece: 'old-lamp', where: 'shelf 3' });
});
