import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { openedLog, PAIR, RULES, VAN, type TestLog } from '../job/test/log.ts';
import type { EventType, LoggedEvent, Payloads } from '../events/index.ts';
import type { JobDocuments } from '../job/index.ts';
import { clockSkews, type ClockSkews, inOrder, learnWays, seenJob, type OpenThen } from './index.ts';

/** Adds an event at a clock time, by a device. */
function at<T extends EventType>(log: TestLog, clock: string, type: T, payload: Payloads[T], device = 'tablet'): string {
  const id = log.add(type, payload);
  Object.assign(log.events.at(-1) as LoggedEvent, { at: `2026-03-05T${clock}Z`, device });
  return id;
}
const moved = (piece: string, level: Payloads['piece.moved']['level'] = 'off') => ({ piece, level, fasteners: [] });
const WIDE = bareProfile({
  ...VAN,
  pieces: [
    ...VAN.pieces,
    barePiece('skin', {
      levels: [
        ...(['loosened', 'off'] as const).map((level, place) => ({
          level,
          openMin: 2 + 2 * place,
          closeMin: 3 + 2 * place,
          people: 2,
          ways: [{ id: 'front', needs: [], extraMin: 0 }],
        })),
      ],
    }),
    barePiece('guard', { when: { fact: 'trim', is: 'guard' } }),
  ],
});
const DOCUMENTS: JobDocuments = { profile: WIDE, kits: [PAIR], rules: RULES };
const said = (open: OpenThen | undefined) => open?.map(({ piece, level }) => `${piece} ${level}`).sort();
const seen = (log: TestLog, skews?: ClockSkews) => seenJob('job', DOCUMENTS, log.events, skews);
const openFor = (log: TestLog, piece: string, skews?: ClockSkews) =>
  seen(log, skews)
    .seen.moves.filter((move) => move.piece === piece)
    .map(({ open }) => said(open));

test('a move shows all that was open then, its own lower level too, and as off what the vehicle lacks; what was taken back is not there', () => {
  const log = openedLog();
  at(log, '09:00:00', 'fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' });
  at(log, '09:01:00', 'piece.moved', moved('skin', 'loosened'));
  at(log, '09:02:00', 'piece.moved', moved('grille'));
  const wrong = at(log, '09:03:00', 'piece.moved', moved('old-lamp'));
  at(log, '09:03:30', 'undone', { event: wrong });
  at(log, '09:04:00', 'piece.moved', moved('skin'));
  expect(openFor(log, 'skin')).toEqual([['guard off'], ['grille off', 'guard off', 'skin loosened']]);
  expect([openFor(log, 'grille'), openFor(log, 'old-lamp')]).toEqual([[['guard off', 'skin loosened']], []]);
  // A piece that was opened is there, whatever is noted; of a fact that nobody knows nothing is lacking.
  at(log, '09:05:00', 'piece.moved', moved('guard'));
  expect(openFor(log, 'skin')[0]).toEqual([]);
});

test('what an earlier job put something else in the place of is lacking too', () => {
  const log = openedLog();
  at(log, '09:00:00', 'piece.moved', moved('grille'));
  expect(said(seenJob('job', { ...DOCUMENTS, fitted: [PAIR] }, log.events).seen.moves[0]?.open)).toEqual(['old-lamp off']);
  at(log, '09:10:00', 'piece.moved', moved('old-lamp'));
  expect(said(seenJob('job', { ...DOCUMENTS, fitted: [PAIR] }, log.events).seen.moves[0]?.open)).toEqual([]);
});

test('what went back is not open any more; what an owner added is no piece of the kind', () => {
  const log = openedLog();
  at(log, '08:59:00', 'accessory.found', {
    accessory: 'plough',
    name: 'Plough',
    side: 'centre',
    zone: 'front',
    holds: ['grille'],
    openMin: 9,
    closeMin: 9,
    people: 2,
    drive: 'hex',
    count: 4,
  });
  at(log, '09:00:00', 'piece.moved', moved('plough'));
  at(log, '09:01:00', 'piece.moved', moved('grille'));
  at(log, '09:04:00', 'piece.moved', moved('grille', 'fitted'));
  at(log, '09:08:00', 'piece.moved', moved('skin', 'loosened'));
  expect([openFor(log, 'grille'), openFor(log, 'skin')]).toEqual([[[]], [[]]]);
  expect(seen(log).seen.moves.map(({ piece }) => piece)).toEqual(['grille', 'skin']);
});

test('places are learned at the first work there: a joint at its plug, a fitting step at the positions of its side', () => {
  const log = openedLog();
  at(log, '09:00:00', 'piece.moved', moved('grille'));
  const joined = at(log, '09:02:00', 'plug.joined', { kit: 'test-kit', connection: 'joint' });
  at(log, '09:03:00', 'piece.moved', moved('old-lamp'));
  const passed = at(log, '09:05:00', 'step.passed', { kit: 'test-kit', step: 'screw', pass: 'start' });
  at(log, '09:06:00', 'piece.moved', moved('skin'));
  at(log, '09:07:00', 'step.passed', { kit: 'test-kit', step: 'screw', pass: 'align' });
  expect(seen(log).seen.targets.map(({ event, target, open }) => [event, target, said(open)])).toEqual([
    [joined, 'fog-plug', ['grille off']],
    [passed, 'place', ['grille off', 'old-lamp off']],
  ]);
});

test('answers are those that were given last; what did not come is kept with what was open; by force proves nothing', () => {
  const log = openedLog();
  at(log, '09:00:00', 'piece.moved', moved('grille'));
  const tried = at(log, '09:01:00', 'piece.tried', { piece: 'skin', level: 'off' });
  at(log, '09:02:00', 'piece.moved', moved('old-lamp'));
  at(log, '09:04:00', 'fastener.broken', { piece: 'grille', group: 'bolts', count: 1 });
  const first = at(log, '10:00:00', 'opening.judged', {
    pieces: [
      { piece: 'grille', enough: 'fitted' },
      { piece: 'old-lamp', enough: 'fitted' },
    ],
  });
  const second = at(log, '10:01:00', 'opening.judged', { pieces: [{ piece: 'grille', enough: 'needed' }] });
  const { seen: job } = seen(log);
  expect(job.tried.map(({ event, piece, open }) => [event, piece, said(open)])).toEqual([[tried, 'skin', ['grille off']]]);
  expect(job.answers).toEqual([
    { event: `${first}/old-lamp`, piece: 'old-lamp', enough: 'fitted' },
    { event: `${second}/grille`, piece: 'grille', enough: 'needed' },
  ]);
  expect(learnWays([job]).ways.map(({ piece }) => piece)).toEqual(['old-lamp']);
});

test('what is opened after it was said is not spoken of, nor is a place that was first worked at then', () => {
  const log = openedLog();
  const judged = { pieces: [{ piece: 'grille', enough: 'fitted' as const }] };
  at(log, '09:00:00', 'piece.moved', moved('grille'));
  at(log, '09:01:00', 'plug.joined', { kit: 'test-kit', connection: 'joint' });
  at(log, '09:02:00', 'opening.judged', judged);
  at(log, '09:03:00', 'step.passed', { kit: 'test-kit', step: 'screw', pass: 'start' });
  expect(seen(log).seen.targets.map(({ target, later = false }) => [target, later])).toEqual([
    ['fog-plug', false],
    ['place', true],
  ]);
  expect(
    learnWays([seen(log).seen])
      .ways.filter(({ target }) => target)
      .map(({ needs }) => said(needs)),
  ).toEqual([[], ['grille off']]);
  at(log, '09:04:00', 'piece.moved', moved('old-lamp'));
  expect(seen(log).seen.answers).toEqual([]);
  at(log, '09:05:00', 'opening.judged', judged);
  at(log, '09:06:00', 'piece.moved', moved('old-lamp', 'fitted'));
  expect(seen(log).seen.answers.length).toBe(1);
});

test('of two devices it speaks of what was surely opened before it', () => {
  const heard = (judgedAt: string, skews?: ClockSkews) => {
    const log = openedLog();
    at(log, '09:00:00', 'piece.moved', moved('grille'), 'phone');
    at(log, judgedAt, 'opening.judged', { pieces: [{ piece: 'grille', enough: 'fitted' }] }, 'tablet');
    return seen(log, skews).seen.answers.length;
  };
  // A minute apart by clocks that are known; by the log and the hour where one is not; not where the hour says that it came later.
  expect([heard('09:01:30'), heard('09:00:40'), heard('09:00:40', { tablet: 0 }), heard('08:59:00', { tablet: 0 })]).toEqual([1, 0, 1, 0]);
  // What stands later in the log came later, whatever its clock says.
  const log = openedLog();
  at(log, '09:00:00', 'opening.judged', { pieces: [{ piece: 'grille', enough: 'fitted' }] }, 'tablet');
  at(log, '08:00:00', 'piece.moved', moved('grille'), 'phone');
  expect(seen(log).seen.answers).toEqual([]);
});

test('minutes are those of the work by all who did it; putting back whole is timed too', () => {
  const log = openedLog();
  at(log, '09:00:00', 'test.tried', { kit: 'test-kit', test: 'lights', passed: true });
  // Three minutes by two; a minute of set-up goes off for calling the helper.
  at(log, '09:04:00', 'piece.moved', { ...moved('skin', 'loosened'), way: 'front' });
  at(log, '09:08:00', 'piece.moved', moved('skin', 'fitted'));
  // A piece that goes back in part is not back.
  at(log, '09:12:00', 'piece.moved', { ...moved('skin'), way: 'front' });
  at(log, '09:16:00', 'piece.moved', moved('skin', 'loosened'));
  const { closings } = seen(log).seen;
  const moves = seen(log).seen.moves.slice(0, 1);
  expect(moves.map(({ personMin, people }) => [personMin, people])).toEqual([[6, 2]]);
  expect(closings.map(({ piece, from, personMin }) => [piece, from, personMin])).toEqual([['skin', 'loosened', 8]]);
});

test('a clock is put right by what the server took from its device soonest; one that was never there with the server is not known', () => {
  const slow = [
    { device: 'phone', at: '2026-03-05T09:00:00Z', storedAt: '2026-03-05T09:12:00Z' },
    { device: 'phone', at: '2026-03-05T09:05:00Z', storedAt: '2026-03-05T09:05:40Z' },
    { device: 'fast', at: '2026-03-05T09:05:00Z', storedAt: '2026-03-05T08:55:00Z' },
    { device: 'away', at: '2026-03-05T09:05:00Z', storedAt: '2026-03-05T09:10:00Z' },
    { device: 'tablet', at: '2026-03-05T09:05:00Z', storedAt: '2026-03-05T09:05:01Z' },
  ];
  expect(clockSkews(slow)).toEqual({ phone: 40_000, fast: -600_000, tablet: 1000 });
  const log = openedLog();
  at(log, '09:10:00', 'piece.moved', moved('grille'), 'tablet');
  at(log, '09:08:00', 'piece.moved', moved('skin'), 'phone');
  const right = { phone: 300_000, tablet: 0 };
  expect([openFor(log, 'skin'), openFor(log, 'skin', right), openFor(log, 'grille', right)]).toEqual([[[]], [['grille off']], [[]]]);
  // Of a device whose clock nobody knows each counts as open for the other, however far apart, and it is asked.
  expect([openFor(log, 'skin', { tablet: 0 }), openFor(log, 'grille', { tablet: 0 }), seen(log, { tablet: 0 }).unordered.length]).toEqual([[['grille off']], [['skin off']], 1]);
});

test('moves of two devices within a minute are asked, and each counts as open for the other until somebody says; those of one device are in its own order', () => {
  const log = openedLog();
  const grille = at(log, '09:00:00', 'piece.moved', moved('grille'), 'tablet');
  const skin = at(log, '09:00:50', 'piece.moved', moved('skin'), 'phone');
  at(log, '09:00:55', 'piece.moved', moved('old-lamp'), 'phone');
  expect([openFor(log, 'grille'), openFor(log, 'skin')]).toEqual([[['old-lamp off', 'skin off']], [['grille off']]]);
  expect(seen(log).unordered.map(({ one, other }) => [one, other])).toEqual([
    [grille, skin],
    [grille, log.events.at(-1)?.id],
  ]);
  at(log, '11:00:00', 'moves.ordered', { first: skin, then: grille });
  expect([openFor(log, 'skin'), openFor(log, 'grille')]).toEqual([[[]], [['old-lamp off', 'skin off']]]);
  at(log, '11:01:00', 'moves.ordered', { first: grille, then: log.events[3]?.id ?? '' });
  expect([openFor(log, 'grille'), seen(log).unordered]).toEqual([[['skin off']], []]);
});

test('what went back within a minute on another device counts as open still, and is not asked', () => {
  const log = openedLog();
  at(log, '09:00:00', 'piece.moved', moved('grille'), 'tablet');
  at(log, '09:10:00', 'piece.moved', moved('grille', 'fitted'), 'tablet');
  at(log, '09:10:30', 'piece.moved', moved('skin'), 'phone');
  expect([openFor(log, 'skin'), seen(log).unordered]).toEqual([[['grille off']], []]);
});

test('a clock that jumps back does not turn the order of one device round', () => {
  const events = [
    { id: 'a', at: '2026-03-05T09:00:00Z', device: 'tablet' },
    { id: 'b', at: '2026-03-05T08:00:00Z', device: 'tablet' },
  ] as LoggedEvent[];
  expect(inOrder(events).map(({ event }) => event.id)).toEqual(['a', 'b']);
});

test('what was open when the vehicle came counts as open for all that came after, whenever it was written down, and is no move', () => {
  const log = openedLog();
  const first = at(log, '09:00:00', 'piece.moved', moved('old-lamp'));
  at(log, '09:05:00', 'piece.found', { piece: 'grille', level: 'off' });
  const { seen, unordered } = seenJob('one', { profile: VAN, kits: [], rules: RULES }, log.events);
  expect([seen.moves.map(({ event, open }) => [event, open]), seen.closings, unordered]).toEqual([[[first, [{ piece: 'grille', level: 'off' }]]], [], []]);
  // Found no further than it was opened already, it says nothing.
  at(log, '09:10:00', 'piece.found', { piece: 'old-lamp', level: 'off' });
  expect(seenJob('one', { profile: VAN, kits: [], rules: RULES }, log.events).seen.moves.length).toBe(1);
});

test('what came less open than it was opened later is no step back; two devices are not asked which of what came and what was opened was first', () => {
  const log = openedLog();
  at(log, '09:00:00', 'piece.moved', moved('skin'));
  at(log, '09:00:20', 'piece.found', { piece: 'skin', level: 'loosened' }, 'phone');
  at(log, '09:00:30', 'piece.found', { piece: 'old-lamp', level: 'off' }, 'phone');
  const last = at(log, '09:10:00', 'piece.moved', moved('grille'));
  const { seen, unordered } = seenJob('one', { profile: WIDE, kits: [], rules: RULES }, log.events);
  const open = seen.moves.find(({ event }) => event === last)?.open ?? [];
  expect([[...open].sort((a, b) => a.piece.localeCompare(b.piece)), unordered, seen.closings]).toEqual([
    [
      { piece: 'old-lamp', level: 'off' },
      { piece: 'skin', level: 'off' },
    ],
    [],
    [],
  ]);
});

test('a move shows how the vehicle stood, and what its way had; one that was described then as whoever described it said; so does what did not come', () => {
  const [front, left] = [
    { kind: 'raised', place: 'front' },
    { kind: 'wheels', place: 'left' },
  ];
  const log = openedLog();
  at(log, '09:00:00', 'piece.moved', moved('grille'));
  at(log, '09:01:00', 'position.set', front);
  at(log, '09:02:00', 'piece.moved', { piece: 'old-lamp', level: 'off', way: 'arch', fasteners: [] });
  const described = barePiece('cover', { levels: [{ level: 'off', openMin: 4, closeMin: 4, people: 1, ways: [{ id: 'seen', needs: [], extraMin: 0, position: left }] }] });
  at(log, '09:03:00', 'kind.described', { pieces: [described] });
  at(log, '09:03:00', 'piece.moved', moved('cover'));
  at(log, '09:04:00', 'piece.tried', { piece: 'skin', level: 'off' });
  at(log, '09:05:00', 'position.set', { kind: 'raised' });
  at(log, '09:06:00', 'piece.moved', moved('skin'));
  at(log, '09:07:00', 'piece.tried', { piece: 'guard', level: 'off' });
  const arch = { id: 'arch', needs: [], extraMin: 0, position: left };
  const pieces = WIDE.pieces.map((piece) => (piece.id === 'old-lamp' ? { ...piece, levels: piece.levels.map((level) => ({ ...level, ways: [...level.ways, arch] })) } : piece));
  const { moves, tried } = seenJob('job', { ...DOCUMENTS, profile: { ...WIDE, pieces } }, log.events).seen;
  expect(moves.map(({ piece, position, also }) => [piece, position?.place, also?.[0]?.place])).toEqual([
    ['grille', undefined, undefined],
    ['old-lamp', 'left', 'front'],
    ['cover', 'left', undefined],
    ['skin', undefined, undefined],
  ]);
  // It stood turned right by then, and its way has it left: of one kind there is one place, that of the way.
  at(log, '09:08:00', 'position.set', { kind: 'wheels', place: 'right' });
  at(log, '09:09:00', 'piece.moved', moved('old-lamp', 'fitted'));
  at(log, '09:10:00', 'piece.moved', { piece: 'old-lamp', level: 'off', way: 'arch', fasteners: [] });
  const again = seenJob('job', { ...DOCUMENTS, profile: { ...WIDE, pieces } }, log.events).seen.moves.at(-1);
  expect([again?.position, again?.also]).toEqual([left, undefined]);
  expect(tried.map(({ piece, position }) => [piece, position])).toEqual([
    ['skin', front],
    ['guard', undefined],
  ]);
});

test('what was said at once of what was open is an answer of that move', () => {
  const log = openedLog();
  at(log, '09:00:00', 'piece.moved', moved('grille'));
  const id = at(log, '09:02:00', 'piece.moved', { ...moved('skin'), without: ['grille'], needed: ['old-lamp'] });
  expect(seen(log).seen.moves.map(({ answers }) => answers)).toEqual([
    undefined,
    [
      { event: `${id}/grille`, piece: 'grille', enough: 'fitted' },
      { event: `${id}/old-lamp`, piece: 'old-lamp', enough: 'needed' },
    ],
  ]);
});
