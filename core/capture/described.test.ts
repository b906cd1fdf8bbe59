import fc from 'fast-check';
import { bareProfile, barePiece } from '../test/bare-profile.ts';
import { NEW_HERON } from '../test/new-heron.ts';
import { checkProfile, newKind, type Piece, type VehicleProfile } from '../vehicle/index.ts';
import { foldJob, idCheck } from '../log/index.ts';
import { jobContext, wouldLose, type JobContext } from '../job/index.ts';
import { planOpening } from '../plan/index.ts';
import type { Happened, JobEvent, LoggedEvent } from '../events/index.ts';
import { PAIR, RULES, TestLog } from '../job/test/log.ts';
import { checkIn, closeUp, isRefused, openUp, sense, type Act } from '../stations/index.ts';
import { kindCaptured, minutesKept, NOTHING_TAKEN, seenJob, takenTogether, withCaptured } from './index.ts';
import { allTaken as all } from './test/taken.ts';

const HERON = newKind(NEW_HERON);
const BOX = { xMm: [800, 900] as [number, number], yMm: [-100, 100] as [number, number], zMm: [500, 700] as [number, number] };

/** A job on the kind, a minute for each event. */
class Job {
  readonly log = new TestLog();

  constructor(
    readonly name: string,
    private readonly profile: VehicleProfile = HERON,
  ) {
    this.log.add('job.opened', { vehicle: 'v', profile: { slug: profile.slug, version: 1 }, kits: [{ slug: 'test-kit', version: 1 }], rules: { slug: 'r', version: 1 } });
  }

  get context(): JobContext {
    return jobContext(this.log.state, { profile: this.profile, kits: [PAIR], rules: RULES });
  }

  act(act: Act): void {
    if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
    for (const { type, payload } of act.events as Happened[]) this.log.add(type, payload as never);
  }

  came(id: string, openMin = 3, part: Partial<openUp.CamePiece> = {}): this {
    const came = { name: id.replace(/-\w+$/, ''), side: 'centre' as const, zone: 'front' as const, box: BOX, level: 'off' as const, openMin, people: 1 };
    this.act(openUp.pieceCame(this.context, { ...came, fasteners: [], beside: [], brittle: false, ...part }, id, true));
    return this;
  }

  isolated(id: string, part: Partial<openUp.CamePiece> = {}): this {
    if (!this.log.state.warnings.before) {
      this.act(checkIn.noMore(this.context, 'functions'));
      this.log.add('codes.read', { moment: 'before', count: 0 });
      this.log.add('warnings.read', { moment: 'before', lit: [] });
    }
    const by = { name: id.replace(/-\w+$/, ''), side: 'left' as const, zone: 'front' as const, box: BOX, level: 'off' as const, openMin: 1, people: 1 };
    this.act(openUp.supplyIsolated(this.context, { supply: 'low', by: { ...by, fasteners: [], beside: [], brittle: false, ...part }, waitMin: 2, before: [], forgets: [] }, id));
    return this;
  }

  sensor(id: string, on: string): this {
    const kind = id.replace(/-\w+$/, '') as 'radar' | 'camera';
    this.act(sense.sensorFound(this.context, { kind, name: kind, on, looks: 'forward', lock: 'tab', calibration: 'required', procedure: '', unplugged: false }, id));
    return this;
  }

  get events(): LoggedEvent[] {
    const named = (event: LoggedEvent): LoggedEvent => {
      const id = `${this.name}-${event.id}`;
      return event.type === 'undone' ? { ...event, id, payload: { event: `${this.name}-${event.payload.event}` } } : { ...event, id };
    };
    return this.log.events.map((event, index) => ({ ...named(event), at: new Date(Date.parse('2026-03-05T08:30:00Z') + index * 60_000).toISOString() }));
  }

  get seen() {
    return seenJob(this.name, { profile: this.profile, kits: [PAIR], rules: RULES }, this.events).seen;
  }

  get told() {
    const { described, kitsDescribed } = foldJob(this.events);
    return { job: this.name, described, kits: kitsDescribed };
  }
}

const sensorOn = (on: string) => ({
  id: 'radar',
  name: 'Radar',
  kind: 'radar' as const,
  on,
  lock: 'tab',
  pose: { xMm: 0, yMm: 0, zMm: 0, yawDeg: 0, pitchDeg: 0 },
  calibration: 'required' as const,
  procedure: '',
});

const captured = (...jobs: Job[]) =>
  kindCaptured(
    jobs.map(({ seen }) => seen),
    jobs.map(({ told }) => told),
    HERON,
  );
const needsOf = ({ levels }: Pick<Piece, 'levels'>) => levels.flatMap(({ level, ways }) => ways.map(({ needs }) => `${level}: ${needs.map(({ piece }) => piece).join(' ')}`));

test('a kind that was captured on one job is a sound profile whose plan is what was done', () => {
  const one = new Job('one').came('grille-a1', 4).came('bracket-b2', 2.5);
  const taught = captured(one);
  expect(taught.pieces.map(({ entry, jobs }) => [entry.id, jobs, needsOf(entry), entry.levels[0]?.openMin])).toEqual([
    ['grille-a1', ['one'], ['off: '], 4],
    ['bracket-b2', ['one'], ['off: grille-a1'], 2.5],
  ]);
  const profile = withCaptured(HERON, taught, all(taught));
  expect(checkProfile(profile)).toEqual([]);
  const next = new Job('next', profile);
  next.act(openUp.want(next.context, 'bracket-b2'));
  expect(planOpening(next.context).steps.map(({ piece }) => piece)).toEqual(['grille-a1', 'bracket-b2']);
  // Who takes the new version over on the running job loses nothing by it.
  expect(wouldLose(one.events, { profile, kits: [PAIR], rules: RULES }, 'job')).toEqual([]);
  // Kept, it is not proposed again.
  const again = kindCaptured([one.seen], [one.told], profile);
  expect([again.pieces, again.changes]).toEqual([[], []]);
});

test('what somebody said could have stayed on is no need of what came after it', () => {
  const one = new Job('one').came('grille-a1').came('duct-b2').came('bracket-c3');
  one.log.add('piece.moved', { piece: 'bracket-c3', level: 'fitted', fasteners: [] });
  one.act(
    closeUp.judge(one.context, [
      { piece: 'duct-b2', enough: 'fitted' },
      { piece: 'grille-a1', enough: 'needed' },
    ]),
  );
  expect(captured(one).pieces.map(({ entry }) => [entry.id, needsOf(entry)])).toEqual([
    ['grille-a1', ['off: ']],
    ['duct-b2', ['off: grille-a1']],
    ['bracket-c3', ['off: grille-a1']],
  ]);
});

test('two jobs that describe one name on one side describe one piece: its ways and its minutes are those of both', () => {
  const one = new Job('one').came('duct-q1', 2).came('grille-a1', 4);
  const two = new Job('two').came('grille-z9', 3.5);
  const taught = captured(one, two);
  expect(taught.pieces.map(({ entry, jobs }) => [entry.id, jobs, needsOf(entry), entry.levels[0]?.openMin])).toEqual([
    ['duct-q1', ['one'], ['off: '], 2],
    // On the second job nothing was open before it, and it took no longer: the longer way is none.
    ['grille-a1', ['one', 'two'], ['off: '], 3.5],
  ]);
  // Where it takes longer with less open, both ways stand, the longer one with what it takes more.
  const slow = new Job('two').came('grille-z9', 9);
  expect(captured(one, slow).pieces[1]?.entry.levels[0]).toMatchObject({
    openMin: 4,
    ways: [
      { needs: [{ piece: 'duct-q1', level: 'off' }], extraMin: 0 },
      { needs: [], extraMin: 5 },
    ],
  });
  // On the other side it is another piece.
  const left = new Job('three').came('grille-l1', 3, { side: 'left' });
  expect(captured(one, left).pieces.map(({ entry }) => entry.id)).toEqual(['duct-q1', 'grille-a1', 'grille-l1']);
});

test('what was seen and said under the id of the second description counts for the piece: answers, putting back, what did not come', () => {
  const one = new Job('one').came('grille-a1', 4);
  const two = new Job('two').came('grille-z9', 4).came('duct-z8', 2);
  two.log.add('piece.moved', { piece: 'duct-z8', level: 'fitted', fasteners: [] });
  two.log.add('piece.moved', { piece: 'grille-z9', level: 'fitted', fasteners: [] });
  two.act(closeUp.judge(two.context, [{ piece: 'grille-z9', enough: 'fitted' }]));
  const taught = captured(one, two);
  // The grille could have stayed on, and the clock says what it took to put it back: one minute by the log.
  expect(taught.pieces.map(({ entry }) => [entry.id, needsOf(entry), entry.levels[0]?.closeMin])).toEqual([
    ['grille-a1', ['off: '], 1],
    ['duct-z8', ['off: '], 1],
  ]);
  // On a third vehicle it did not come without, which withdraws what was said.
  const three = new Job('three').came('duct-y7', 2);
  three.log.add('piece.tried', { piece: 'duct-y7', level: 'off' });
  expect(captured(one, two, three).conflicts.length).toBeGreaterThan(0);
});

test('a piece that was taken to be as on the other side is kept as it was found there, and not where nobody opened it', () => {
  const liner = { name: 'Liner, left', side: 'left' as const, fasteners: [{ drive: 'hex' as const, count: 4, release: 'unscrew' as const }] };
  const mirrored = (name: string) => {
    const job = new Job(name).came('liner-left-a1', 4, liner);
    job.act(openUp.sameOnOtherSide(job.context, 'liner-left-a1', 'k7k7'));
    return job;
  };
  const right = (...jobs: Job[]) => captured(...jobs).pieces.find(({ entry }) => entry.side === 'right');
  const closed = mirrored('closed');
  expect([right(closed), captured(closed).unsayable, captured(closed).pieces.length]).toEqual([undefined, 0, 1]);
  // Two minutes less 0.2 to fetch the tool: (4³·1.8)^¼. Three of four bolts were there, and the left one was off.
  const found = mirrored('found');
  found.log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: false });
  found.log.add('way.chosen', { place: 'x', way: 'w' });
  found.log.add('piece.moved', { piece: 'liner-right-k7k7', level: 'off', way: 'seen', fasteners: [{ group: 'fixing-1', count: 3 }] });
  const entry = right(found)?.entry;
  expect([
    entry?.assumed,
    entry?.levels.map(({ openMin, ways }) => [openMin, ways.map(({ needs }) => needs.map(({ piece }) => piece))]),
    entry?.fasteners.map(({ count }) => count),
  ]).toEqual([undefined, [[3.28, [['liner-left-a1']]]], [3]]);
  expect(checkProfile(withCaptured(HERON, captured(found), all(captured(found))))).toEqual([]);
  // Held otherwise than on the left.
  const otherwise = mirrored('otherwise');
  otherwise.act(
    openUp.heldOtherwise(otherwise.context, { piece: 'liner-right-k7k7', level: 'off', fasteners: otherwise.context.profile.pieces.at(-1)?.fasteners ?? [] }, [
      { drive: 'hook', count: 2, release: 'slide' },
    ]),
  );
  otherwise.log.add('piece.moved', { piece: 'liner-right-k7k7', level: 'off', way: 'seen', fasteners: [{ group: 'found-1', count: 2 }] });
  expect(right(otherwise)?.entry.fasteners.map(({ drive, count }) => [drive, count])).toEqual([['hook', 2]]);
  // By force nobody knows how it comes.
  const broken = mirrored('broken');
  broken.log.add('piece.moved', { piece: 'liner-right-k7k7', level: 'off', way: 'seen', fasteners: [{ group: 'fixing-1', count: 4 }] });
  broken.log.add('fastener.broken', { piece: 'liner-right-k7k7', group: 'fixing-1', count: 1 });
  expect(right(broken)).toBeUndefined();
  // Another job described it itself.
  const own = new Job('own').came('liner-right-z9', 7, { ...liner, name: 'Liner, right', side: 'right' });
  for (const jobs of [[closed, own] as const, [own, closed] as const]) {
    const both = right(...jobs);
    expect([both?.entry.assumed, both?.entry.levels.map(({ openMin }) => openMin), both?.jobs.length]).toEqual([undefined, [7], 2]);
  }
  // There is none on this kind.
  const none = mirrored('none');
  none.act(openUp.notOfKind(none.context, 'liner-right-k7k7'));
  expect(right(none)).toBeUndefined();
  expect(right(none, closed)).toBeUndefined();
  expect(right(none, found)?.entry.assumed).toBeUndefined();
});

test('the minutes of a piece that is kept are in the version, opening and back; those of what was left, and of what it has already, are not', () => {
  const one = new Job('one').came('grille-a1', 4).came('duct-a2', 2);
  one.log.add('piece.moved', { piece: 'grille-a1', level: 'fitted', fasteners: [] });
  const two = new Job('two').came('grille-z9', 3.5);
  two.log.add('piece.moved', { piece: 'grille-z9', level: 'fitted', fasteners: [] });
  const [jobs, told] = [[one, two].map(({ seen }) => seen), [one, two].map((job) => job.told)];
  const after = withCaptured(HERON, captured(one, two), { ...NOTHING_TAKEN, pieces: ['grille-a1'] });
  const named = (moves: readonly { job: string; event: string }[]) =>
    moves.map(({ job, event }) => {
      const found = [one, two].flatMap((entry) => entry.events).find(({ id }) => id === event);
      return found?.type === 'piece.moved' ? `${job}: ${found.payload.piece} ${found.payload.level}` : event;
    });
  const kept = minutesKept(jobs, told, HERON, after);
  expect(named(kept)).toEqual(['one: grille-a1 off', 'one: grille-a1 fitted', 'two: grille-z9 off', 'two: grille-z9 fitted']);
  // Kept with the duct afterwards, the minutes of the grille stay where they are.
  const duct = withCaptured(after, kindCaptured(jobs, told, after), { ...NOTHING_TAKEN, pieces: ['duct-a2'] });
  expect(named(minutesKept(jobs, told, after, duct))).toEqual(['one: duct-a2 off']);
  expect(minutesKept(jobs, told, duct, duct)).toEqual([]);
});

test('a piece that the profile has under its id or under its name is that one; fasteners of a level that is not kept go with it', () => {
  const one = new Job('one').came('grille-a1', 4);
  const profile = withCaptured(HERON, captured(one), all(captured(one)));
  // Called otherwise since, it is still the same; described anew under another id, it is too.
  const called = { ...profile, pieces: profile.pieces.map((piece) => ({ ...piece, name: 'Radiator grille' })) };
  expect(kindCaptured([one.seen], [one.told], called).pieces).toEqual([]);
  // Though another is called by its old name by now, what was seen of it is its own.
  const [own] = profile.pieces;
  if (!own) throw new Error('no piece');
  const swapped = {
    ...called,
    pieces: [
      ...called.pieces,
      { ...own, id: 'lower-grille', levels: own.levels.map((level) => ({ ...level, ways: [{ id: 'w', needs: [{ piece: 'grille-a1', level: 'off' as const }], extraMin: 0 }] })) },
    ],
  };
  expect(kindCaptured([one.seen], [one.told], swapped).changes).toEqual([]);
  const two = new Job('two').came('grille-z9', 4);
  expect(kindCaptured([two.seen], [two.told], profile).pieces).toEqual([]);
  // A way over a piece that is gone from what is told cannot be said: it is counted, and what it alone led to is left out.
  const three = new Job('three').came('bracket-b2').came('duct-c3', 2, { fasteners: [{ drive: 'hook', count: 2, release: 'slide' }] });
  const { pieces } = three.told.described;
  const { 'bracket-b2': _gone, ...rest } = pieces;
  const lost = kindCaptured([three.seen], [{ job: 'three', described: { ...three.told.described, pieces: rest } }], HERON);
  expect([lost.pieces, lost.unsayable]).toEqual([[], 1]);
});

test('a level that came by force is none, and what came out at it is not kept', () => {
  const one = new Job('one').came('grille-a1', 4, { level: 'folded', fasteners: [{ drive: 'hook', count: 3, release: 'slide' }] });
  one.log.add('fastener.broken', { piece: 'grille-a1', group: 'fixing-1', count: 1 });
  const two = new Job('two').came('grille-z9', 3.5);
  const taught = captured(one, two);
  expect(taught.pieces.map(({ entry }) => [entry.id, entry.levels.map(({ level }) => level), entry.fasteners])).toEqual([['grille-a1', ['off'], []]]);
  expect(checkProfile(withCaptured(HERON, taught, all(taught)))).toEqual([]);
});

test('a piece that went further on a later move is learned at both levels, with what came out at each; one that the profile has is offered its new level', () => {
  const further = (job: Job, id: string, openMin: number) =>
    job.act(openUp.wentFurther(job.context, id, { level: 'off', openMin, people: 1, fasteners: [{ drive: 'push-pin', count: 5, release: 'push centre' }] }));
  const one = new Job('one').came('tray-t1', 1).came('skirt-a1', 2, { level: 'loosened', fasteners: [{ drive: 'hex', count: 2, release: 'unscrew' }] });
  further(one, 'skirt-a1', 3);
  const [, skirt] = captured(one).pieces;
  expect(skirt?.entry.levels.map(({ level, openMin, ways }) => [level, openMin, ways.map(({ needs }) => needs.map(({ piece }) => piece).join(' '))])).toEqual([
    ['loosened', 2, ['tray-t1']],
    ['off', 5, ['skirt-a1 tray-t1']],
  ]);
  expect(skirt?.entry.fasteners.map(({ atLevel, count }) => [atLevel, count])).toEqual([
    ['loosened', 2],
    ['off', 5],
  ]);
  // Kept from a job that only loosened it, it is taken further on the next.
  const first = new Job('first').came('tray-t1', 1).came('skirt-a1', 2, { level: 'loosened', fasteners: [{ drive: 'hex', count: 2, release: 'unscrew' }] });
  const taught = captured(first);
  const kind = withCaptured(HERON, taught, all(taught));
  const second = new Job('second', kind);
  second.log.add('piece.moved', { piece: 'tray-t1', level: 'off', fasteners: [] });
  second.log.add('piece.moved', { piece: 'skirt-a1', level: 'loosened', fasteners: [] });
  further(second, 'skirt-a1', 4);
  const again = kindCaptured([second.seen], [second.told], kind);
  expect(
    again.otherwise.map(({ entry, before, jobs }) => [entry.id, entry.levels.map(({ level }) => level), entry.fasteners.map(({ atLevel }) => atLevel), before.levels.length, jobs]),
  ).toEqual([['skirt-a1', ['loosened', 'off'], ['loosened', 'off'], 1, ['second']]]);
  const kept = withCaptured(kind, again, all(again));
  expect([checkProfile(kept), kept.pieces.find(({ id }) => id === 'skirt-a1')?.levels.map(({ level }) => level)]).toEqual([[], ['loosened', 'off']]);
  expect(kindCaptured([second.seen], [second.told], kept).otherwise).toEqual([]);
  expect(withCaptured(kind, again, { ...all(again), otherwise: [] }).pieces).toEqual(kind.pieces);
  // A level that leads over a piece which somebody left is left as well, with what came out at it.
  const third = new Job('third', kind);
  third.log.add('piece.moved', { piece: 'skirt-a1', level: 'loosened', fasteners: [] });
  third.came('strap-x9', 1);
  further(third, 'skirt-a1', 4);
  const over = kindCaptured([third.seen], [third.told], kind);
  const without = withCaptured(kind, over, { ...all(over), pieces: [], ways: [] });
  expect([checkProfile(without), without.pieces]).toEqual([[], kind.pieces]);
  expect(
    withCaptured(kind, over, all(over))
      .pieces.find(({ id }) => id === 'skirt-a1')
      ?.levels.map(({ level }) => level),
  ).toEqual(['loosened', 'off']);
});

test('what had to go back first is learned where somebody said it: once, under the pieces that are kept, and none that goes round', () => {
  const said = (name: string, ...rules: [first: string, then: string][]) => {
    const job = new Job(name).came('grille-a1').came('duct-b2').came('trim-c3');
    for (const [first, then] of rules) job.log.add('kind.described', { refitRules: [{ id: `${name}-${first}`, first, then, why: 'clips' }] });
    return job;
  };
  const jobs = [said('one', ['trim-c3', 'duct-b2']), said('two', ['trim-c3', 'duct-b2'], ['duct-b2', 'trim-c3']), said('three', ['grille-a1', 'trim-c3'])];
  const taught = captured(...jobs);
  expect(taught.refitRules.map(({ entry, jobs: by }) => [entry.id, entry.first, entry.then, by])).toEqual([
    ['one-trim-c3', 'trim-c3', 'duct-b2', ['one', 'two']],
    ['three-grille-a1', 'grille-a1', 'trim-c3', ['three']],
  ]);
  const kept = withCaptured(HERON, taught, all(taught));
  expect([kept.refitRules.map(({ id }) => id), checkProfile(kept)]).toEqual([['one-trim-c3', 'three-grille-a1'], []]);
  // Who leaves a piece leaves what is said of it.
  const left = withCaptured(HERON, taught, { ...all(taught), pieces: ['grille-a1', 'duct-b2'] });
  expect(left.refitRules).toEqual([]);
  const again = kindCaptured(
    jobs.map(({ seen }) => seen),
    jobs.map(({ told }) => told),
    kept,
  );
  expect(again.refitRules).toEqual([]);
});

test('a list that is described already is not said to be whole anew, and a way that was left is left', () => {
  const one = new Job('one').came('grille-a1').came('duct-b2');
  one.act(checkIn.noMore(one.context, 'sensors'));
  expect(captured(one).whole).toEqual([{ list: 'sensors', jobs: ['one'] }]);
  const { undescribed: _none, ...described } = HERON;
  expect(kindCaptured([one.seen], [one.told], described).whole).toEqual([]);
  const kept = withCaptured(HERON, captured(one), all(captured(one)));
  // On the next vehicle the duct came with the grille on.
  const next = new Job('next', kept);
  next.log.add('piece.moved', { piece: 'duct-b2', level: 'off', fasteners: [] });
  const taught = kindCaptured([next.seen], [next.told], kept);
  expect(taught.changes).toHaveLength(1);
  expect(withCaptured(kept, taught, { ...all(taught), ways: [] })).toEqual(kept);
  expect(withCaptured(kept, taught, all(taught)).pieces[1]?.levels[0]?.ways).toHaveLength(2);
});

test('who leaves a piece leaves what leads over it, and takes the rest', () => {
  const one = new Job('one').came('grille-a1').came('bracket-b2').came('mount-c3');
  one.act(checkIn.lampsSeen(one.context, ['plate', 'dipped-left']));
  one.act(checkIn.noMore(one.context, 'functions'));
  const taught = captured(one);
  const left = { ...all(taught), pieces: ['grille-a1', 'mount-c3'], functions: ['plate'] };
  expect(takenTogether(taught, HERON, left).pieces.map(({ id }) => id)).toEqual(['grille-a1']);
  const profile = withCaptured(HERON, taught, left);
  expect([profile.pieces.map(({ id }) => id), profile.functions.map(({ id }) => id), profile.undescribed]).toEqual([['grille-a1'], ['plate'], ['pieces', 'sensors', 'mounts']]);
  expect(checkProfile(profile)).toEqual([]);
  expect(withCaptured(HERON, taught, NOTHING_TAKEN)).toEqual(HERON);
});

test('what a job described and took back is not proposed', () => {
  const one = new Job('one').came('grille-a1');
  const described = one.log.events.findLast(({ type }) => type === 'kind.described');
  const moved = one.log.events.findLast(({ type }) => type === 'piece.moved');
  for (const event of [described, moved]) if (event) one.log.add('undone', { event: event.id });
  expect(captured(one).pieces).toEqual([]);
  // Described and never moved nobody knows a way to it.
  const still = new Job('two').came('grille-a1');
  const move = still.log.events.findLast(({ type }) => type === 'piece.moved');
  if (move) still.log.add('undone', { event: move.id });
  expect(captured(still).pieces).toEqual([]);
});

/** A vehicle as it is in truth: pieces by number, each with the ways that lead to it, as sets of earlier ones. */
const truths = fc
  .integer({ min: 2, max: 7 })
  .chain((count) =>
    fc.tuple(...Array.from({ length: count }, (_, index) => fc.array(fc.subarray(Array.from({ length: index }, (__, earlier) => earlier)), { minLength: 1, maxLength: 2 }))),
  );
/** Orders in which people open: any that the truth allows, with needless pieces as it comes. */
const orderOf = (truth: number[][][], picks: readonly number[]): number[] => {
  const order: number[] = [];
  for (const pick of picks) {
    const free = truth.flatMap((ways, piece) => (!order.includes(piece) && ways.some((way) => way.every((need) => order.includes(need))) ? [piece] : []));
    const next = free[pick % Math.max(1, free.length)];
    if (next !== undefined) order.push(next);
  }
  return order;
};

test('whatever is captured by people who open as they like, no way of the kept profile is one that the vehicle does not have', () => {
  fc.assert(
    fc.property(truths, fc.array(fc.array(fc.nat(20), { minLength: 1, maxLength: 7 }), { minLength: 1, maxLength: 3 }), (truth, people) => {
      const jobs = people.map((picks, index) => {
        const job = new Job(`job-${index}`);
        // Each gives his own ids: only the names are the same.
        for (const piece of orderOf(truth, picks)) job.came(`piece${piece}-j${index}`, 1 + piece);
        return job;
      });
      const taught = captured(...jobs);
      const profile = withCaptured(HERON, taught, all(taught));
      const number = (id: string) => Number(/^piece(\d+)-/.exec(id)?.[1]);
      const sound = profile.pieces.every((piece) =>
        piece.levels.every(({ ways }) =>
          ways.every(({ needs }) => {
            const open = needs.map((need) => number(need.piece));
            return truth[number(piece.id)]?.some((way) => way.every((need) => open.includes(need))) ?? false;
          }),
        ),
      );
      const opened = new Set(people.flatMap((picks) => orderOf(truth, picks)));
      return sound && checkProfile(profile).length === 0 && profile.pieces.length === opened.size && new Set(profile.pieces.map(({ id }) => number(id))).size === opened.size;
    }),
    { numRuns: 300 },
  );
});

test('a supply and sensors of two jobs are kept once, with the pieces as they are kept; what they are on is left with it', () => {
  const one = new Job('one').came('clamp-b2', 1, { side: 'left' }).came('trim-c3').sensor('radar-p6', 'trim-c3');
  const two = new Job('two').isolated('clamp-z9').came('trim-z8').sensor('radar-q7', 'trim-z8').sensor('camera-r5', 'trim-z8');
  const taught = captured(one, two);
  expect(taught.supplies.map(({ entry, jobs }) => [entry.id, entry.piece, jobs])).toEqual([['low', 'clamp-b2', ['two']]]);
  expect(taught.sensors.map(({ entry, jobs }) => [entry.id, entry.on, jobs])).toEqual([
    ['radar-p6', 'trim-c3', ['one', 'two']],
    ['camera-r5', 'trim-c3', ['two']],
  ]);
  const kept = withCaptured(HERON, taught, all(taught));
  expect([checkProfile(kept), kept.supplies.length, kept.sensors.length]).toEqual([[], 1, 2]);
  const left = takenTogether(taught, HERON, { ...all(taught), pieces: ['clamp-b2'] });
  expect([left.sensors, left.supplies.map(({ id }) => id)]).toEqual([[], ['low']]);
});

test('what isolates a supply asks for no dead one itself, however much further it goes', () => {
  const one = new Job('one').isolated('clamp-b2', { level: 'loosened' });
  one.log.add('piece.moved', { piece: 'clamp-b2', level: 'off', fasteners: [] });
  const taught = captured(one);
  const kept = withCaptured(HERON, taught, all(taught));
  expect(kept.pieces[0]?.levels.map(({ level, ways }) => [level, ways.map(({ needs, asks }) => [needs.map(({ piece }) => piece), asks])])).toEqual([
    ['loosened', [[[], undefined]]],
    ['off', [[['clamp-b2'], undefined]]],
  ]);
  expect(checkProfile(kept)).toEqual([]);
});

test('what came off while a supply was dead that the profile has asks for it; of what the profile has itself the isolation is no need', () => {
  const clamp: Piece = {
    id: 'clamp',
    name: 'Clamp',
    side: 'left',
    zone: 'front',
    box: BOX,
    levels: [{ level: 'off', openMin: 1, closeMin: 1, people: 1, ways: [{ id: 'top', needs: [], extraMin: 0 }] }],
    fasteners: [],
    cautions: [],
  };
  const low = { id: 'low' as const, name: '12 V battery', piece: 'clamp', level: 'off' as const, waitMin: 2, by: 'anyone' as const, before: [], forgets: [] };
  const known = { ...HERON, pieces: [clamp], supplies: [low] };
  const one = new Job('one', known);
  one.log.add('piece.moved', { piece: 'clamp', level: 'off', fasteners: [] });
  one.came('trim-c3');
  const taught = kindCaptured([one.seen], [one.told], known);
  expect(withCaptured(known, taught, all(taught)).pieces[1]?.levels[0]?.ways[0]).toMatchObject({ needs: [], asks: [{ supply: 'low', is: 'dead' }] });
  // The grille is described: that it came with the battery off, which only this job describes, is no way of its own.
  const grille: Piece = {
    ...clamp,
    id: 'grille',
    name: 'Grille',
    levels: [{ ...clamp.levels[0]!, ways: [{ id: 'front', needs: [{ piece: 'duct', level: 'off' }], extraMin: 0 }] }],
  };
  const duct: Piece = { ...clamp, id: 'duct', name: 'Duct' };
  const described = { ...HERON, pieces: [grille, duct] };
  const two = new Job('two', described).isolated('clamp-b2');
  two.log.add('piece.moved', { piece: 'grille', level: 'off', fasteners: [] });
  const way = kindCaptured([two.seen], [two.told], described).changes.find(({ place }) => 'piece' in place && place.piece === 'grille')?.way;
  expect(way?.needs).toEqual([]);
});

test('what tells two vehicles apart is kept with the kind: asked from then on, and the way in follows the answer', () => {
  const one = new Job('one').came('skid plate-a1', 4).came('bracket-b2', 2.5);
  const first = captured(one);
  const kept = withCaptured(HERON, first, all(first));
  // The second one comes without it.
  const two = new Job('two', kept);
  const lacks = { has: false, pieces: ['skid plate-a1'], label: 'Skid plate', here: 'none', elsewhere: 'fitted', howToSee: 'Look under the bumper.' };
  two.act(checkIn.differs(two.context, lacks, 'skid-plate-f3'));
  two.act(openUp.want(two.context, 'bracket-b2'));
  expect(planOpening(two.context).steps.map(({ piece }) => piece)).toEqual(['bracket-b2']);
  const taught = kindCaptured([one.seen, two.seen], [one.told, two.told], kept);
  expect(taught.facts).toEqual([
    {
      entry: {
        id: 'skid-plate-f3',
        label: 'Skid plate',
        choices: ['fitted', 'none'],
        howToSee: 'Look under the bumper.',
        lookMin: 1,
        tells: [{ piece: 'skid plate-a1', when: { not: { fact: 'skid-plate-f3', is: 'none' } } }],
      },
      jobs: ['two'],
    },
  ]);
  const profile = withCaptured(kept, taught, all(taught));
  expect([checkProfile(profile), profile.facts.map(({ id }) => id), profile.pieces[0]?.when]).toEqual([[], ['skid-plate-f3'], { not: { fact: 'skid-plate-f3', is: 'none' } }]);
  expect(withCaptured(kept, taught, { ...all(taught), facts: [] }).pieces[0]?.when).toBeUndefined();
  const next = (value: string) => {
    const job = new Job('next', profile);
    job.log.add('fact.recorded', { fact: 'skid-plate-f3', certainty: 'known', value });
    job.act(openUp.want(job.context, 'bracket-b2'));
    return planOpening(job.context).steps.map(({ piece }) => piece);
  };
  expect([next('none'), next('fitted')]).toEqual([['bracket-b2'], ['skid plate-a1', 'bracket-b2']]);
  // Kept, it is not proposed again; nor where the piece hangs on it and the job said nothing new.
  expect(kindCaptured([one.seen, two.seen], [one.told, two.told], profile).facts).toEqual([]);
});

test('two jobs that told vehicles apart by the same are one fact, under the id of the first, and so is one that the profile asks', () => {
  const one = new Job('one').came('skid-plate-a1').came('winch plate-b2');
  const first = captured(one);
  const kept = withCaptured(HERON, first, all(first));
  const lacks = (job: Job, piece: string, label: string, here: string, elsewhere: string, id: string) => {
    job.act(checkIn.differs(job.context, { has: false, pieces: [piece], label, here, elsewhere, howToSee: 'Look under it.' }, id));
    return job;
  };
  const two = lacks(new Job('two', kept), 'skid-plate-a1', 'Guard', 'none', 'fitted', 'guard-x1');
  const three = lacks(new Job('three', kept), 'winch plate-b2', 'GUARD ', 'Fitted', 'None', 'guard-y2');
  // Of other choices it is another fact.
  const four = lacks(new Job('four', kept), 'winch plate-b2', 'Guard', 'steel', 'none', 'guard-z3');
  const taught = kindCaptured([], [two.told, three.told, four.told], kept);
  expect(taught.facts.map(({ entry, jobs }) => [entry.id, jobs, entry.tells])).toEqual([
    [
      'guard-x1',
      ['two', 'three'],
      [
        { piece: 'skid-plate-a1', when: { not: { fact: 'guard-x1', is: 'none' } } },
        { piece: 'winch plate-b2', when: { not: { fact: 'guard-x1', is: 'fitted' } } },
      ],
    ],
    ['guard-z3', ['four'], [{ piece: 'winch plate-b2', when: { not: { fact: 'guard-z3', is: 'steel' } } }]],
  ]);
  const profile = withCaptured(kept, taught, { ...all(taught), facts: ['guard-x1'] });
  expect([checkProfile(profile), profile.facts.length]).toEqual([[], 1]);
  // The profile asks it by now: a later job that tells a piece by the same gives that fact, with what hangs on it.
  const five = lacks(new Job('five', kept), 'winch plate-b2', 'guard', 'none', 'fitted', 'guard-q9');
  expect(kindCaptured([], [five.told], { ...profile, pieces: kept.pieces }).facts.map(({ entry }) => [entry.id, entry.tells])).toEqual([
    ['guard-x1', [{ piece: 'winch plate-b2', when: { not: { fact: 'guard-x1', is: 'none' } } }]],
  ]);
  // Both at once where a piece hangs on two.
  const both = withCaptured(kept, taught, all(taught)).pieces.find(({ id }) => id === 'winch plate-b2')?.when;
  expect(both).toEqual({ all: [{ not: { fact: 'guard-x1', is: 'fitted' } }, { not: { fact: 'guard-z3', is: 'steel' } }] });
});

test('a fact that tells of a piece which somebody left is left as well', () => {
  const one = new Job('one').came('skid-plate-a1').came('bracket-b2');
  one.act(checkIn.differs(one.context, { has: true, pieces: ['skid-plate-a1'], label: 'Skid plate', here: 'fitted', elsewhere: 'none', howToSee: 'Look.' }, 'skid-plate-f3'));
  const taught = captured(one);
  expect(taught.facts.map(({ entry }) => entry.tells)).toEqual([[{ piece: 'skid-plate-a1', when: { fact: 'skid-plate-f3', is: 'fitted' } }]]);
  const left = { ...all(taught), pieces: ['bracket-b2'] };
  expect(takenTogether(taught, HERON, left).facts).toEqual([]);
  expect(withCaptured(HERON, taught, left).facts).toEqual([]);
  expect(withCaptured(HERON, taught, all(taught)).pieces[0]?.when).toEqual({ fact: 'skid-plate-f3', is: 'fitted' });
});

describe('a kind that is much like another', () => {
  const held = (id: string, count: number) => ({
    id,
    drive: 'hex' as const,
    count,
    place: 'top',
    side: 'centre' as const,
    singleUse: false,
    release: 'unscrew' as const,
    tighten: {},
    atLevel: 'off' as const,
  });
  const way = (id: string, ...pieces: string[]) => ({ id, needs: pieces.map((piece) => ({ piece, level: 'off' as const })), extraMin: 0 });
  const piece = (id: string, ways: ReturnType<typeof way>[], fasteners = [held('bolts', 4)]): Piece => ({
    ...barePiece(id, { levels: [{ level: 'off', openMin: 2, closeMin: 3, people: 1, ways }], fasteners }),
    name: id,
  });
  const like = bareProfile({
    body: NEW_HERON.body,
    pieces: [
      piece('grille', [way('front')], [held('bolts', 4), held('clips', 6)]),
      piece('cowl', [way('front')]),
      piece('duct', [way('above', 'cowl'), way('below', 'grille')]),
      piece('tray', [way('front', 'grille')]),
    ],
  });
  const kind = newKind(NEW_HERON, like);
  const teach = (profile: VehicleProfile, ...jobs: Job[]) =>
    kindCaptured(
      jobs.map(({ seen }) => seen),
      jobs.map(({ told }) => told),
      profile,
    );
  const opened = (job: Job, id: string, ...fasteners: { group: string; count: number }[]) => {
    job.log.add('piece.moved', { piece: id, level: 'off', fasteners });
    return job;
  };

  test('what was opened is certain, as it was counted and by the ways that go; what nobody opened stays assumed', () => {
    const one = new Job('one', kind);
    one.log.add('piece.tried', { piece: 'duct', level: 'off' });
    opened(one, 'grille', { group: 'bolts', count: 5 }, { group: 'clips', count: 0 });
    expect(one.context.profile.pieces.map(({ id, assumed }) => [id, assumed !== undefined])).toEqual([
      ['grille', false],
      ['cowl', true],
      ['duct', true],
      ['tray', true],
    ]);
    opened(one, 'cowl', { group: 'bolts', count: 4 });
    one.log.add('piece.tried', { piece: 'tray', level: 'off' });
    opened(one, 'duct', { group: 'bolts', count: 4 });
    const taught = teach(kind, one);
    expect(taught.confirmed.map(({ entry, jobs }) => [entry.id, jobs, entry.fasteners.map(({ id, count }) => `${id} ${count}`)])).toEqual([
      ['grille', ['one'], ['bolts 5']],
      ['cowl', ['one'], ['bolts 4']],
      ['duct', ['one'], ['bolts 4']],
    ]);
    const profile = withCaptured(kind, taught, all(taught));
    expect(checkProfile(profile)).toEqual([]);
    expect(profile.pieces.map(({ id, assumed }) => [id, assumed])).toEqual([
      ['grille', undefined],
      ['cowl', undefined],
      ['duct', undefined],
      ['tray', 'Wexholm Test van'],
    ]);
    expect(teach(profile, one).confirmed).toEqual([]);
    // The job that taught it loses nothing by it.
    expect(wouldLose(one.events, { profile, kits: [PAIR], rules: RULES }, 'job')).toEqual([]);
    const left = withCaptured(kind, taught, { ...all(taught), confirmed: ['cowl'] });
    expect(left.pieces.map(({ assumed }) => assumed !== undefined)).toEqual([true, false, true, true]);
  });

  test('what is held otherwise is learned as the newest job said it, with those that said so; of one that was assumed it is part of what was found', () => {
    const certainly = withCaptured(kind, teach(kind, opened(new Job('first', kind), 'cowl')), { ...NOTHING_TAKEN, confirmed: ['cowl'] });
    const said = (name: string, id: string, count: number) => {
      const job = new Job(name, certainly);
      const group = { ...(kind.pieces.find((piece) => piece.id === id)?.fasteners[0] as Piece['fasteners'][number]), id: 'found-1', drive: 'push-pin' as const, count };
      job.log.add('kind.described', { held: [{ piece: id, fasteners: [group] }] });
      return opened(job, id, { group: 'found-1', count });
    };
    // The newest job comes first.
    const jobs = [said('one', 'cowl', 3), said('two', 'cowl', 3), said('three', 'cowl', 5), said('four', 'grille', 7)];
    const taught = teach(certainly, ...jobs);
    expect(
      taught.otherwise.map(({ entry, before, jobs: by }) => [entry.id, entry.fasteners.map(({ id, count }) => `${id} ${count}`), before.fasteners.map(({ id }) => id), by]),
    ).toEqual([['cowl', ['found-1 3'], kind.pieces.find(({ id }) => id === 'cowl')?.fasteners.map(({ id }) => id), ['one', 'two']]]);
    expect(taught.confirmed.map(({ entry }) => [entry.id, entry.fasteners.map(({ id, count }) => `${id} ${count}`)])).toEqual([['grille', ['found-1 7']]]);
    const kept = withCaptured(certainly, taught, all(taught));
    expect(['cowl', 'grille'].map((id) => kept.pieces.find((piece) => piece.id === id)?.fasteners.map((group) => group.count))).toEqual([[3], [7]]);
    expect(checkProfile(kept)).toEqual([]);
    expect(teach(kept, ...jobs).otherwise).toEqual([]);
    expect(withCaptured(certainly, taught, { ...all(taught), otherwise: [] }).pieces.find(({ id }) => id === 'cowl')).toEqual(certainly.pieces.find(({ id }) => id === 'cowl'));
  });

  test('a way that did not go is none of it; where none is left they stay until another one is shown', () => {
    const one = opened(new Job('one', kind), 'grille');
    // It does not come by the way below; with the cowl off it does.
    one.act(openUp.wayBlocked(one.context, { place: 'duct', level: 'off', way: 'below', why: 'A rib stands before it.', never: true }));
    opened(opened(one, 'cowl'), 'duct');
    const taught = teach(kind, one);
    expect(wouldLose(one.events, { profile: withCaptured(kind, taught, all(taught)), kits: [PAIR], rules: RULES }, 'job')).toEqual([]);
    expect(taught.confirmed.map(({ entry }) => [entry.id, entry.levels.flatMap(({ ways }) => ways.map(({ id }) => id))])).toEqual([
      ['grille', ['front']],
      ['cowl', ['front']],
      ['duct', ['above']],
    ]);
    const two = opened(opened(new Job('two', kind), 'grille'), 'cowl');
    two.log.add('piece.tried', { piece: 'duct', level: 'off' });
    opened(two, 'duct');
    expect(teach(kind, two).confirmed[2]?.entry.levels[0]?.ways.map(({ id }) => id)).toEqual(['above', 'below']);
  });

  test('what did not come off may be loosened all the same, and what the newest job counted counts', () => {
    const levels = (['loosened', 'off'] as const).map((level) => ({ level, openMin: 1, closeMin: 1, people: 1, ways: [way('front')] }));
    const own = newKind(NEW_HERON, { ...like, pieces: like.pieces.map((entry) => (entry.id === 'grille' ? { ...entry, levels } : entry)) });
    const newest = new Job('two', own);
    newest.log.add('piece.tried', { piece: 'grille', level: 'off' });
    newest.log.add('piece.moved', { piece: 'grille', level: 'loosened', fasteners: [{ group: 'bolts', count: 3 }] });
    const older = opened(new Job('one', own), 'grille', { group: 'bolts', count: 5 });
    const [found] = teach(own, newest, older).confirmed;
    expect(found?.entry.levels.map(({ level, ways }) => [level, ways.length])).toEqual([['loosened', 1]]);
    expect([found?.entry.fasteners.find(({ id }) => id === 'bolts')?.count, found?.jobs]).toEqual([3, ['two', 'one']]);
  });

  test('what came open, or broke on the way, is not confirmed by that', () => {
    const one = new Job('one', kind);
    one.act(openUp.cameOpen(one.context, 'cowl', 'off'));
    expect(one.context.profile.pieces[1]?.assumed).toBe('Wexholm Test van');
    opened(one, 'grille');
    one.log.add('fastener.broken', { piece: 'grille', group: 'bolts', count: 1 });
    expect(teach(kind, one).confirmed).toEqual([]);
  });

  test('what one device said to be missing and another one opened meanwhile is there, whoever is heard first', () => {
    const one = new Job('one', kind);
    one.act(openUp.notOfKind(one.context, 'grille'));
    const check = idCheck({ profile: kind, kits: [PAIR], rules: RULES });
    const moved = { id: 'm', type: 'piece.moved', v: 1, at: '', payload: { piece: 'grille', level: 'off', fasteners: [] } } as JobEvent;
    expect([...one.log.events, moved].flatMap((event, index) => check(event as JobEvent, `events[${index}]`))).toEqual([]);
    opened(one, 'grille');
    expect([one.log.state.described.without, one.context.profile.pieces.map(({ id }) => id)]).toEqual([[], ['grille', 'cowl', 'duct', 'tray']]);
    const two = opened(new Job('two', kind), 'grille');
    two.log.add('kind.described', { without: ['grille', 'cowl'] });
    expect(two.log.state.described.without).toEqual(['cowl']);
  });

  test('a piece that this kind does not have is planned no more here, and goes once that is kept', () => {
    const one = new Job('one', kind);
    one.act(openUp.want(one.context, 'tray'));
    const steps = () => planOpening(one.context).steps.map(({ piece: id }) => id);
    expect(steps()).toEqual(['grille', 'tray']);
    expect(openUp.assumedIn(one.context, planOpening(one.context))).toEqual([{ of: 'Wexholm Test van', pieces: ['grille', 'tray'] }]);
    one.act(openUp.notOfKind(one.context, 'grille'));
    expect([steps(), one.context.profile.pieces.map(({ id }) => id)]).toEqual([['tray'], ['cowl', 'duct', 'tray']]);
    // Its log speaks of it by name all the same.
    expect(one.context.absent?.map(({ id }) => id)).toEqual(['grille']);
    opened(one, 'tray');
    expect(openUp.assumedIn(one.context, planOpening(one.context))).toEqual([]);
    // What is gone, was opened here or is certain is none that could be missing.
    expect(['grille', 'tray', 'moon'].map((id) => openUp.canBeWithout(one.context, id))).toEqual([false, false, false]);
    expect(isRefused(openUp.notOfKind(one.context, 'tray'))).toBe(true);
    const sensors = [{ ...sensorOn('cowl') }];
    expect([openUp.canBeWithout(one.context, 'cowl'), openUp.canBeWithout({ ...one.context, profile: { ...one.context.profile, sensors } }, 'cowl')]).toEqual([true, false]);
    const certainOne = { ...one.context.profile, pieces: one.context.profile.pieces.map(({ assumed: _assumed, ...rest }) => rest) };
    expect(openUp.canBeWithout({ ...one.context, profile: certainOne }, 'cowl')).toBe(false);
    const taught = teach(kind, one);
    expect(taught.without).toEqual([{ piece: 'grille', jobs: ['one'] }]);
    const profile = withCaptured(kind, taught, all(taught));
    expect(wouldLose(one.events, { profile, kits: [PAIR], rules: RULES }, 'job')).toEqual([]);
    expect([checkProfile(profile), profile.pieces.map((own) => [own.id, needsOf(own)])]).toEqual([
      [],
      [
        ['cowl', ['off: ']],
        ['duct', ['off: cowl', 'off: ']],
        ['tray', ['off: ']],
      ],
    ]);
    expect(withCaptured(kind, taught, { ...all(taught), without: [] }).pieces.map(({ id }) => id)).toEqual(['grille', 'cowl', 'duct', 'tray']);
    // Of a sensor that was found on it since, or of what isolates a supply, it is no more to be taken away by that.
    expect(teach({ ...kind, sensors: [sensorOn('grille')] }, one).without).toEqual([]);
    const supplies = [{ id: 'low' as const, name: '12 V', piece: 'grille', level: 'off' as const, waitMin: 0, by: 'anyone' as const, before: [], forgets: [] }];
    expect(teach({ ...kind, supplies }, one).without).toEqual([]);
    // Nor where another vehicle of the kind had it: the two differ by it.
    expect(teach(kind, one, opened(new Job('three', kind), 'grille')).without).toEqual([]);
    // A fact that tells of it goes with it.
    const differing = { has: false, pieces: ['grille'], label: 'Grille', here: 'none', elsewhere: 'fitted', howToSee: 'Look.' };
    const two = new Job('two', kind);
    two.act(checkIn.differs(two.context, differing, 'grille-f1'));
    const both = teach(kind, one, two);
    expect([withCaptured(kind, both, all(both)).facts, withCaptured(kind, both, { ...all(both), without: [] }).facts.map(({ id }) => id)]).toEqual([[], ['grille-f1']]);
  });
});

test('measures that nobody had taken are learned as jobs took them, each by the middle of them, and kept once', () => {
  const measured = (name: string, taken: Parameters<typeof checkIn.measured>[1]) => {
    const job = new Job(name);
    job.act(checkIn.measured(job.context, taken));
    return job;
  };
  const jobs = [measured('one', { trackMm: 1512, wheelDiameterMm: 751 }), measured('two', { trackMm: 1530 }), measured('three', { trackMm: 1516 })];
  const taught = captured(...jobs);
  const before = HERON.measures;
  expect(taught.measures).toEqual([
    { measure: 'trackMm', valueMm: 1516, beforeMm: before.trackMm, jobs: ['one', 'two', 'three'] },
    { measure: 'wheelDiameterMm', valueMm: 751, beforeMm: before.wheelDiameterMm, jobs: ['one'] },
  ]);
  const kept = withCaptured(HERON, taught, { ...NOTHING_TAKEN, measures: ['trackMm'] });
  expect([kept.measures, kept.unmeasured]).toEqual([{ ...before, trackMm: 1516 }, HERON.unmeasured?.filter((id) => id !== 'trackMm')]);
  const again = kindCaptured(
    jobs.map(({ seen }) => seen),
    jobs.map(({ told }) => told),
    kept,
  );
  expect(again.measures.map(({ measure }) => measure)).toEqual(['wheelDiameterMm']);
  expect(checkProfile(withCaptured(HERON, taught, all(taught)))).toEqual([]);
});
