import { barePiece } from '../test/bare-profile.ts';
import type { Supply, VehicleProfile } from '../vehicle/index.ts';
import { jobContext, keepingDead, openingMoves, suppliesAfter, suppliesNow, supplyBars, type JobContext } from './index.ts';
import { planOpening } from '../plan/index.ts';
import { openedLog, PAIR, RULES, VAN, type TestLog } from './test/log.ts';

const LOW: Supply = { id: 'low', name: 'Battery', piece: 'battery', level: 'folded', waitMin: 5, liveMin: 1, by: 'anyone', before: [], forgets: ['Clock', 'Window'] };
const HIGH: Supply = { ...LOW, id: 'high', name: 'Lever', piece: 'lever', level: 'off', waitMin: 10, forgets: [] };
const level = (name: 'loosened' | 'folded' | 'off', deadWhileOpen?: ('low' | 'high')[]) => ({
  level: name,
  openMin: 1,
  closeMin: 1,
  people: 1,
  ways: [{ id: 'w', needs: [], extraMin: 0 }],
  ...(deadWhileOpen ? { deadWhileOpen } : {}),
});
const POWERED: VehicleProfile = {
  ...VAN,
  supplies: [LOW, HIGH],
  pieces: [
    ...VAN.pieces,
    barePiece('battery', { levels: [level('loosened'), level('folded'), level('off')] }),
    barePiece('lever'),
    barePiece('airbag', { levels: [level('loosened'), level('off', ['low'])] }),
  ],
};
const contextOf = (log: TestLog): JobContext => jobContext(log.state, { profile: POWERED, kits: [PAIR], rules: RULES, year: 2022 });
function at<T extends Parameters<TestLog['add']>[0]>(log: TestLog, time: string, type: T, payload: Parameters<typeof log.add<T>>[1]): void {
  log.add(type, payload);
  Object.assign(log.events.at(-1) ?? {}, { at: `2026-03-05T${time}:00Z` });
}
const low = (log: TestLog) => suppliesNow(contextOf(log)).find(({ supply }) => supply.id === 'low');

test('a supply is live until its piece is at the level that isolates it; dead counts from then with its wait', () => {
  const log = openedLog();
  expect(low(log)).toEqual({ supply: LOW, is: 'live', wasDead: false, forgotten: [] });
  at(log, '09:00', 'piece.moved', { piece: 'battery', level: 'loosened', way: 'w', fasteners: [] });
  expect(low(log)).toMatchObject({ is: 'live', wasDead: false });
  expect(low(log)).not.toHaveProperty('deadAt');
  at(log, '09:10', 'piece.moved', { piece: 'battery', level: 'folded', way: 'w', fasteners: [] });
  expect(low(log)).toEqual({ supply: LOW, is: 'dead', deadAt: '2026-03-05T09:15:00.000Z', wasDead: true, forgotten: ['Clock', 'Window'] });
  expect(suppliesNow(contextOf(log)).map(({ supply, is }) => [supply.id, is])).toEqual([
    ['low', 'dead'],
    ['high', 'live'],
  ]);
});

test('what came last counts: the word of the supply, or the move of the piece that isolates it', () => {
  const log = openedLog();
  at(log, '09:00', 'supply.set', { supply: 'low', is: 'dead' });
  expect(low(log)).toMatchObject({ is: 'dead', deadAt: '2026-03-05T09:05:00.000Z', wasDead: true });
  at(log, '09:20', 'piece.moved', { piece: 'battery', level: 'off', way: 'w', fasteners: [] });
  expect(low(log)).toMatchObject({ is: 'dead', deadAt: '2026-03-05T09:25:00.000Z' });
  at(log, '09:30', 'piece.moved', { piece: 'battery', level: 'fitted', fasteners: [] });
  expect(low(log)).toMatchObject({ is: 'live', wasDead: true });
  at(log, '09:40', 'supply.set', { supply: 'low', is: 'dead' });
  expect(low(log)?.is).toBe('dead');
  at(log, '09:50', 'supply.set', { supply: 'low', is: 'live' });
  expect(low(log)?.is).toBe('live');
});

test('what the vehicle forgot stays forgotten until it is set again, each by itself, and is forgotten anew', () => {
  const log = openedLog();
  at(log, '09:00', 'supply.set', { supply: 'low', is: 'dead' });
  at(log, '09:10', 'supply.set', { supply: 'low', is: 'live' });
  at(log, '09:11', 'setting.restored', { supply: 'low', setting: 'Window' });
  expect(low(log)?.forgotten).toEqual(['Clock']);
  at(log, '09:12', 'supply.set', { supply: 'low', is: 'dead' });
  expect(low(log)?.forgotten).toEqual(['Clock', 'Window']);
});

test('a dead ask is barred while it is live and while it waits, a live one while it is dead and while a piece keeps it so', () => {
  const log = openedLog();
  const bars = (is: 'dead' | 'live', time = '10:00', supply: 'low' | 'high' = 'low') => supplyBars(contextOf(log), [{ supply, is }], `2026-03-05T${time}:00Z`);
  expect([bars('dead'), bars('live')]).toEqual([[{ code: 'supply-live', supply: 'low', piece: 'battery' }], []]);
  at(log, '10:00', 'supply.set', { supply: 'low', is: 'dead' });
  expect(bars('dead', '10:04')).toEqual([{ code: 'supply-waits', supply: 'low', until: '2026-03-05T10:05:00.000Z' }]);
  expect([bars('dead', '10:05'), bars('live')]).toEqual([[], [{ code: 'supply-dead', supply: 'low', piece: 'battery' }]]);
  at(log, '10:10', 'supply.set', { supply: 'low', is: 'live' });
  at(log, '10:11', 'piece.moved', { piece: 'airbag', level: 'loosened', way: 'w', fasteners: [] });
  expect([bars('live'), keepingDead(contextOf(log), 'low')]).toEqual([[], []]);
  at(log, '10:12', 'piece.moved', { piece: 'airbag', level: 'off', way: 'w', fasteners: [] });
  expect(bars('live')).toEqual([{ code: 'kept-dead', supply: 'low', piece: 'airbag' }]);
  expect([bars('live', '10:20', 'high'), keepingDead(contextOf(log), 'high')]).toEqual([[], []]);
  // Two asks, two bars; a supply that the profile does not describe holds nothing back.
  const both = [
    { supply: 'low' as const, is: 'dead' as const },
    { supply: 'high' as const, is: 'dead' as const },
  ];
  expect(supplyBars(contextOf(log), both, '2026-03-05T10:20:00Z').map((bar) => bar.supply)).toEqual(['low', 'high']);
  expect(supplyBars({ ...contextOf(log), profile: { ...POWERED, supplies: [] } }, both, '2026-03-05T10:20:00Z')).toEqual([]);
});

test('after a plan a supply that it isolates is dead, the others are as they are', () => {
  const log = openedLog();
  const grille = VAN.pieces[0]!;
  const asked = {
    ...POWERED,
    pieces: POWERED.pieces.map((piece) =>
      piece.id === 'grille' ? { ...grille, levels: grille.levels.map((entry) => ({ ...entry, asks: [{ supply: 'low' as const, is: 'dead' as const }] })) } : piece,
    ),
  };
  const context = jobContext(log.state, { profile: asked, kits: [PAIR], rules: RULES, year: 2022 });
  const plan = planOpening(context);
  expect(plan.steps.map((step) => step.piece)).toContain('battery');
  expect(suppliesAfter(context, plan)).toEqual({ low: 'dead', high: 'live' });
  expect(suppliesAfter(context, undefined)).toEqual({ low: 'live', high: 'live' });
});

test('a move without its way noted needed what the first way does; a level between went by the next one', () => {
  const log = openedLog();
  const staged = barePiece('liner', {
    levels: [
      {
        ...level('loosened'),
        ways: [
          { id: 'a', needs: [{ piece: 'grille', level: 'off' }], extraMin: 0 },
          { id: 'b', needs: [{ piece: 'lever', level: 'off' }], extraMin: 0 },
        ],
      },
      { ...level('off'), ways: [{ id: 'c', needs: [{ piece: 'battery', level: 'off' }], extraMin: 0 }] },
    ],
  });
  const profile = { ...POWERED, pieces: [...POWERED.pieces, staged] };
  const needs = (to: 'loosened' | 'hung', way?: string) => {
    const own = openedLog();
    own.add('piece.moved', { piece: 'liner', level: to, ...(way ? { way } : {}), fasteners: [] });
    return openingMoves(jobContext(own.state, { profile, kits: [PAIR], rules: RULES }), undefined).map((move) => [move.from, move.level, move.needs.map((need) => need.piece)]);
  };
  expect([needs('loosened'), needs('loosened', 'b'), needs('hung')]).toEqual([
    [['fitted', 'loosened', ['grille']]],
    [['fitted', 'loosened', ['lever']]],
    [['fitted', 'hung', ['battery']]],
  ]);
  log.add('piece.moved', { piece: 'gone', level: 'off', way: 'w', fasteners: [] });
  expect(openingMoves(contextOf(log), undefined)).toEqual([{ piece: 'gone', from: 'fitted', level: 'off', way: 'w', needs: [] }]);
});
