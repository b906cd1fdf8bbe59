import { moveNamed } from '../access/index.ts';
import { NEW_HERON } from '../test/new-heron.ts';
import { gatesOf, openingDone, openingUnknown, planClosingOf, planOpening, stepTimes } from '../plan/index.ts';
import { idCheck } from '../log/index.ts';
import { jobContext, type JobContext } from '../job/index.ts';
import type { Happened, JobEvent } from '../events/index.ts';
import { matchKit } from '../match/index.ts';
import { openedLog, PAIR, RULES, type TestLog } from '../job/test/log.ts';
import { newKind, standardLamps, type Piece, type VehicleProfile } from '../vehicle/index.ts';
import { checkIn, fit, isRefused, match, openUp, sense, standingOf, undescribed, type Act, type Station } from './index.ts';

const HERON = newKind(NEW_HERON);
const contextAt = (log: TestLog, profile: VehicleProfile = HERON): JobContext => jobContext(log.state, { profile, kits: [PAIR], rules: RULES, year: 2022 });
const standing = (log: TestLog) => standingOf(contextAt(log), planOpening(contextAt(log)));
const codesOf = (log: TestLog, station: Station) =>
  standing(log)
    .stations.find((entry) => entry.station === station)
    ?.holds.map(({ code }) => code);
const stateOf = (log: TestLog, station: Station) => standing(log).stations.find((entry) => entry.station === station)?.state;

function perform(log: TestLog, act: Act): void {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events as Happened[]) log.add(type, payload as never);
}

const came = (part: Partial<openUp.CamePiece> = {}): openUp.CamePiece => ({
  name: 'Grille',
  side: 'centre',
  zone: 'front',
  box: { xMm: [820, 880], yMm: [-500, 500], zMm: [700, 950] },
  level: 'off',
  openMin: 4.5,
  people: 1,
  fasteners: [{ drive: 'push-pin', size: '8 mm', count: 5, release: 'push centre' }],
  beside: [],
  brittle: false,
  ...part,
});

test('of a kind that nobody described no station looks settled, and each says what it does not know', () => {
  const log = openedLog();
  expect(codesOf(log, 'check-in')).toContain('lamps-undescribed');
  expect([codesOf(log, 'match'), stateOf(log, 'match')]).toEqual([['kit-undescribed'], 'needs an answer']);
  expect([codesOf(log, 'open-up'), stateOf(log, 'open-up'), openingDone(contextAt(log))]).toEqual([['reach-undescribed'], 'needs an answer', false]);
  expect([codesOf(log, 'wire'), codesOf(log, 'fit'), codesOf(log, 'aim')]).toEqual([['wiring-undescribed'], ['fitting-undescribed'], ['aim-undescribed']]);
  // Nothing came off that a sensor could sit on.
  expect([codesOf(log, 'sense'), gatesOf(contextAt(log), undefined)]).toEqual([[], []]);
  // A kit that names it is placed, and one that is dropped asks for nothing.
  const placed = { ...PAIR, fitments: PAIR.fitments.map((fitment) => ({ ...fitment, vehicle: HERON.slug, connections: [], mounts: [], fitSteps: [], tests: [], replaces: [] })) };
  expect(fit.asked({ ...contextAt(log), kits: [placed] })).toEqual([]);
  log.add('kit.dropped', { kit: 'test-kit', why: 'does not go' });
  expect([codesOf(log, 'wire'), codesOf(log, 'fit'), codesOf(log, 'aim'), openingDone(contextAt(log))]).toEqual([[], [], [], true]);
});

test('a kit without a lamp that is aimed is not asked how it was aimed', () => {
  const markers = { ...PAIR, lamps: PAIR.lamps.map((lamp) => ({ ...lamp, optics: { ...lamp.optics, beam: 'marker' as const } })) };
  const context = { ...contextAt(openedLog()), kits: [markers] };
  expect(standingOf(context, planOpening(context)).stations.find(({ station }) => station === 'aim')?.holds).toEqual([]);
});

test('the match of a kit that nobody held against the vehicle is taken by a person, without a model year too', () => {
  const log = openedLog();
  const context = { ...contextAt(log), year: undefined };
  perform(log, match.confirm(context, 'test-kit'));
  expect(codesOf(log, 'match')).toEqual([]);
  // Where mounts are described, a kit that does not name the vehicle does not fit it.
  const { undescribed: _lists, ...described } = HERON;
  expect(match.confirm(contextAt(openedLog(), described), 'test-kit')).toEqual({ refused: [{ code: 'does-not-fit', kit: 'test-kit' }] });
  expect(fit.asked(contextAt(openedLog(), described))).toEqual([]);
  // What of its contents hangs on what is not known is not settled by that.
  const kit = { ...PAIR, contents: PAIR.contents.map((item) => ({ ...item, when: { fact: 'headlamp', is: 'led' } })) };
  const needed = (profile: VehicleProfile) => matchKit(kit, profile, 2022, {});
  expect([needed(HERON).undecidedAdapters, needed(HERON).adapters, needed(described).undecidedAdapters]).toEqual([PAIR.contents.map(({ id }) => id), [], []]);
  expect(matchKit(kit, HERON, 2022, { headlamp: 'led' }).adapters).toEqual(PAIR.contents.map(({ id }) => id));
});

test('how it was done is said at each station, and stands in the place of what nobody described', () => {
  const log = openedLog();
  for (const what of ['wired', 'fitted', 'aimed'] as const) {
    expect(undescribed.howDone(contextAt(log), what)).toEqual([{ kit: 'test-kit' }]);
    perform(log, undescribed.sayHow(contextAt(log), 'test-kit', what, `  ${what} by its paper `));
    expect(undescribed.howDone(contextAt(log), what)).toEqual([{ kit: 'test-kit', said: `${what} by its paper` }]);
  }
  expect([codesOf(log, 'wire'), codesOf(log, 'fit'), codesOf(log, 'aim')]).toEqual([[], [], []]);
  expect(undescribed.sayHow(contextAt(log), 'other-kit', 'wired', 'by its paper')).toEqual({ refused: [{ code: 'unknown', what: 'kit', id: 'other-kit' }] });
  expect(undescribed.sayHow(contextAt(log), 'test-kit', 'wired', ' ')).toEqual({ refused: [{ code: 'nothing' }] });
  expect(undescribed.sayHow(contextAt(log), 'test-kit', 'wired', 'x'.repeat(401))).toEqual({ refused: [{ code: 'too-long', over: 1, most: 400 }] });
});

test('lamps that the vehicle has are said, tried, and said to be all', () => {
  const log = openedLog();
  expect(checkIn.lampsOffered(contextAt(log)).map(({ id }) => id)).toEqual(standardLamps(HERON.body, HERON.measures).map(({ id }) => id));
  perform(log, checkIn.lampsSeen(contextAt(log), ['dipped-left', 'dipped-right', 'plate']));
  expect(contextAt(log).profile.functions.map(({ id }) => id)).toEqual(['dipped-left', 'dipped-right', 'plate']);
  expect(codesOf(log, 'check-in')).toEqual(expect.arrayContaining(['lamps-undescribed', 'baseline-missing']));
  expect(checkIn.lampsSeen(contextAt(log), ['plate'])).toEqual({ refused: [{ code: 'unknown', what: 'lamp', id: 'plate' }] });
  expect(checkIn.lampsSeen(contextAt(log), [])).toEqual({ refused: [{ code: 'nothing' }] });
  perform(log, checkIn.noMore(contextAt(log), 'functions'));
  expect(codesOf(log, 'check-in')).not.toContain('lamps-undescribed');
  expect([checkIn.lampsOffered(contextAt(log)), contextAt(log).profile.undescribed]).toEqual([[], ['pieces', 'sensors', 'mounts']]);
  expect(checkIn.noMore(contextAt(log), 'functions')).toEqual({ refused: [{ code: 'already' }] });
});

test('a piece that came is described with what was open then, and counts from then on: its fasteners, its way back, its sensors asked for', () => {
  const log = openedLog();
  perform(log, openUp.pieceCame(contextAt(log), came(), 'grille-x7k2'));
  perform(log, openUp.pieceCame(contextAt(log), came({ name: ' Slam panel ', level: 'folded', openMin: 2, brittle: true, beside: ['sharp edge'] }), 'slam-panel-m3p9'));
  const { profile, state } = contextAt(log);
  expect(profile.pieces.map(({ id, name, levels }) => [id, name, levels])).toEqual([
    ['grille-x7k2', 'Grille', [{ level: 'off', openMin: 4.5, closeMin: 4.5, people: 1, ways: [{ id: 'seen', needs: [], extraMin: 0 }] }]],
    [
      'slam-panel-m3p9',
      'Slam panel',
      [{ level: 'folded', openMin: 2, closeMin: 2, people: 1, ways: [{ id: 'seen', needs: [{ piece: 'grille-x7k2', level: 'off', seen: true }], extraMin: 0 }] }],
    ],
  ]);
  expect(profile.pieces[1]).toMatchObject({ brittle: true, beside: ['sharp edge'] });
  expect([state.pieces, state.tray['grille-x7k2']]).toEqual([
    { 'grille-x7k2': 'off', 'slam-panel-m3p9': 'folded' },
    { 'fixing-1': { out: 5, back: 0, broken: 0, dropped: 0, renewed: 0, spent: 0 } },
  ]);
  expect(planClosingOf(contextAt(log), planOpening(contextAt(log))).steps.map((step) => (step.kind === 'piece' ? step.piece : step.kind))).toEqual([
    'slam-panel-m3p9',
    'grille-x7k2',
  ]);
  // Something was opened, so that a sensor could have been on it.
  expect(codesOf(log, 'sense')).toEqual(['sensors-undescribed']);
  perform(log, sense.noMore(contextAt(log), 'sensors'));
  expect(codesOf(log, 'sense')).toEqual([]);
});

test('what went back before is no need of what came after; a level, a drive and a side are kept as they were seen', () => {
  const log = openedLog();
  perform(log, openUp.pieceCame(contextAt(log), came(), 'grille-x7k2'));
  log.add('piece.moved', { piece: 'grille-x7k2', level: 'fitted', fasteners: [{ group: 'fixing-1', count: 5 }] });
  const bolts = [
    { drive: 'hex' as const, size: ' 10 mm ', lengthMm: 25, count: 2, release: 'unscrew' as const, place: ' lower edge ' },
    { drive: 'push-pin' as const, count: 1, release: 'push centre' as const, singleUse: true },
  ];
  perform(log, openUp.pieceCame(contextAt(log), came({ name: 'Bracket', side: 'left', level: 'folded', fasteners: bolts }), 'bracket-a1b2'));
  const bracket = () => contextAt(log).profile.pieces.find(({ id }) => id === 'bracket-a1b2');
  expect(bracket()?.levels[0]?.ways[0]?.needs).toEqual([]);
  expect(bracket()?.fasteners).toEqual([
    {
      id: 'fixing-1',
      drive: 'hex',
      size: '10 mm',
      lengthMm: 25,
      count: 2,
      place: 'lower edge',
      side: 'left',
      singleUse: false,
      release: 'unscrew',
      tighten: { snug: 'plastic' },
      atLevel: 'folded',
    },
    { id: 'fixing-2', drive: 'push-pin', count: 1, place: 'where it was found', side: 'left', singleUse: true, release: 'push centre', tighten: {}, atLevel: 'folded' },
  ]);
  // One of the same name on the other side is another piece; what was open before is no longer offered, whether it went back or not.
  perform(log, openUp.pieceCame(contextAt(log), came({ name: 'Bracket', side: 'right' }), 'bracket-c3d4'));
  expect(openUp.openable(contextAt(log), [])).toEqual([]);
});

test('that nothing is planned to come off says nothing where pieces, or how a kit sits, are not described', () => {
  const piece = { id: 'grille', name: 'Grille', side: 'centre' as const, zone: 'front' as const, box: came().box, levels: [], fasteners: [], cautions: [] };
  const at = (part: Partial<VehicleProfile>) => openingUnknown(contextAt(openedLog(), { ...HERON, pieces: [piece], undescribed: [], ...part }));
  expect([at({}), at({ pieces: [] }), at({ undescribed: ['pieces'] }), at({ undescribed: ['mounts'] }), at({ undescribed: ['sensors'] })]).toEqual([
    false,
    true,
    true,
    true,
    false,
  ]);
});

test('what a profile has itself stands as the profile says it, beside what was described', () => {
  const log = openedLog();
  perform(log, openUp.pieceCame(contextAt(log), came(), 'grille-x7k2'));
  const own = { ...came(), id: 'grille-x7k2', name: 'Grille of the profile', side: 'centre' as const, zone: 'front' as const, fasteners: [], cautions: [] };
  const levels = [
    { level: 'loosened' as const, openMin: 1, closeMin: 1, people: 1, ways: [{ id: 'front', needs: [], extraMin: 0 }] },
    { level: 'off' as const, openMin: 2, closeMin: 2, people: 1, ways: [{ id: 'front', needs: [], extraMin: 0 }] },
  ];
  const { name, side, zone, box, cautions } = own;
  const piece = { id: 'grille-x7k2', name, side, zone, box, levels, fasteners: [], cautions };
  const other = { ...piece, id: 'deflector', name: 'Deflector' };
  expect(contextAt(log, { ...HERON, pieces: [piece, other] }).profile.pieces.map(({ id, name: said }) => [id, said])).toEqual([
    ['grille-x7k2', 'Grille of the profile'],
    ['deflector', 'Deflector'],
  ]);
  expect(contextAt(log, { ...HERON, pieces: [other] }).profile.pieces.map(({ id }) => id)).toEqual(['deflector', 'grille-x7k2']);
  // What is wanted is wanted as far as it goes.
  expect(openUp.want(contextAt(openedLog(), { ...HERON, pieces: [other] }), 'deflector')).toEqual({
    events: [{ type: 'piece.wanted', payload: { piece: 'deflector', level: 'off' } }],
  });
});

test('opening a piece as it is described is timed by its description alone, as that is written between; putting it back by the log', () => {
  const log = openedLog();
  perform(log, openUp.pieceCame(contextAt(log), came({ openMin: 4 }), 'grille-x7k2'));
  perform(log, openUp.pieceCame(contextAt(log), came({ name: 'Duct', openMin: 4 }), 'duct-a1b2'));
  for (const piece of ['duct-a1b2', 'grille-x7k2']) log.add('piece.moved', { piece, level: 'fitted', fasteners: [{ group: 'fixing-1', count: 5 }] });
  const timed = log.events.map((event, index) => ({ ...event, at: new Date(Date.parse(event.at) + index * 240_000).toISOString() }));
  const moves = stepTimes(contextAt(log), timed).map(({ step }) => moveNamed(step));
  expect(moves.map((move) => [move?.piece, move?.level])).toEqual([
    ['duct-a1b2', 'fitted'],
    ['grille-x7k2', 'fitted'],
  ]);
});

test('what an owner added is no way to a piece of the kind', () => {
  const log = openedLog();
  log.add('accessory.found', { accessory: 'winch', name: 'Winch', side: 'centre', zone: 'front', holds: [], openMin: 5, closeMin: 6, people: 1, drive: 'hex', count: 4 });
  log.add('piece.moved', { piece: 'winch', level: 'off', fasteners: [] });
  perform(log, openUp.pieceCame(contextAt(log), came(), 'grille-x7k2'));
  expect(contextAt(log).profile.pieces.find(({ id }) => id === 'grille-x7k2')?.levels[0]?.ways[0]?.needs).toEqual([]);
});

test('a person says when enough is open, of the kits there are; whatever is opened or added after that asks anew', () => {
  const log = openedLog();
  perform(log, openUp.enough(contextAt(log)));
  expect([openingDone(contextAt(log)), codesOf(log, 'open-up')]).toEqual([true, []]);
  expect(openUp.enough(contextAt(log))).toEqual({ refused: [{ code: 'already' }] });
  const added = { ...contextAt(log), kits: [PAIR, { ...PAIR, slug: 'further-kit' }] };
  expect(openingDone(added)).toBe(false);
  expect(openUp.enough(added)).toEqual({ events: [{ type: 'opening.enough', payload: { kits: ['further-kit'] } }] });
  perform(log, openUp.pieceCame(contextAt(log), came(), 'grille-x7k2'));
  expect(openingDone(contextAt(log))).toBe(false);
  perform(log, openUp.enough(contextAt(log)));
  // Putting a piece back opens nothing.
  log.add('piece.moved', { piece: 'grille-x7k2', level: 'fitted', fasteners: [{ group: 'fixing-1', count: 5 }] });
  expect(openingDone(contextAt(log))).toBe(true);
});

test('bad input at a piece is refused with what is wrong', () => {
  const context = contextAt(openedLog());
  const refusals = (part: Partial<openUp.CamePiece>, sure = false) => {
    const act = openUp.pieceCame(context, came(part), 'grille-x7k2', sure);
    return isRefused(act) ? act.refused : [];
  };
  expect(refusals({ name: '  ' })).toEqual([{ code: 'missing', count: 1 }]);
  expect(refusals({ side: undefined, zone: undefined, openMin: 0 })).toEqual([{ code: 'missing', count: 3 }]);
  expect(refusals({ openMin: NaN })).toEqual([{ code: 'missing', count: 1 }]);
  expect(refusals({ fasteners: [{ drive: 'hex', count: 0, release: 'unscrew' }] })).toEqual([{ code: 'missing', count: 1 }]);
  expect(refusals({ fasteners: [{ drive: 'hex', count: 1.5, release: 'unscrew' }] })).toEqual([{ code: 'missing', count: 1 }]);
  expect(refusals({ name: 'x'.repeat(83) })).toEqual([{ code: 'too-long', over: 3, most: 80 }]);
  expect(refusals({ fasteners: [{ drive: 'hex', size: '9'.repeat(21), count: 1, release: 'unscrew' }] })).toEqual([{ code: 'too-long', over: 1, most: 20 }]);
  // Over twenty minutes it asks; said to be right it is kept.
  expect(refusals({ openMin: 21 })).toEqual([{ code: 'doubtful', doubts: [{ code: 'long', likelyMin: 20 }] }]);
  expect([refusals({ openMin: 21 }, true), refusals({ openMin: 20 })]).toEqual([[], []]);
});

test('a piece that is described already is not described twice, but its other side is', () => {
  const log = openedLog();
  perform(
    log,
    openUp.pieceCame(contextAt(log), came({ name: 'Arch liner, left', side: 'left', box: { xMm: [200, 700], yMm: [600, 900], zMm: [300, 800] } }), 'arch-liner-left-a1b2'),
  );
  expect(openUp.pieceCame(contextAt(log), came({ name: 'arch liner, LEFT', side: 'left' }), 'other-c3d4')).toEqual({
    refused: [{ code: 'described', piece: 'arch-liner-left-a1b2' }],
  });
  perform(log, openUp.pieceCame(contextAt(log), came({ name: 'Arch liner, right', side: 'right' }), 'arch-liner-right-e5f6'));
  expect(contextAt(log).profile.pieces.map(({ id }) => id)).toEqual(['arch-liner-left-a1b2', 'arch-liner-right-e5f6']);
});

test('a piece that is wanted besides is planned in with what lies before it, and is no longer offered', () => {
  const log = openedLog();
  const piece = (id: string, needs: string[]) => ({
    id,
    name: id,
    side: 'centre' as const,
    zone: 'front' as const,
    box: came().box,
    levels: [
      { level: 'off' as const, openMin: 2, closeMin: 3, people: 1, ways: [{ id: 'seen', needs: needs.map((need) => ({ piece: need, level: 'off' as const })), extraMin: 0 }] },
    ],
    fasteners: [],
    cautions: [],
  });
  const profile = { ...HERON, pieces: [piece('bonnet-seal', []), piece('grille', ['bonnet-seal']), piece('skid-plate', [])] };
  const at = () => contextAt(log, profile);
  expect(openUp.openable(at(), []).map(({ id }) => id)).toEqual(['bonnet-seal', 'grille', 'skid-plate']);
  perform(log, openUp.want(at(), 'grille'));
  const plan = planOpening(at());
  expect([plan.steps.map((step) => step.piece), openingDone(at())]).toEqual([['bonnet-seal', 'grille'], false]);
  // While there is something to open that is what the station asks for.
  expect(openUp.asked(at(), plan).map(({ code }) => code)).toEqual(['pieces-to-open']);
  expect(
    openUp
      .openable(
        at(),
        plan.steps.map((step) => step.piece),
      )
      .map(({ id }) => id),
  ).toEqual(['skid-plate']);
  expect(openUp.want(at(), 'grille')).toEqual({ refused: [{ code: 'unknown', what: 'piece', id: 'grille' }] });
  log.add('piece.moved', { piece: 'bonnet-seal', level: 'off', way: 'seen', fasteners: [] });
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'seen', fasteners: [] });
  expect(planOpening(at()).steps).toEqual([]);
  perform(log, openUp.enough(at()));
  expect(openingDone(at())).toBe(true);
});

test('a log that describes is held against what it describes, with the path of the fault', () => {
  const log = openedLog();
  perform(log, openUp.pieceCame(contextAt(log), came(), 'grille-x7k2'));
  perform(log, checkIn.lampsSeen(contextAt(log), ['plate']));
  log.add('baseline.tried', { lamp: 'plate', result: 'works' });
  const documents = { profile: HERON, kits: [PAIR], rules: RULES };
  const check = idCheck(documents);
  expect(log.events.slice(1).flatMap((event) => check(event, 'e'))).toEqual([]);
  const [, described, moved] = log.events;
  if (!described || !moved) throw new Error('no events');
  // Without the description nobody knows the piece; what was described before is known.
  expect(idCheck(documents)(moved, 'events[1]').map(({ path, code }) => `${path} ${code}`)).toEqual(['events[1].payload.piece unknown-id']);
  expect(idCheck(documents, { described: log.state.described })(moved, 'events[1]')).toEqual([]);
  const odd = (payload: object) => idCheck(documents)({ ...described, payload } as JobEvent, 'events[0]').map(({ path, code }) => `${path} ${code}`);
  const [piece] = described.type === 'kind.described' ? (described.payload.pieces ?? []) : [];
  const [level] = piece?.levels ?? [];
  expect(odd({})).toEqual(['events[0].payload one-of']);
  expect(odd({ pieces: [piece, piece] })).toContain('events[0].payload.pieces[1].id duplicate-id');
  const lamp = { id: 'plate', name: 'Plate lamp', side: 'centre', state: 'parking', at: { xMm: 0, yMm: 0, zMm: 0 }, when: { fact: 'trim', is: 'guard' } };
  expect(odd({ functions: [lamp] })).toEqual(['events[0].payload.functions[0].when.fact unknown-id']);
  // A description that is refused describes nothing, and the fault of another entry is none of it.
  const refusing = idCheck(documents);
  expect(refusing({ ...described, payload: { pieces: [{ ...piece, fasteners: [{ ...piece?.fasteners[0], atLevel: 'folded' }] }] } } as JobEvent, 'e')).toHaveLength(1);
  expect(refusing(moved, 'e')).toHaveLength(1);
  const broken = { ...HERON, pieces: [{ ...(piece as Piece), id: 'broken', levels: [] }] };
  expect(idCheck({ ...documents, profile: broken })(described, 'e')).toEqual([]);
  const needs = [{ piece: 'nowhere', level: 'off' }];
  expect(odd({ pieces: [{ ...piece, levels: [{ ...level, ways: [{ id: 'seen', needs, extraMin: 0 }] }] }] })).toEqual([
    'events[0].payload.pieces[0].levels[0].ways[0].needs[0].piece unknown-id',
  ]);
});
