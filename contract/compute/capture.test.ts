import { findComputation } from './index.ts';
import { example, faultsOf } from './test/examples.ts';

interface Taught {
  levels: Record<string, { level: string; openMin: number; people: number; measured: number; ways: { needs: { piece: string }[]; jobs: string[] }[] }[]>;
  reach: Record<string, { needs: { piece: string }[] }[]>;
  planMin: number | null;
  lists: { job: string; list: { piece: string; worthMin: number }[]; followUps: object[] }[];
  unordered: { job: string; one: string; other: string }[];
  problems: { code: string }[];
  captured?: {
    pieces: { entry: { id: string; levels: { openMin: number; ways: { needs: { piece: string }[] }[] }[] }; jobs: string[] }[];
    notes: { entry: { station: string; text: string }; jobs: string[] }[];
  };
  profile?: { pieces: { id: string; levels: { ways: object[] }[] }[] };
}
const run = (input: object) => findComputation('capture-profile').run(input) as Taught;

test('two jobs of a kind nobody described: the second way in is the shorter one, and of the first job nothing more is worth asking', () => {
  const found = run(example('capture-profile'));
  expect(found.reach['fog-left']?.map(({ needs }) => needs.map(({ piece }) => piece))).toEqual([['bumper-skin', 'grille'], ['arch-liner-left']]);
  // Through the liner 4 out and, as nobody timed it, 4 back.
  expect([found.planMin, found.problems, found.unordered, found.profile]).toEqual([8, [], [], undefined]);
  expect(found.levels['bumper-skin']).toMatchObject([{ level: 'off', openMin: 4, closeMin: 5, people: 2, measured: 1 }]);
  expect(found.lists.map(({ job, list }) => [job, list.map(({ piece, worthMin }) => [piece, worthMin])])).toEqual([
    // Without the skin the grille alone would do: 4 instead of 8, in one job of five.
    [
      'first',
      [
        ['bumper-skin', 0.8],
        ['grille', 0],
        ['duct', 0],
      ],
    ],
    ['second', [['arch-liner-left', 1.6]]],
  ]);
  const alone = example('capture-profile') as { jobs: object[] };
  expect(run({ jobs: alone.jobs.slice(0, 1) }).planMin).toBe(2 + 2 + 8 + 10);
});

/** The example job, its pieces moved by two devices. */
function logs(clocks?: object[]) {
  const { log, profile, kits, rules } = example('job-standing') as {
    log: { id: string; type: string; device?: string; at: string; payload: object }[];
    profile: object;
    kits: object[];
    rules: object;
  };
  const moved = (id: string, piece: string, at: string, device: string) => ({
    id: `01890000-0000-7000-8000-0000000000${id}`,
    type: 'piece.moved',
    v: 1,
    at,
    device,
    payload: { piece, level: 'off', fasteners: [] },
  });
  const events = [...log.slice(0, 2), moved('a1', 'grille', '2026-03-05T10:00:00Z', 'tablet'), moved('a2', 'bumper-skin', '2026-03-05T09:58:30Z', 'phone')];
  return { profile, kits, rules, logs: [{ job: 'one', log: events, ...(clocks ? { clocks } : {}) }] };
}
const skin = ({ levels }: Taught) =>
  levels['bumper-skin']
    ?.find(({ level }) => level === 'off')
    ?.ways.filter(({ jobs }) => jobs.includes('one'))
    .map(({ needs }) => needs.map(({ piece }) => piece));

test('logs are read by the documents they pin and by clocks put right; within a minute of each other the order is asked', () => {
  expect(skin(run(logs()))).toEqual([[]]);
  expect(run(logs()).unordered).toEqual([]);
  const near = run(
    logs([
      { device: 'phone', behindS: 60 },
      { device: 'tablet', behindS: 0 },
    ]),
  );
  expect([near.unordered.length, near.unordered[0]?.job]).toEqual([1, 'one']);
  const right = run(
    logs([
      { device: 'phone', behindS: 300 },
      { device: 'tablet', behindS: 0 },
    ]),
  );
  expect([right.unordered, right.profile?.pieces.length]).toEqual([[], 3]);
});

test('what a log describes beyond the profile is told as it would be kept', () => {
  const input = logs();
  const [first] = input.logs;
  if (!first) throw new Error('no log');
  const piece = {
    id: 'tow-eye-cover-x7k2',
    name: 'Tow eye cover',
    side: 'right',
    zone: 'front',
    box: { xMm: [900, 950], yMm: [-500, -400], zMm: [400, 480] },
    levels: [{ level: 'off', openMin: 1.5, closeMin: 1.5, people: 1, ways: [] }],
    fasteners: [],
    cautions: [],
  };
  const act = { v: 1, at: '2026-03-05T10:05:00Z', device: 'tablet' };
  const described = { ...act, id: '01890000-0000-7000-8000-0000000000b1', type: 'kind.described', payload: { pieces: [piece] } };
  const moved = { ...act, id: '01890000-0000-7000-8000-0000000000b2', type: 'piece.moved', payload: { piece: piece.id, level: 'off', fasteners: [] } };
  const found = run({ ...input, logs: [{ ...first, log: [...first.log, described, moved] }] });
  expect(
    found.captured?.pieces.map(({ entry, jobs }) => [entry.id, entry.levels.map(({ openMin, ways }) => [openMin, ways.map(({ needs }) => needs.map((need) => need.piece))]), jobs]),
  ).toEqual([['tow-eye-cover-x7k2', [[1.5, [['bumper-skin', 'grille']]]], ['one']]]);
  expect(run(input).captured?.pieces).toEqual([]);
  const note = { ...act, id: '01890000-0000-7000-8000-0000000000b3', type: 'note.written', payload: { station: 'open-up', note: 'The clip on the left is short.' } };
  const noted = run({ ...input, logs: [{ ...first, log: [...first.log, note] }] });
  expect(noted.captured?.notes.map(({ entry, jobs }) => [entry.station, entry.text, jobs])).toEqual([['open-up', 'The clip on the left is short.', ['one']]]);
  const odd = { ...input, logs: [{ ...first, log: [...first.log, { ...described, payload: { pieces: [{ ...piece, levels: [] }] } }] }] };
  expect(faultsOf(() => run(odd))).toEqual([`logs[0].log[${first.log.length}].payload.pieces[0].levels no-levels`]);
});

test('what cannot be read is refused with its path', () => {
  const { profile: _profile, ...bare } = logs();
  expect(faultsOf(() => run(bare))).toEqual(['profile missing']);
  const { rules: _rules, ...ruleless } = logs();
  expect(faultsOf(() => run(ruleless))).toEqual(['rules missing']);
  const whole = logs();
  expect(faultsOf(() => run({ ...whole, logs: [whole.logs[0], whole.logs[0]] }))).toEqual(['logs[1].job duplicate-id']);
  const odd = whole.logs[0]?.log.map((event, index) => (index === 2 ? { ...event, payload: { piece: 'nothing', level: 'off', fasteners: [] } } : event));
  expect(faultsOf(() => run({ ...whole, logs: [{ job: 'one', log: odd }] }))).toEqual(['logs[0].log[2].payload.piece unknown-id']);
  const { jobs } = example('capture-profile') as { jobs: { job: string; moves: object[] }[] };
  expect(faultsOf(() => run({ jobs: [{ ...jobs[0], moves: [{ ...jobs[0]?.moves[0], level: 'fitted' }] }] }))).toEqual(['jobs[0].moves[0].level choice']);
  expect(faultsOf(() => run({ jobs: [jobs[0], jobs[0]] }))).toEqual(['jobs[1].job duplicate-id']);
});
