import { contextOf, openedLog, PAIR, RULES, VAN, type TestLog } from '../../job/test/log.ts';
import { hasLeft } from '../../events/index.ts';
import { jobContext, lampAims, nightLines, toTakeOut } from '../../job/index.ts';
import { openingDone } from '../../plan/index.ts';
import { fit, itself, standingOf, type Act } from '../index.ts';

const AT = '2026-03-05T08:40:00Z';
const NOON = '2026-03-05T12:00:00Z';
/** Records what an act would; gives back why it cannot be. */
function take(log: TestLog, act: Act): string[] {
  if ('refused' in act) return act.refused.map(({ code }) => code);
  for (const { type, payload } of act.events) log.add(type, payload);
  return [];
}
const asked = (log: TestLog) => standingOf(contextOf(log), undefined).stations.flatMap(({ holds }) => holds.map(({ code }) => code));

/** A job of which the kit is fitted and tested while the grille is off. */
function fittedLog(): TestLog {
  const log = openedLog();
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [{ group: 'bolts', count: 2 }] });
  log.add('piece.moved', { piece: 'old-lamp', level: 'off', way: 'w', fasteners: [] });
  log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
  for (const pass of ['start', 'align', 'tighten'] as const) log.add('step.passed', { kit: 'test-kit', step: 'screw', pass });
  log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: true });
  log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'after', heightMm: 255, referenceMm: 430 });
  log.add('part.bagged', { piece: 'old-lamp', where: 'shelf' });
  return log;
}

test('what is promised, where it stands, who is on it and what is wanted are said anew, each once', () => {
  const log = openedLog();
  const promise = (at: string | undefined, why = '') => take(log, itself.promised(contextOf(log), at, NOON, why));
  expect(promise('2026-03-06T16:00:00Z')).toEqual([]);
  expect(promise('2026-03-06T16:00:00Z')).toEqual(['already']);
  expect(promise('2026-03-05T11:59:00Z')).toEqual(['promise-past']);
  expect(promise('2026-03-05T11:59:00Z', ' as agreed ')).toEqual([]);
  expect(log.state.promise).toEqual({ at: '2026-03-05T11:59:00Z', why: 'as agreed' });
  expect([promise(undefined), log.state.promise]).toEqual([[], {}]);
  const bay = (name: string | undefined) => take(log, itself.baySet(log, name, ['Bay 1', 'Yard']));
  expect([bay('Bay 9'), bay('Yard'), bay('Yard'), log.state.bay, bay(undefined), log.state.bay]).toEqual([['unknown'], [], ['already'], { bay: 'Yard' }, [], {}]);
  const person = (id: string | undefined) => take(log, itself.assigned(log, id));
  expect([person('fern'), person('fern'), log.state.assigned, person(undefined), log.state.assigned]).toEqual([[], ['already'], 'fern', [], undefined]);
  expect([take(log, itself.wished(log, '  brighter ')), take(log, itself.wished(log, 'brighter')), log.state.wish]).toEqual([[], ['already'], 'brighter']);
  expect([take(log, itself.wished(log, ' ')), log.state.wish]).toEqual([[], undefined]);
  expect([take(log, itself.wished(log, 'x'.repeat(601))), take(log, itself.noted('fit', ' ')), take(log, itself.noted('fit', 'x'.repeat(601)))]).toEqual([
    ['too-long'],
    ['nothing'],
    ['too-long'],
  ]);
  expect(take(log, itself.noted('fit', ' tight '))).toEqual([]);
  expect(log.state.notes).toMatchObject([{ station: 'fit', note: 'tight', by: 'fern' }]);
});

test('a note after signing changes nothing that was signed for; anything else of it is late', () => {
  const log = openedLog();
  log.add('job.signed', { atSeq: 1 });
  log.add('note.written', { station: 'hand-over', note: 'Called: all well' });
  expect(log.state.questions).toEqual([]);
  log.add('wish.written', { wish: 'more' });
  expect(log.state.questions.map(({ code }) => code)).toEqual(['late-event']);
  expect(take(log, itself.promised(contextOf(log), '2026-03-09T16:00:00Z', NOON))).toEqual(['has-left']);
  expect(take(log, itself.cancelled(contextOf(log), 'sold'))).toEqual(['has-left']);
});

test('a dropped kit comes out joint first, then its steps; nothing that was tried or aimed of it counts any more', () => {
  const log = fittedLog();
  expect(itself.undoing(contextOf(log), 'test-kit')).toEqual({ out: 2, open: 2 });
  expect([take(log, itself.kitDropped(contextOf(log), 'other', 'x')), take(log, itself.kitDropped(contextOf(log), 'test-kit', ' '))]).toEqual([['unknown'], ['nothing']]);
  expect(take(log, itself.kitDropped(contextOf(log), 'test-kit', 'too dear'))).toEqual([]);
  expect(take(log, itself.kitDropped(contextOf(log), 'test-kit', 'again'))).toEqual(['already']);
  expect(toTakeOut(contextOf(log)).map(({ kind, id, after }) => [kind, id, after])).toEqual([
    ['joint', 'joint', []],
    ['step', 'screw', ['joint']],
  ]);
  expect(asked(log)).toContain('kit-to-take-out');
  const out = (kind: 'joint' | 'step', id: string) => take(log, fit.takenOut(contextOf(log), 'test-kit', kind, id, AT));
  expect([out('step', 'screw'), out('joint', 'joint'), out('joint', 'joint'), out('step', 'screw')]).toEqual([['part-first'], [], ['already'], []]);
  expect(toTakeOut(contextOf(log))).toEqual([]);
  expect(asked(log)).not.toContain('kit-to-take-out');
  const { joined, passes, tests, aims } = log.state;
  expect([joined, passes, tests, aims]).toEqual([{ 'test-kit': [] }, { 'test-kit': {} }, {}, {}]);
  // Its own lamp goes back in place of the kit's, out of its bag.
  expect(asked(log)).toContain('piece-open');
  log.add('piece.moved', { piece: 'old-lamp', level: 'fitted', fasteners: [] });
  expect(log.state.bagged).toEqual({});
  // Taken up again it is begun anew, its match too.
  log.add('kit.added', { kit: { slug: 'test-kit', version: 2 } });
  expect([log.state.dropped, log.state.opened?.kits]).toEqual([{}, [{ slug: 'test-kit', version: 2 }]]);
  expect(lampAims(contextOf(log)).map(({ after }) => after)).toEqual([undefined]);
  expect(asked(log)).toEqual(expect.arrayContaining(['kit-unconfirmed', 'fit-passes', 'plug-to-join', 'test-missing']));
});

test('what dropping one kit undoes is not what dropping another does', () => {
  const log = fittedLog();
  log.add('plug.joined', { kit: 'second', connection: 'joint' });
  const context = { ...contextOf(log), kits: [PAIR, { ...PAIR, slug: 'second' }] };
  expect([itself.undoing(context, 'test-kit').out, itself.undoing(context, 'second').out, itself.undoing(context).out]).toEqual([2, 1, 3]);
  log.add('kit.dropped', { kit: 'second', why: 'x' });
  expect(itself.undoing({ ...contextOf(log), kits: context.kits }, 'test-kit').out).toBe(2);
});

test('what lies behind something that went back is opened again to be taken out, and nothing covers it before', () => {
  const log = fittedLog();
  const needing = {
    ...PAIR,
    fitments: PAIR.fitments.map((own) => ({ ...own, fitSteps: own.fitSteps.map((step) => ({ ...step, needs: [{ piece: 'grille', level: 'off' as const }] })) })),
  };
  const context = () => ({ ...contextOf(log), kits: [needing] });
  log.add('piece.moved', { piece: 'grille', level: 'fitted', fasteners: [{ group: 'bolts', count: 2 }] });
  expect(openingDone(context())).toBe(true);
  log.add('kit.dropped', { kit: 'test-kit', why: 'too dear' });
  expect(openingDone(context())).toBe(false);
  log.add('plug.parted', { kit: 'test-kit', connection: 'joint' });
  const act = () => fit.takenOut(context(), 'test-kit', 'step', 'screw', AT);
  expect(act()).toMatchObject({ refused: [{ code: 'open-first', pieces: ['grille'] }] });
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [{ group: 'bolts', count: 2 }] });
  expect(openingDone(context())).toBe(true);
  expect(act()).toMatchObject({ events: [{ type: 'step.undone', payload: { step: 'screw', lamps: ['lamp'] } }] });
});

test('cancelled before anything was touched it has left; else it leaves once it is closed and looked over', () => {
  const log = openedLog();
  expect(take(log, itself.cancelled(contextOf(log), ''))).toEqual(['nothing']);
  expect(take(log, itself.cancelled(contextOf(log), 'sold'))).toEqual([]);
  expect([hasLeft(log.state), asked(log)]).toEqual([true, []]);
  expect(take(log, itself.cancelled(contextOf(log), 'sold'))).toEqual(['already']);
  const begun = openedLog();
  begun.add('piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [{ group: 'bolts', count: 2 }] });
  take(begun, itself.cancelled(contextOf(begun), 'sold'));
  expect(hasLeft(begun.state)).toBe(false);
  expect(asked(begun)).toEqual(expect.arrayContaining(['piece-open', 'fasteners-out', 'final-missing', 'codes-after-missing', 'sign-off']));
  expect(asked(begun)).not.toEqual(expect.arrayContaining(['number-missing']));
  expect(asked(begun)).not.toEqual(expect.arrayContaining(['kit-unconfirmed']));
});

test('left for the night it says what hangs loose, what is off and how the battery is; found otherwise, that is asked for', () => {
  const log = openedLog();
  expect([nightLines(contextOf(log)), take(log, itself.leftOvernight(contextOf(log), []))]).toEqual([[], ['nothing']]);
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [{ group: 'bolts', count: 2 }] });
  log.add('sensor.unplugged', { sensor: 'radar' });
  log.add('wire.opened', { plug: 'fog-plug', pin: '2', how: 'pierced' });
  expect(nightLines(contextOf(log)).map(({ item, count }) => [item, count])).toEqual([
    ['off', 1],
    ['tray', 2],
    ['bared', 1],
    ['sensors', 1],
    ['battery', 1],
    ['cover', 1],
    ['key', 1],
  ]);
  expect(take(log, itself.leftOvernight(contextOf(log), ['charger']))).toEqual(['unknown']);
  expect(take(log, itself.leftOvernight(contextOf(log), ['cover', 'tray', 'cover'], ' rack 2 '))).toEqual([]);
  expect(log.state.night).toMatchObject({ seen: ['cover', 'tray'], where: 'rack 2', by: 'fern' });
  expect(take(log, itself.leftOvernight(contextOf(log), ['cover']))).toEqual(['already']);
  expect(standingOf(contextOf(log), undefined).holding?.code).toBe('left-overnight');
  expect(take(log, itself.foundAgain(contextOf(log), 'the cover lay on the floor'))).toEqual([]);
  expect([log.state.night, take(log, itself.foundAgain(contextOf(log)))]).toEqual([undefined, ['nothing']]);
  expect(asked(log)).toContain('not-as-left');
});

test('whoever goes on to work was there: the night is over', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [{ group: 'bolts', count: 2 }] });
  take(log, itself.leftOvernight(contextOf(log), ['cover']));
  log.add('note.written', { station: 'open-up', note: 'Fern comes at eight' });
  expect(log.state.night).toBeDefined();
  log.add('piece.moved', { piece: 'old-lamp', level: 'off', way: 'w', fasteners: [] });
  expect(log.state.night).toBeUndefined();
});

test('on a recheck the kit of the earlier job is tried, aimed and held again; what it replaced is not there', () => {
  const log = openedLog();
  const context = () => ({ ...contextOf(log), kits: [], fitted: [PAIR] });
  const { profile } = jobContext(log.state, { profile: VAN, kits: [], fitted: [PAIR], rules: RULES });
  expect([profile.pieces.map(({ id }) => id), profile.functions.map(({ id }) => id)]).toEqual([['grille'], ['dipped']]);
  expect(fit.toRecheck(context()).map(({ step }) => step.id)).toEqual(['screw']);
  expect(fit.asked(context()).map(({ code }) => code)).toEqual(['bolts-to-recheck']);
  expect(take(log, fit.rechecked(context(), 'test-kit', 'screw'))).toEqual([]);
  expect([fit.toRecheck(context()), take(log, fit.rechecked(context(), 'test-kit', 'screw'))]).toEqual([[], ['already']]);
  expect(lampAims(context()).map(({ key }) => key)).toEqual(['test-kit/lamp']);
  expect(standingOf(context(), undefined).missing.map(({ code }) => code)).toEqual(expect.arrayContaining(['new-untried', 'wall-missing']));
});

test('only what was tightened is held again, and nothing once the work is cancelled', () => {
  const log = openedLog();
  const [fitment] = PAIR.fitments;
  const clicked = { ...PAIR, fitments: [{ ...fitment, fitSteps: (fitment?.fitSteps ?? []).map((step) => ({ ...step, passes: ['start' as const] })) }] } as typeof PAIR;
  expect(fit.toRecheck({ ...contextOf(log), kits: [], fitted: [clicked] })).toEqual([]);
  const asking = () => fit.asked({ ...contextOf(log), kits: [], fitted: [PAIR] }).map(({ code }) => code);
  expect(asking()).toEqual(['bolts-to-recheck']);
  log.add('job.cancelled', { why: 'sold' });
  expect(asking()).toEqual([]);
});

test('with a charger on it a cancelled vehicle stays until that is off; where it stands is no matter of what was signed', () => {
  const log = openedLog();
  log.add('charger.set', { on: true });
  log.add('job.cancelled', { why: 'sold' });
  expect(hasLeft(log.state)).toBe(false);
  log.add('charger.set', { on: false });
  expect(hasLeft(log.state)).toBe(true);
  const signed = openedLog();
  signed.add('job.signed', { atSeq: 1 });
  signed.add('bay.taken', { bay: 'Yard' });
  signed.add('job.assigned', { person: 'till' });
  expect(signed.state.questions).toEqual([]);
  expect(take(signed, itself.wished(contextOf(signed), 'more'))).toEqual(['has-left']);
});

test('what the customer signed stands for what there was then', () => {
  const strokes = [{ points: [1, 2, 3, 4] }];
  for (const [type, payload] of [
    ['kit.dropped', { kit: 'test-kit', why: 'x' }],
    ['job.cancelled', { why: 'x' }],
    ['piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [] }],
  ] as const) {
    const log = openedLog();
    log.add('customer.signed', { strokes });
    log.add('note.written', { station: 'fit', note: 'n' });
    expect(log.state.signature).toEqual(strokes);
    log.add(type, payload as never);
    expect([type, log.state.signature]).toEqual([type, undefined]);
  }
  // What comes late after signing off is shown before the job is opened again, and does not take the signature from it.
  const late = openedLog();
  late.add('customer.signed', { strokes });
  late.add('job.signed', { atSeq: 2 });
  late.add('piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [] });
  expect(late.state.signature).toEqual(strokes);
});

test('choices of a kit that an earlier job fitted stand with it, though nobody makes them now', () => {
  const log = openedLog();
  const [opened] = log.events;
  Object.assign(opened?.payload ?? {}, { fitted: [{ slug: 'fog-kit', version: 2, options: [{ option: 'lens', choice: 'amber' }] }] });
  expect(log.state.options).toEqual({ 'fog-kit': { lens: 'amber' } });
});

test('a pause is said while it is worked on, once; and ended once', () => {
  const log = openedLog();
  const can = () => itself.canPause(contextOf(log));
  expect([can(), take(log, itself.resumed(contextOf(log)))]).toEqual([true, ['already']]);
  expect([take(log, itself.paused(contextOf(log))), can(), take(log, itself.paused(contextOf(log)))]).toEqual([[], false, ['already']]);
  expect([take(log, itself.resumed(contextOf(log))), can()]).toEqual([[], true]);
  log.add('night.left', { seen: [] });
  expect(can()).toBe(false);
  log.add('night.over', { asLeft: true });
  log.add('job.cancelled', { why: 'sold' });
  expect(can()).toBe(false);
  const signed = openedLog();
  signed.add('job.signed', { atSeq: 1 });
  expect(itself.canPause(contextOf(signed))).toBe(false);
});
