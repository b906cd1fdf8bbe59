import { barePiece } from '../test/bare-profile.ts';
import type { FastenerGroup } from '../vehicle/index.ts';
import { jobContext, partsToOrder, type JobContext } from '../job/index.ts';
import { traySlots } from './index.ts';
import { openedLog, PAIR, RULES, VAN, type TestLog } from '../job/test/log.ts';

const [bolts] = VAN.pieces[0]?.fasteners ?? [];
if (!bolts) throw new Error('no bolts');
const group = (id: string, part: Partial<FastenerGroup>): FastenerGroup => ({ ...bolts, id, ...part });
const trim = barePiece('trim', {
  levels: [
    { level: 'loosened', openMin: 1, closeMin: 1, people: 1, ways: [{ id: 'w', needs: [], extraMin: 0 }] },
    { level: 'off', openMin: 2, closeMin: 2, people: 1, ways: [{ id: 'w', needs: [], extraMin: 0 }] },
  ],
  fasteners: [
    group('short', { lengthMm: 16, drive: 'six-lobe', size: 'T20' }),
    group('clip', { drive: 'hook', size: undefined, count: 4, atLevel: 'loosened', singleUse: true }),
    group('long', { lengthMm: 30, drive: 'six-lobe', size: 'T20' }),
    group('wide', { drive: 'hex', size: '8 mm' }),
  ],
});
const profile = { ...VAN, pieces: [...VAN.pieces.map((piece) => (piece.id === 'old-lamp' ? { ...piece, fasteners: [group('pins', { count: 3 })] } : piece)), trim] };
const contextOf = (log: TestLog): JobContext => jobContext(log.state, { profile, kits: [PAIR], rules: RULES, year: 2022 });
const counted = (...ids: string[]) => ids.map((id) => ({ group: id, count: 2 }));

test('slots are numbered as the pieces came off, one drive beside the other with the longest first, and keep their number', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'trim', level: 'loosened', way: 'w', fasteners: counted('clip') });
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: counted('bolts') });
  log.add('piece.moved', { piece: 'trim', level: 'off', way: 'w', fasteners: counted('short', 'long', 'wide') });
  const lines = () => traySlots(contextOf(log)).map((slot) => [slot.slot, slot.piece, slot.group, slot.left]);
  expect(lines()).toEqual([
    [1, 'trim', 'wide', 2],
    [1, 'trim', 'clip', 2],
    [1, 'trim', 'long', 2],
    [1, 'trim', 'short', 2],
    [2, 'grille', 'bolts', 2],
  ]);
  log.add('piece.moved', { piece: 'trim', level: 'fitted', fasteners: [{ group: 'wide', count: 1 }, ...counted('long', 'short', 'clip')] });
  expect(lines()).toEqual([
    [1, 'trim', 'wide', 1],
    [1, 'trim', 'clip', 0],
    [1, 'trim', 'long', 0],
    [1, 'trim', 'short', 0],
    [2, 'grille', 'bolts', 2],
  ]);
  expect(traySlots(contextOf(log))[0]).toMatchObject({ out: 2, back: 1, broken: 0, dropped: 0, fastener: { id: 'wide' } });
});

test('of a piece that a kit takes the place of nothing is left to go back; what the documents no longer have stands by its id', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'old-lamp', level: 'off', way: 'w', fasteners: [{ group: 'pins', count: 3 }] });
  log.add('piece.moved', { piece: 'gone', level: 'off', way: 'w', fasteners: [{ group: 'rivets', count: 5 }] });
  expect(traySlots(contextOf(log)).map(({ slot, piece, group: id, out, left, fastener }) => [slot, piece, id, out, left, fastener?.id])).toEqual([
    [1, 'old-lamp', 'pins', 3, 0, 'pins'],
    [2, 'gone', 'rivets', 5, 5, undefined],
  ]);
});

test('new fasteners are those used once that came out, those that broke and those seized, each once and no more than there are', () => {
  const log = openedLog();
  const parts = () => partsToOrder(contextOf(log), undefined).map(({ piece, group: { id }, count, why }) => [piece, id, count, why]);
  expect(parts()).toEqual([]);
  log.add('piece.moved', { piece: 'trim', level: 'loosened', way: 'w', fasteners: counted('clip') });
  expect(parts()).toEqual([['trim', 'clip', 4, 'single use']]);
  log.add('fastener.broken', { piece: 'trim', group: 'clip', count: 1 });
  log.add('fastener.seized', { piece: 'trim', group: 'clip', count: 1, addMin: 2 });
  log.add('fastener.broken', { piece: 'trim', group: 'long', count: 1 });
  log.add('fastener.broken', { piece: 'grille', group: 'bolts', count: 5 });
  log.add('fastener.seized', { piece: 'grille', group: 'bolts', count: 1, addMin: 2 });
  log.add('fastener.seized', { piece: 'grille', group: 'bolts', count: 4, addMin: 2 });
  log.add('fastener.seized', { piece: 'trim', group: 'wide', count: 1, addMin: 2 });
  expect(parts()).toEqual([
    ['grille', 'bolts', 2, 'broken'],
    ['grille', 'bolts', 2, 'seized'],
    ['trim', 'clip', 4, 'single use'],
    ['trim', 'long', 1, 'broken'],
    ['trim', 'wide', 1, 'seized'],
  ]);
});
