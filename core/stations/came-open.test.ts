import { sheetOf } from '../sheet/index.ts';
import { idCheck } from '../log/index.ts';
import { jobContext, type JobContext } from '../job/index.ts';
import { planClosingOf, planOpening } from '../plan/index.ts';
import type { Happened, JobEvent } from '../events/index.ts';
import { openedLog, PAIR, RULES, VAN, type TestLog } from '../job/test/log.ts';
import { isRefused, openUp, type Act } from './index.ts';

const contextAt = (log: TestLog): JobContext => jobContext(log.state, { profile: VAN, kits: [PAIR], rules: RULES, year: 2022 });
function perform(log: TestLog, act: Act): void {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events as Happened[]) log.add(type, payload as never);
}

test('a piece that was not there when the vehicle came is no work, opens what lies behind it, and stays as it came', () => {
  const log = openedLog();
  const before = planOpening(contextAt(log)).steps.map(({ piece }) => piece);
  expect(before).toContain('grille');
  perform(log, openUp.cameOpen(contextAt(log), 'grille', 'off'));
  const context = contextAt(log);
  expect(planOpening(context).steps.map(({ piece }) => piece)).toEqual(before.filter((piece) => piece !== 'grille'));
  // Nobody opened it, so there is no move to be undone, and nothing in the tray.
  expect([log.state.pieces, log.state.reached]).toEqual([{ grille: 'off' }, { grille: 'off' }]);
  expect([log.state.moves, log.state.tray, planClosingOf(context, planOpening(context)).steps.flatMap((step) => (step.kind === 'piece' ? [step.piece] : []))]).toEqual([
    [],
    {},
    [],
  ]);
  // It is on the sheet as it came.
  expect(sheetOf(context, log.events, '2026-03-05T12:00:00Z').arrival.filter(({ code }) => code === 'came-open')).toMatchObject([{ piece: 'grille', level: 'off' }]);
});

test('what was opened here, isolates a supply or is not described did not come so', () => {
  const log = openedLog();
  const refusals = (piece: string, level: 'off' | 'hung' = 'off', context = contextAt(log)) => {
    const act = openUp.cameOpen(context, piece, level);
    return isRefused(act) ? act.refused : [];
  };
  expect(refusals('roof')).toEqual([{ code: 'unknown', what: 'piece', id: 'roof' }]);
  expect(refusals('grille', 'hung')).toEqual([{ code: 'unknown', what: 'level', id: 'hung' }]);
  const supplies = [{ id: 'low' as const, name: '12 V', piece: 'grille', level: 'off' as const, waitMin: 0, by: 'anyone' as const, before: [], forgets: [] }];
  expect(refusals('grille', 'off', { ...contextAt(log), profile: { ...VAN, supplies } })).toEqual([{ code: 'unknown', what: 'piece', id: 'grille' }]);
  const twice = openedLog();
  perform(twice, openUp.cameOpen(contextAt(twice), 'grille', 'off'));
  expect(refusals('grille', 'off', contextAt(twice))).toEqual([{ code: 'unknown', what: 'piece', id: 'grille' }]);
  // What an owner added is none of the kind.
  const winch = {
    accessory: 'winch',
    name: 'Winch',
    side: 'centre' as const,
    zone: 'front' as const,
    holds: [],
    openMin: 5,
    closeMin: 6,
    people: 1,
    drive: 'hex' as const,
    count: 4,
  };
  twice.add('accessory.found', winch);
  expect(contextAt(twice).profile.pieces.map(({ id }) => id)).toContain('winch');
  expect(refusals('winch', 'off', contextAt(twice))).toEqual([{ code: 'unknown', what: 'piece', id: 'winch' }]);
  log.add('piece.moved', { piece: 'grille', level: 'off', fasteners: [] });
  log.add('piece.moved', { piece: 'grille', level: 'fitted', fasteners: [] });
  expect(refusals('grille')).toEqual([{ code: 'unknown', what: 'piece', id: 'grille' }]);
  const check = idCheck({ profile: VAN, kits: [PAIR], rules: RULES });
  const faults = (payload: object) => check({ type: 'piece.found', payload } as JobEvent, 'events[0]').map(({ path }) => path);
  expect([faults({ piece: 'grille', level: 'off' }), faults({ piece: 'grille', level: 'hung' }), faults({ piece: 'roof', level: 'off' })]).toEqual([
    [],
    ['events[0].payload.level'],
    ['events[0].payload.piece'],
  ]);
});

test('whoever said that enough is open says it anew once something came open', () => {
  const log = openedLog();
  log.add('opening.enough', { kits: ['test-kit'] });
  expect(log.state.enough).toEqual(['test-kit']);
  log.add('piece.found', { piece: 'grille', level: 'off' });
  expect(log.state.enough).toEqual([]);
  // Found less open than it is, it is as open as it is.
  log.add('piece.found', { piece: 'grille', level: 'loosened' });
  expect(log.state.pieces).toEqual({ grille: 'off' });
});

test('a piece can have come as far as a step takes it, or not at all', () => {
  const [grille] = VAN.pieces;
  const [level] = grille?.levels ?? [];
  if (!grille || !level) throw new Error('no grille');
  const skin = { ...grille, levels: (['loosened', 'hung', 'off'] as const).map((name) => ({ ...level, level: name })) };
  expect([openUp.couldHaveCome(skin, 'hung'), openUp.couldHaveCome(skin, 'off'), openUp.couldHaveCome({ ...skin, levels: skin.levels.slice(0, 2) }, 'hung')]).toEqual([
    ['hung', 'off'],
    ['off'],
    ['hung'],
  ]);
  expect(openUp.couldHaveCome(undefined, 'off')).toEqual([]);
});
