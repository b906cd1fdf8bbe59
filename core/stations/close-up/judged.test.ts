import { openedLog, PAIR, RULES, VAN } from '../../job/test/log.ts';
import { jobContext } from '../../job/index.ts';
import { closeUp, isRefused, openUp, type Act } from '../index.ts';

const codes = (act: Act) => (isRefused(act) ? act.refused.map(({ code }) => code) : act.events.map(({ type }) => type));
const contextOf = (log: ReturnType<typeof openedLog>) => jobContext(log.state, { profile: VAN, kits: [PAIR], rules: RULES });
const moved = (piece: string, level: 'fitted' | 'off' = 'off') => ({ piece, level, fasteners: [] });

test('what was opened can be judged, back or not; what a kit takes the place of had to go, and what an owner added is not of the kind', () => {
  const log = openedLog();
  log.add('accessory.found', { accessory: 'plough', name: 'Plough', side: 'centre', zone: 'front', holds: ['grille'], openMin: 9, closeMin: 9, people: 2, drive: 'hex', count: 4 });
  expect(closeUp.openedHere(contextOf(log))).toEqual([]);
  log.add('piece.moved', moved('plough'));
  log.add('piece.moved', moved('grille'));
  // The kit takes the place of the old lamp.
  log.add('piece.moved', moved('old-lamp'));
  log.add('piece.moved', moved('grille', 'fitted'));
  expect(closeUp.toJudge(contextOf(log))).toEqual([{ piece: 'grille', level: 'off' }]);
});

test('whether the work could have been done live is not asked', () => {
  const log = openedLog();
  log.add('piece.moved', moved('grille'));
  const supply = { id: 'low' as const, name: 'Battery', piece: 'grille', level: 'off' as const, waitMin: 0, liveMin: 0, by: 'anyone' as const, before: [], forgets: [] };
  const context = jobContext(log.state, { profile: { ...VAN, supplies: [supply] }, kits: [PAIR], rules: RULES });
  expect([closeUp.openedHere(context), codes(closeUp.judge(context, [{ piece: 'grille', enough: 'fitted' }]))]).toEqual([[], ['unknown']]);
});

test('what was said stands until it is said anew, and goes when it is taken back', () => {
  const log = openedLog();
  log.add('piece.moved', moved('grille'));
  const said = log.add('opening.judged', { pieces: [{ piece: 'grille', enough: 'fitted' }] });
  expect([closeUp.openedHere(contextOf(log)), closeUp.toJudge(contextOf(log))]).toEqual([[{ piece: 'grille', level: 'off', said: 'fitted' }], []]);
  log.add('opening.judged', { pieces: [{ piece: 'grille', enough: 'needed' }] });
  expect(closeUp.openedHere(contextOf(log))[0]?.said).toBe('needed');
  // What is opened afterwards was not among what was judged: all of it is asked anew; what goes back changes nothing.
  log.add('piece.moved', moved('grille', 'fitted'));
  expect(closeUp.toJudge(contextOf(log))).toEqual([]);
  log.add('piece.moved', moved('grille'));
  expect(closeUp.toJudge(contextOf(log)).map(({ piece }) => piece)).toEqual(['grille']);
  const other = openedLog();
  other.add('piece.moved', moved('grille'));
  const id = other.add('opening.judged', { pieces: [{ piece: 'grille', enough: 'fitted' }] });
  other.add('undone', { event: id });
  expect([said, closeUp.toJudge(contextOf(other)).length]).toEqual([id, 1]);
});

test('only what was opened, only levels that it has, and not nothing', () => {
  const log = openedLog();
  log.add('piece.moved', moved('grille'));
  const act = (pieces: Parameters<typeof closeUp.judge>[1]) => codes(closeUp.judge(contextOf(log), pieces));
  expect([act([]), act([{ piece: 'old-lamp', enough: 'fitted' }]), act([{ piece: 'grille', enough: 'folded' }]), act([{ piece: 'grille', enough: 'off' }])]).toEqual([
    ['nothing'],
    ['unknown'],
    ['unknown'],
    ['opening.judged'],
  ]);
});

test('a way that goes on no vehicle of the kind says that the piece did not come; one that only this vehicle lacks does not', () => {
  const context = contextOf(openedLog());
  const blocked = { place: 'old-lamp', way: 'w', why: 'bent', level: 'off' as const };
  expect(codes(openUp.wayBlocked(context, blocked))).toEqual(['way.blocked']);
  expect(openUp.wayBlocked(context, { ...blocked, never: true })).toEqual({
    events: [
      { type: 'way.blocked', payload: { place: 'old-lamp', way: 'w', why: 'bent', level: 'off' } },
      { type: 'piece.tried', payload: { piece: 'old-lamp', level: 'off' } },
    ],
  });
  // Of a place there is no piece that could have come.
  expect(codes(openUp.wayBlocked(context, { place: 'place', way: 'w', why: 'full', never: true }))).toEqual(['way.blocked']);
  expect([codes(openUp.wayBlocked(context, { ...blocked, why: ' ' })), codes(openUp.wayBlocked(context, { ...blocked, way: 'roof' }))]).toEqual([['nothing'], ['unknown']]);
});

test('of two moves that were made it can be said which came first', () => {
  const log = openedLog();
  const [one, other] = [log.add('piece.moved', moved('grille')), log.add('piece.moved', moved('old-lamp'))];
  const act = (first: string, then: string) => closeUp.orderMoves(contextOf(log), first, then);
  expect(act(other, one)).toEqual({ events: [{ type: 'moves.ordered', payload: { first: other, then: one } }] });
  expect([codes(act(one, one)), codes(act(one, 'nothing'))]).toEqual([['nothing'], ['unknown']]);
});

test('it may be said once the job is signed: it changes nothing that was signed for', () => {
  const log = openedLog();
  const one = log.add('piece.moved', moved('grille'));
  log.add('job.signed', { atSeq: 2 });
  log.add('opening.judged', { pieces: [{ piece: 'grille', enough: 'needed' }] });
  log.add('moves.ordered', { first: one, then: one });
  expect([log.state.questions, closeUp.openedHere(contextOf(log))[0]?.said]).toEqual([[], 'needed']);
  // What is opened then does.
  log.add('piece.moved', moved('old-lamp'));
  expect(log.state.questions.map(({ code }) => code)).toEqual(['late-event']);
});
