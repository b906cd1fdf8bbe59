import { foldJob, idCheck } from '../log/index.ts';
import { jobContext, type JobContext } from '../job/index.ts';
import { planClosingOf, planOpening } from '../plan/index.ts';
import { traySlots } from '../paper/index.ts';
import type { Happened, LoggedEvent } from '../events/index.ts';
import { openedLog, PAIR, RULES, VAN, type TestLog } from '../job/test/log.ts';
import { checkProfile } from '../vehicle/index.ts';
import { handOver, isRefused, openUp, probe, type Act } from './index.ts';

const at = (log: TestLog): JobContext => jobContext(log.state, { profile: VAN, kits: [PAIR], rules: RULES, year: 2022 });
function perform(log: TestLog, act: Act): Happened[] {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events) log.add(type, payload as never);
  return act.events;
}
const refusedOf = (act: Act) => (isRefused(act) ? act.refused : []);
function grilleOf(log: TestLog) {
  const plan = planOpening(at(log));
  const step = plan.steps.find(({ piece }) => piece === 'grille');
  if (!step) throw new Error('no grille');
  return { plan, step };
}
const BOLTS = { drive: 'hex' as const, size: '10 mm', release: 'unscrew' as const, place: 'top' };
const CLIPS = { drive: 'push-pin' as const, size: '8 mm', release: 'push centre' as const };
const held = (log: TestLog, ...found: openUp.CameOut[]) => openUp.heldOtherwise(at(log), grilleOf(log).step, found);
const fasteners = (log: TestLog) => at(log).profile.pieces.find(({ id }) => id === 'grille')?.fasteners;

test('a piece that is held otherwise counts so from then on: what looks the same stays what it is, with its place; what is not there is gone', () => {
  const log = openedLog();
  expect(openUp.cameOutOf(grilleOf(log).step.fasteners)).toEqual([{ ...BOLTS, count: 2, singleUse: false }]);
  perform(log, held(log, { ...BOLTS, count: 3 }, { ...CLIPS, count: 4, singleUse: true }));
  expect(fasteners(log)).toEqual([
    { ...VAN.pieces[0]?.fasteners[0], count: 3 },
    {
      ...CLIPS,
      id: 'found-2',
      count: 4,
      place: 'where it was found',
      side: 'centre',
      singleUse: true,
      tighten: {},
      atLevel: 'off',
    },
  ]);
  const { plan, step } = grilleOf(log);
  expect([step.fasteners.map(({ id, count }) => `${id} ${count}`), step.tools]).toEqual([
    ['bolts 3', 'found-2 4'],
    ['10 mm hex', 'trim tool'],
  ]);
  const counts = step.fasteners.map(({ id, count }) => ({ group: id, count }));
  perform(log, openUp.moved(at(log), plan, step, counts, '2026-03-05T09:00:00Z'));
  expect(traySlots(at(log)).map(({ group, out }) => [group, out])).toEqual([
    ['bolts', 3],
    ['found-2', 4],
  ]);
  const back = planClosingOf(at(log), undefined).steps.find((entry) => entry.kind === 'piece' && entry.piece === 'grille');
  expect(back?.kind === 'piece' && back.fasteners.map(({ id }) => id)).toEqual(['bolts', 'found-2']);
  // Said anew it stands as it was said last, with the names that are left.
  const again = openedLog();
  perform(again, held(again, { ...CLIPS, count: 4 }));
  perform(again, held(again, { ...CLIPS, count: 4 }, { ...CLIPS, size: '6 mm', count: 1 }));
  expect(fasteners(again)?.map(({ id, size, count }) => [id, size, count])).toEqual([
    ['found-1', '8 mm', 4],
    ['found-2', '6 mm', 1],
  ]);
});

test('what comes out at another level stays as it was said', () => {
  const [grille, ...others] = VAN.pieces;
  if (!grille) throw new Error('no grille');
  const late = { ...grille.fasteners[0], id: 'late', drive: 'hook' as const, atLevel: 'off' as const };
  const two = {
    ...grille,
    levels: [{ ...grille.levels[0], level: 'loosened' as const }, ...grille.levels],
    fasteners: [{ ...grille.fasteners[0], atLevel: 'loosened' as const }, late],
  };
  const profile = { ...VAN, pieces: [two as typeof grille, ...others] };
  const act = openUp.heldOtherwise({ profile }, { piece: 'grille', level: 'loosened', fasteners: two.fasteners.slice(0, 1) as never }, [{ ...CLIPS, count: 5 }]);
  if (isRefused(act)) throw new Error('refused');
  expect(act.events[0]?.payload).toMatchObject({ held: [{ fasteners: [{ id: 'late' }, { id: 'found-1', count: 5, atLevel: 'loosened' }] }] });
  // A name that one of another level has is not given again.
  const named = { ...two, fasteners: [two.fasteners[0], { ...late, id: 'found-1' }] };
  const again = openUp.heldOtherwise(
    { profile: { ...VAN, pieces: [named as typeof grille, ...others] } },
    { piece: 'grille', level: 'loosened', fasteners: named.fasteners.slice(0, 1) as never },
    [{ ...CLIPS, count: 5 }],
  );
  if (isRefused(again)) throw new Error('refused');
  expect(again.events[0]?.payload).toMatchObject({ held: [{ fasteners: [{ id: 'found-1' }, { id: 'found-2' }] }] });
});

test('nothing other, a count that is none, a size too long and a piece that is not there are refused', () => {
  const log = openedLog();
  expect(refusedOf(held(log, { ...BOLTS, count: 2 }))).toEqual([{ code: 'already' }]);
  expect(refusedOf(held(log, { ...BOLTS, count: 0 }, { ...CLIPS, count: 1.5 }))).toEqual([{ code: 'missing', count: 2 }]);
  expect(refusedOf(held(log, { ...CLIPS, size: 'x'.repeat(23), count: 1 }))).toEqual([{ code: 'too-long', over: 3, most: 20 }]);
  expect(refusedOf(openUp.heldOtherwise(at(log), { ...grilleOf(log).step, piece: 'roof' }, []))).toEqual([{ code: 'unknown', what: 'piece', id: 'roof' }]);
  // Held by nothing is something other.
  expect(refusedOf(held(log))).toEqual([]);
});

test('what is held is held against the piece; a device that did not hear of it counts as before', () => {
  const group = { ...(VAN.pieces[0]?.fasteners[0] as NonNullable<(typeof VAN.pieces)[0]['fasteners'][0]>), id: 'found-1' };
  const documents = { profile: VAN, kits: [PAIR], rules: RULES };
  const event = (type: string, payload: object) => ({ id: 'e', type, v: 1, at: '2026-03-05T09:00:00Z', payload }) as LoggedEvent;
  const check = idCheck(documents);
  const faults = (said: object) => idCheck(documents)(event('kind.described', { held: [said] }), 'e').map(({ path, code }) => `${path} ${code}`);
  expect([
    faults({ piece: 'roof', fasteners: [group] }),
    faults({ piece: 'grille', fasteners: [group, group] }),
    faults({ piece: 'grille', fasteners: [{ ...group, atLevel: 'hung' }] }),
    faults({ piece: 'grille', fasteners: [] }),
  ]).toEqual([['e.payload.held[0].piece unknown-id'], ['e.payload.held[0].fasteners[1].id duplicate-id'], ['e.payload.held[0].fasteners[0].atLevel unknown-id'], []]);
  const counted = (id: string) => check(event('piece.moved', { piece: 'grille', level: 'off', fasteners: [{ group: id, count: 2 }] }), 'e');
  expect(counted('found-1')).toHaveLength(1);
  expect(check(event('kind.described', { held: [{ piece: 'grille', fasteners: [group] }] }), 'e')).toEqual([]);
  expect([counted('found-1'), counted('bolts'), counted('clips').length]).toEqual([[], [], 1]);
  expect(foldJob([]).described.held).toEqual({});
});

test('how a plug locks that was found is kept with its face, where somebody saw it', () => {
  const log = openedLog();
  const face = { name: 'Lead', where: 'behind the lamp', side: 'left' as const, may: [], rows: 1, columns: 2, without: [], colours: {} };
  perform(log, probe.findPlug(at(log), { ...face, lock: ' grey slide ' }, ['main'], 'lead-x7k2'));
  perform(log, probe.findPlug(at(log), { ...face, name: 'Other' }, ['main'], 'other-x7k2'));
  expect(at(log).profile.plugs.flatMap(({ id, lock }) => (id.endsWith('-x7k2') ? [[id, lock]] : []))).toEqual([
    ['lead-x7k2', 'grey slide'],
    ['other-x7k2', 'not described'],
  ]);
  expect(refusedOf(probe.findPlug(at(log), { ...face, name: 'Third', lock: 'x'.repeat(84) }, ['main'], 'third-x7k2'))).toEqual([{ code: 'too-long', over: 4, most: 80 }]);
});

test('a piece that goes further than anybody has described has that level from then on, through what was open, with its own fasteners and minutes', () => {
  const log = openedLog();
  const came = {
    side: 'centre' as const,
    zone: 'front' as const,
    box: { xMm: [800, 900], yMm: [-100, 100], zMm: [500, 700] } as openUp.CamePiece['box'],
    people: 1,
    beside: [],
    brittle: false,
  };
  perform(log, openUp.pieceCame(at(log), { ...came, name: 'Cover', level: 'folded', openMin: 1, fasteners: [] }, 'cover-b2'));
  perform(log, openUp.pieceCame(at(log), { ...came, name: 'Skirt', level: 'loosened', openMin: 2, fasteners: [{ ...CLIPS, count: 4 }] }, 'skirt-a1'));
  expect([
    openUp.furtherLevels(at(log), 'skirt-a1'),
    openUp.furtherLevels(at(log), 'cover-b2'),
    openUp.furtherLevels(at(log), 'grille'),
    openUp.furtherLevels(at(log), 'roof'),
  ]).toEqual([['folded', 'hung', 'off'], ['hung', 'off'], [], []]);
  expect(openUp.canGoFurther(at(log))).toEqual(['skirt-a1', 'cover-b2']);
  // How the grille comes off is known, however little of it is open.
  const loose = { ...at(log), state: { ...log.state, pieces: { grille: 'loosened' as const } } };
  expect([openUp.furtherLevels(loose, 'grille'), openUp.canGoFurther(loose)]).toEqual([[], []]);
  const further = { level: 'off' as const, openMin: 3, people: 2, fasteners: [{ ...BOLTS, count: 2 }], needed: ['cover-b2'] };
  const events = perform(log, openUp.wentFurther(at(log), 'skirt-a1', further));
  expect(events.at(-1)?.payload).toEqual({ piece: 'skirt-a1', level: 'off', fasteners: [{ group: 'off-1', count: 2 }], needed: ['cover-b2'] });
  const skirt = at(log).profile.pieces.find(({ id }) => id === 'skirt-a1');
  // Two by one and three by two: eight person-minutes, four by two.
  expect(skirt?.levels.map(({ level, openMin, people, ways }) => [level, openMin, people, ways[0]?.needs])).toEqual([
    ['loosened', 2, 1, [{ piece: 'cover-b2', level: 'folded', seen: true }]],
    [
      'off',
      4,
      2,
      [
        { piece: 'cover-b2', level: 'folded' },
        { piece: 'skirt-a1', level: 'loosened', seen: true },
      ],
    ],
  ]);
  expect(skirt?.fasteners.map(({ id, atLevel }) => [id, atLevel])).toEqual([
    ['fixing-1', 'loosened'],
    ['off-1', 'off'],
  ]);
  expect(checkProfile({ ...VAN, pieces: at(log).profile.pieces })).toEqual([]);
  expect(planClosingOf(at(log), undefined).steps.flatMap((step) => (step.kind === 'piece' && step.piece === 'skirt-a1' ? [[step.from, step.to, step.minutes]] : []))).toEqual([
    ['off', 'loosened', 3],
    ['loosened', 'fitted', 2],
  ]);
  expect(refusedOf(openUp.wentFurther(at(log), 'skirt-a1', further))).toEqual([{ code: 'unknown', what: 'level', id: 'off' }]);
  expect(refusedOf(openUp.wentFurther(at(log), 'cover-b2', { ...further, openMin: 0, fasteners: [{ ...BOLTS, count: 0 }] }))).toEqual([{ code: 'missing', count: 2 }]);
  expect(refusedOf(openUp.wentFurther(at(log), 'cover-b2', { ...further, openMin: 25 }))).toEqual([{ code: 'doubtful', doubts: [{ code: 'long', likelyMin: 20 }] }]);
  expect(refusedOf(openUp.wentFurther(at(log), 'cover-b2', { ...further, openMin: 25 }, true))).toEqual([]);
});

test('a piece of the profile goes further than that says too; each of two devices that took one further adds its level', () => {
  const [grille, ...others] = VAN.pieces;
  if (!grille) throw new Error('no grille');
  const levels = [{ ...grille.levels[0], level: 'loosened' as const }] as typeof grille.levels;
  const profile = { ...VAN, pieces: [{ ...grille, levels, fasteners: [] }, ...others] };
  const now = (log: TestLog) => jobContext(log.state, { profile, kits: [PAIR], rules: RULES, year: 2022 });
  const log = openedLog();
  log.add('piece.moved', { piece: 'grille', level: 'loosened', fasteners: [] });
  const to = (level: 'hung' | 'off', count: number) => openUp.wentFurther(now(log), 'grille', { level, openMin: 1, people: 1, fasteners: [{ ...CLIPS, count }] });
  const [hung, off] = [to('hung', 3), to('off', 5)];
  perform(log, hung);
  perform(log, off);
  const known = now(log).profile.pieces.find(({ id }) => id === 'grille');
  expect([known?.levels.map(({ level }) => level), known?.fasteners.map(({ id, atLevel }) => [id, atLevel])]).toEqual([
    ['loosened', 'hung', 'off'],
    [
      ['off-1', 'off'],
      ['hung-1', 'hung'],
    ],
  ]);
});

test('what a job taught is offered at hand over: of its kind by what was described or judged on it, of kits by theirs', () => {
  const taught = (fill: (log: TestLog) => void) => {
    const log = openedLog();
    fill(log);
    return handOver.taughtHere(at(log));
  };
  expect([
    taught(() => undefined),
    taught((log) => log.add('kind.described', { held: [{ piece: 'grille', fasteners: [] }] })),
    taught((log) => log.add('kit.described', { kit: PAIR.slug, whole: ['tests'] })),
    taught((log) => log.add('opening.judged', { pieces: [{ piece: 'grille', enough: 'fitted' }] })),
  ]).toEqual([
    { kind: false, kits: [] },
    { kind: true, kits: [] },
    { kind: false, kits: [PAIR.slug] },
    { kind: true, kits: [] },
  ]);
});
