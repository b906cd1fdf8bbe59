import { idCheck } from '../log/index.ts';
import { jobContext, type JobContext } from '../job/index.ts';
import { planClosingOf } from '../plan/index.ts';
import type { Happened, LoggedEvent } from '../events/index.ts';
import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { openedLog, PAIR, RULES, type TestLog } from '../job/test/log.ts';
import { piecesBack } from '../closing/index.ts';
import { closeUp, isRefused, type Act } from './index.ts';

const off = (id: string, needs: string[] = []) =>
  barePiece(id, {
    levels: [{ level: 'off', openMin: 2, closeMin: 2, people: 1, ways: [{ id: 'w', needs: needs.map((piece) => ({ piece, level: 'off' as const })), extraMin: 0 }] }],
  });
/** A duct behind a grille; a flap and a trim by themselves. */
const profile = bareProfile({ pieces: [off('grille'), off('duct', ['grille']), off('flap'), off('trim')] });
const at = (log: TestLog, of = profile): JobContext => jobContext(log.state, { profile: of, kits: [PAIR], rules: RULES, year: 2022 });
function opened(): TestLog {
  const log = openedLog();
  for (const piece of ['grille', 'flap', 'duct', 'trim']) log.add('piece.moved', { piece, level: 'off', way: 'w', fasteners: [] });
  return log;
}
const closing = (log: TestLog) => planClosingOf(at(log), undefined);
const order = (log: TestLog) => piecesBack(closing(log).steps).map(({ piece }) => piece);
const first = (log: TestLog, piece: string, before: string, why = ' its hooks sit behind it ') =>
  closeUp.goesBackFirst(at(log), closing(log), { piece: before }, { first: piece, why, id: `back-${piece}-${before}` });
function perform(log: TestLog, act: Act): void {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events as Happened[]) log.add(type, payload as never);
}
const refusedOf = (act: Act) => (isRefused(act) ? act.refused : []);

test('what has to go back first is said of what is open and does not wait itself, and the way back keeps to it from then on', () => {
  const log = opened();
  // The grille waits for the duct behind it.
  expect([closeUp.canGoFirst(at(log), closing(log), { piece: 'duct' }).sort(), closeUp.canGoFirst(at(log), closing(log), { piece: 'grille' }).sort()]).toEqual([
    ['flap', 'trim'],
    ['duct', 'flap', 'trim'],
  ]);
  perform(log, first(log, 'trim', 'duct'));
  perform(log, first(log, 'grille', 'flap'));
  expect(order(log)).toEqual(['trim', 'duct', 'grille', 'flap']);
  expect(closing(log).problems).toEqual([]);
  expect(at(log).profile.refitRules).toEqual([
    { id: 'back-trim-duct', first: 'trim', then: 'duct', why: 'its hooks sit behind it' },
    { id: 'back-grille-flap', first: 'grille', then: 'flap', why: 'its hooks sit behind it' },
  ]);
  // What waits for it, directly or through others, cannot go first any more.
  expect(closeUp.canGoFirst(at(log), closing(log), { piece: 'trim' })).toEqual([]);
  log.add('piece.moved', { piece: 'trim', level: 'fitted', fasteners: [] });
  expect(closeUp.canGoFirst(at(log), closing(log), { piece: 'grille' })).toEqual(['duct']);
});

test('without a reason, said already, of what is home and against what is known it is refused', () => {
  const log = opened();
  expect(refusedOf(first(log, 'trim', 'duct', ' '))).toEqual([{ code: 'nothing' }]);
  expect(refusedOf(first(log, 'trim', 'duct', 'x'.repeat(305)))).toEqual([{ code: 'too-long', over: 5, most: 300 }]);
  expect(refusedOf(first(log, 'grille', 'duct'))).toEqual([{ code: 'unknown', what: 'piece', id: 'grille' }]);
  expect(refusedOf(first(log, 'roof', 'duct'))).toEqual([{ code: 'unknown', what: 'piece', id: 'roof' }]);
  perform(log, first(log, 'trim', 'duct'));
  expect([refusedOf(first(log, 'trim', 'duct')), refusedOf(first(log, 'trim', 'flap'))]).toEqual([[{ code: 'already' }], []]);
  // A rule that holds though neither of its pieces is on this way back.
  const ruled = { ...profile, refitRules: [{ id: 'r', first: 'flap', then: 'trim', why: 'clips' }] };
  const elsewhere = openedLog();
  for (const piece of ['flap', 'trim']) elsewhere.add('piece.moved', { piece, level: 'off', way: 'w', fasteners: [] });
  const context = at(elsewhere, ruled);
  const act = closeUp.goesBackFirst(
    context,
    { ...planClosingOf(context, undefined), steps: planClosingOf(at(elsewhere), undefined).steps },
    { piece: 'flap' },
    { first: 'trim', why: 'x', id: 'b' },
  );
  expect(refusedOf(act)).toEqual([{ code: 'goes-round', first: 'trim', then: 'flap' }]);
});

test('a rule names two pieces of this vehicle', () => {
  const faults = (rule: object) =>
    idCheck({ profile, kits: [PAIR], rules: RULES })(
      { id: 'e', type: 'kind.described', v: 1, at: '2026-03-05T09:00:00Z', payload: { refitRules: [{ id: 'r', why: 'x', ...rule }] } } as LoggedEvent,
      'e',
    ).map(({ path, code }) => `${path} ${code}`);
  expect([faults({ first: 'trim', then: 'duct' }), faults({ first: 'roof', then: 'sill' }), faults({ first: 'trim', then: 'trim' })]).toEqual([
    [],
    ['e.payload.refitRules[0].first unknown-id', 'e.payload.refitRules[0].then unknown-id'],
    ['e.payload.refitRules[0].then itself'],
  ]);
});
