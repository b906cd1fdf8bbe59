import { SMALL } from '../stations/test/small-van.ts';
import type { Fitment } from '../kit/index.ts';
import { jobContext, type JobContext, type JobDocuments } from '../job/index.ts';
import { openingDone, openingRequest, planOpening, provingSide, schoolOf } from './index.ts';
import { openedLog, type TestLog } from '../job/test/log.ts';

const [KIT] = SMALL.kits;
const [FITMENT] = KIT?.fitments ?? [];
if (!KIT || !FITMENT) throw new Error('no kit');
const fitted = (part: Partial<Fitment>): JobDocuments => ({ ...SMALL, kits: [{ ...KIT, fitments: [{ ...FITMENT, ...part }] }] });
const contextOf = (log: TestLog, documents: JobDocuments = SMALL): JobContext => jobContext(log.state, documents);
const DEAD = [{ supply: 'low' as const, is: 'dead' as const }];
function knowing(): TestLog {
  const log = openedLog();
  log.add('fact.recorded', { fact: 'guard', certainty: 'known', value: 'none' });
  return log;
}
const open = (log: TestLog, ...moves: [string, 'loosened' | 'hung' | 'off' | 'fitted'][]) => {
  for (const [piece, level] of moves) log.add('piece.moved', { piece, level, ...(level === 'fitted' ? {} : { way: 'in' }), fasteners: [] });
};
const LEFT: [string, 'loosened' | 'off'][] = [
  ['liner-left', 'loosened'],
  ['foot-left', 'off'],
  ['liner-left', 'off'],
  ['cap-left', 'off'],
  ['blank-left', 'off'],
];
const RIGHT = LEFT.map(([piece, level]): [string, 'loosened' | 'off'] => [piece.replace('left', 'right'), level]);
const targets = (log: TestLog, documents?: JobDocuments) => {
  const { mounts, further, replaced } = openingRequest(contextOf(log, documents));
  return { mounts, further: (further ?? []).map((target) => target.id), replaced };
};
const FRONT = { mounts: ['front'], further: ['fit:test-kit/bar', 'joint:test-kit/feed'] };

test('what is still to be reached: places, work and plugs, each until it is open or done', () => {
  const log = knowing();
  expect(targets(log)).toEqual({
    mounts: ['place-left', 'place-right', 'front'],
    further: ['fit:test-kit/lamp-left', 'fit:test-kit/lamp-right', 'fit:test-kit/bar', 'joint:test-kit/left', 'joint:test-kit/right', 'joint:test-kit/feed'],
    replaced: ['blank-left', 'blank-right'],
  });
  open(log, ...LEFT);
  expect(targets(log)).toEqual({
    mounts: ['place-right', 'front'],
    further: ['fit:test-kit/lamp-right', 'fit:test-kit/bar', 'joint:test-kit/right', 'joint:test-kit/feed'],
    replaced: ['blank-left', 'blank-right'],
  });
  open(log, ...RIGHT);
  expect(targets(log)).toEqual({ ...FRONT, replaced: ['blank-left', 'blank-right'] });
  // Reached once is reached; work that is not done comes back with what covers it.
  open(log, ['liner-left', 'fitted']);
  expect(targets(log).further).toEqual(['fit:test-kit/lamp-left', 'fit:test-kit/bar', 'joint:test-kit/left', 'joint:test-kit/feed']);
  expect(targets(log).mounts).toEqual(['front']);
  log.add('plug.joined', { kit: 'test-kit', connection: 'left' });
  for (const pass of ['start', 'align', 'tighten'] as const) log.add('step.passed', { kit: 'test-kit', step: 'lamp-left', pass });
  expect(targets(log)).toMatchObject(FRONT);
});

test('work that wants a supply dead is a target while that is live, however open its place is', () => {
  const log = knowing();
  open(log, ...LEFT, ...RIGHT, ['grille', 'hung'], ['trim', 'off']);
  // The trim came off dead: what isolates the battery has to be in reach for it to go back so.
  expect(targets(log)).toEqual({ mounts: [], further: ['fit:test-kit/bar', 'joint:test-kit/feed', 'supply:low/dead'], replaced: ['blank-left', 'blank-right'] });
  expect(openingDone(contextOf(log))).toBe(false);
  log.add('supply.set', { supply: 'low', is: 'dead' });
  expect(targets(log)).toEqual({ mounts: [], further: [], replaced: [] });
  expect(openingDone(contextOf(log))).toBe(true);
});

test('a plug without a way to it is reached by its dead supply alone; one that this kit does not join is no target', () => {
  const bare: JobDocuments = { ...SMALL, profile: { ...SMALL.profile, plugs: SMALL.profile.plugs.map((plug) => ({ ...plug, reach: [] })) } };
  expect(targets(knowing(), bare).further.filter((id) => id.startsWith('joint'))).toEqual(['joint:test-kit/feed']);
  expect(targets(knowing(), fitted({ connections: [] })).further.filter((id) => id.startsWith('joint'))).toEqual([]);
  const further = openingRequest(contextOf(knowing(), bare)).further?.find((target) => target.id === 'joint:test-kit/feed');
  expect(further).toMatchObject({ side: 'centre', ways: [{ needs: [], asks: DEAD }] });
  // What a plug's way asks and what its joint asks are asked together.
  const asking: JobDocuments = {
    ...SMALL,
    profile: {
      ...SMALL.profile,
      plugs: SMALL.profile.plugs.map((plug) => ({ ...plug, reach: plug.reach.map((way) => ({ ...way, asks: [{ supply: 'high' as const, is: 'dead' as const }] })) })),
    },
  };
  expect(openingRequest(contextOf(knowing(), asking)).further?.find((target) => target.id === 'joint:test-kit/feed')?.ways[0]?.asks).toEqual([
    { supply: 'high', is: 'dead' },
    ...DEAD,
  ]);
});

test('a failed test is a target once its place is covered again, until it passes', () => {
  const log = knowing();
  open(log, ...LEFT);
  log.add('test.tried', { kit: 'test-kit', test: 'lights-left', passed: false });
  const test = () => targets(log).further.filter((id) => id.startsWith('test'));
  expect(test()).toEqual([]);
  open(log, ['liner-left', 'loosened']);
  expect(test()).toEqual(['test:test-kit/lights-left']);
  expect(openingRequest(contextOf(log)).further?.find((target) => target.id.startsWith('test'))).toMatchObject({
    side: 'left',
    ways: [{ needs: [{ piece: 'liner-left', level: 'off' }] }],
  });
  log.add('test.tried', { kit: 'test-kit', test: 'lights-left', passed: true });
  expect(test()).toEqual([]);
});

test('given up, only the way to an isolation is left, and only while something open has to go back dead', () => {
  const log = knowing();
  open(log, ['liner-left', 'loosened']);
  log.add('opening.left', { why: 'agreed' });
  expect([targets(log), openingDone(contextOf(log))]).toEqual([{ mounts: [], further: [], replaced: [] }, true]);
  open(log, ['trim', 'off']);
  expect(targets(log)).toEqual({ mounts: [], further: ['supply:low/dead'], replaced: [] });
  expect(openingRequest(contextOf(log)).further?.[0]).toMatchObject({ side: 'centre', ways: [{ needs: [{ piece: 'battery-cover', level: 'off' }] }] });
  // With the cover off it is in reach.
  open(log, ['battery-cover', 'off']);
  expect(targets(log).further).toEqual([]);
  open(log, ['battery-cover', 'fitted'], ['trim', 'fitted']);
  expect(targets(log).further).toEqual([]);
});

test('a piece that came off dead and that a kit takes the place of wants nothing dead any more', () => {
  const documents = fitted({ replaces: ['trim'] });
  const log = knowing();
  open(log, ['trim', 'off']);
  expect(targets(log, documents).further).not.toContain('supply:low/dead');
});

test('what waits until a supply is dead counts from the last entry of the log', () => {
  const log = knowing();
  log.add('supply.set', { supply: 'low', is: 'dead' });
  const left = () => openingRequest(contextOf(log)).untilDeadMin;
  expect(left()).toEqual({ low: 4 });
  log.add('damage.noted', { place: 'door', note: 'x' });
  Object.assign(log.events.at(-1) ?? {}, { at: '2026-03-05T08:33:00Z' });
  expect(left()).toEqual({ low: 1 });
  log.add('damage.noted', { place: 'door', note: 'x' });
  Object.assign(log.events.at(-1) ?? {}, { at: '2026-03-05T08:34:00Z' });
  expect(left()).toEqual({});
});

test('the order is the one chosen, else one side first with a kit that is new; people and side as chosen', () => {
  const log = knowing();
  expect([schoolOf(contextOf(log)), schoolOf(contextOf(log, { ...SMALL, newKit: true }))]).toEqual(['least set-up', 'prove one side first']);
  expect(openingRequest(contextOf(log))).toMatchObject({ school: 'least set-up', people: 1, provedLive: ['low'], present: [], ageFactor: 1 });
  log.add('order.chosen', { school: 'prove one side first', people: 2 });
  expect(openingRequest(contextOf(log))).toMatchObject({ school: 'prove one side first', people: 2 });
  expect(openingRequest(contextOf(log))).not.toHaveProperty('provingSide');
  open(log, ['grille', 'hung'], ['liner-left', 'loosened'], ['liner-left', 'fitted']);
  expect(openingRequest(contextOf(log)).present).toEqual([{ piece: 'grille', level: 'hung' }]);
});

test('the side that was begun first stays until all its work and tests are behind the job; then the rest comes as it comes', () => {
  const log = knowing();
  log.add('order.chosen', { school: 'prove one side first', people: 1, side: 'left' });
  const state = () => [provingSide(contextOf(log)), openingRequest(contextOf(log)).school];
  const PROVING = ['left', 'prove one side first'];
  expect(state()).toEqual(PROVING);
  open(log, ...LEFT);
  log.add('plug.joined', { kit: 'test-kit', connection: 'left' });
  expect(state()).toEqual(PROVING);
  for (const pass of ['start', 'align', 'tighten'] as const) log.add('step.passed', { kit: 'test-kit', step: 'lamp-left', pass });
  expect(state()).toEqual(PROVING);
  log.add('test.tried', { kit: 'test-kit', test: 'lights-left', passed: false });
  expect(state()).toEqual(PROVING);
  log.add('test.tried', { kit: 'test-kit', test: 'lights-left', passed: true });
  // The aim that is still open is no part of the proof.
  expect(state()).toEqual([undefined, 'least set-up']);
  log.add('order.chosen', { school: 'least set-up', people: 1, side: 'right' });
  expect(state()).toEqual([undefined, 'least set-up']);
  log.add('order.chosen', { school: 'prove one side first', people: 1, side: 'right' });
  expect(state()).toEqual(['right', 'prove one side first']);
});

test('a side without any work of its own is proved once its places are reached', () => {
  const none = fitted({ fitSteps: [], connections: [], tests: [] });
  const log = knowing();
  log.add('order.chosen', { school: 'prove one side first', people: 1, side: 'left' });
  expect(provingSide(contextOf(log, none))).toBe('left');
  open(log, ...LEFT);
  expect(provingSide(contextOf(log, none))).toBeUndefined();
});

test('what is replaced is opened also where every place is reached', () => {
  const documents = fitted({ mounts: [], connections: [], fitSteps: [], replaces: ['blank-left'] });
  const log = knowing();
  expect(targets(log, documents)).toEqual({ mounts: [], further: [], replaced: ['blank-left'] });
  expect(planOpening(contextOf(log, documents)).steps.map((step) => step.piece)).toContain('blank-left');
  open(log, ...LEFT.slice(0, 4));
  expect(openingDone(contextOf(log, documents))).toBe(false);
  open(log, ['blank-left', 'off']);
  expect(openingDone(contextOf(log, documents))).toBe(true);
});
