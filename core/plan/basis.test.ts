import type { AccessPlan } from '../access/index.ts';
import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { bareFitment, bareKit, bareLamp } from '../test/bare-kit.ts';
import type { Piece, Side } from '../vehicle/index.ts';
import { jobNow, planMemory, planOpening } from './index.ts';
import type { EventType } from '../events/index.ts';
import type { JobDocuments } from '../job/index.ts';
import { type TestLog, openedLog, RULES } from '../job/test/log.ts';

const off = (id: string, side: Side, zone: Piece['zone'], openMin: number, needs: string[] = []): Piece =>
  barePiece(id, {
    side,
    zone,
    levels: [{ level: 'off', openMin, closeMin: openMin, people: 1, ways: [{ id: 'w', needs: needs.map((piece) => ({ piece, level: 'off' as const })), extraMin: 0 }] }],
  });
/** Six pieces on two sides that can be opened in very many orders. */
const PIECES = [
  off('a', 'left', 'front', 3),
  off('b', 'right', 'front', 2),
  off('c', 'left', 'rear', 2),
  off('d', 'right', 'rear', 3),
  off('e', 'left', 'front', 1, ['a']),
  off('f', 'right', 'rear', 1, ['d']),
];
const profile = bareProfile({
  pieces: PIECES,
  mounts: [
    {
      id: 'place',
      name: 'Place',
      side: 'centre',
      at: { xMm: 0, yMm: 0, zMm: 0 },
      reach: [{ id: 'w', needs: PIECES.map((piece) => ({ piece: piece.id, level: 'off' as const })), extraMin: 0 }],
      hiddenBy: [],
    },
  ],
});
const documents: JobDocuments = {
  profile,
  kits: [bareKit({ lamps: [bareLamp('lamp')], fitments: [bareFitment({ mounts: [{ lamp: 'lamp', mount: 'place' }] })] })],
  rules: RULES,
  year: 2022,
};
const order = (plan: AccessPlan | undefined) => plan?.steps.map((step) => step.piece);
const open = (log: TestLog, piece: string) => log.add('piece.moved', { piece, level: 'off', way: 'w', fasteners: [] });
const now = (log: TestLog) => jobNow(log.events, documents);

test('after a step done as planned the rest keeps its order, whichever of its steps it was', () => {
  const log = openedLog();
  const whole = order(now(log).plan) ?? [];
  expect(whole).toHaveLength(6);
  open(log, whole[0] ?? '');
  expect(order(now(log).plan)).toEqual(whole.slice(1));
  // Out of turn, but one of its steps: the others stand as they stood.
  const later = whole.slice(1).find((piece) => piece !== whole[1] && !['e', 'f'].includes(piece)) ?? '';
  open(log, later);
  expect(order(now(log).plan)).toEqual(whole.slice(1).filter((piece) => piece !== later));
  log.add('fastener.dropped', { piece: 'a', group: 'x', count: 1 });
  log.add('number.recorded', { number: '11111111111111111' });
  expect(now(log)).toMatchObject({ plan: { steps: { length: 4 } } });
});

test('a plan is made anew where the vehicle is raised or let down by itself, not where a step took its position', () => {
  const log = openedLog();
  const { basis } = now(log);
  const said = (act?: string) => {
    log.add('position.set', { kind: 'raised', place: act ? 'rear' : 'front' });
    if (act) Object.assign(log.events.at(-1) as object, { act });
  };
  said('a');
  open(log, 'a');
  Object.assign(log.events.at(-1) as object, { act: 'a' });
  expect(now(log).basis).toBe(basis);
  said();
  expect(now(log).basis).not.toBe(basis);
});

test('a step taken back stands again where it stood', () => {
  const log = openedLog();
  const whole = order(now(log).plan) ?? [];
  const first = open(log, whole[0] ?? '');
  open(log, whole[1] ?? '');
  log.add('undone', { event: first });
  expect(order(now(log).plan)).toEqual([whole[0], ...whole.slice(2)]);
});

test('something learned makes the plan anew, from what is off, and is named as the reason', () => {
  const log = openedLog();
  const whole = order(now(log).plan) ?? [];
  open(log, whole[0] ?? '');
  log.add('fastener.seized', { piece: whole[3] ?? '', group: 'x', count: 1, addMin: 6 });
  const again = now(log);
  expect(again.because?.type).toBe('fastener.seized');
  expect([...(order(again.plan) ?? [])].sort()).toEqual(whole.slice(1).sort());
  expect(again.plan?.from).toEqual([{ piece: whole[0], level: 'off' }]);
});

test('a move that the plan did not have makes it anew too', () => {
  const log = openedLog();
  const whole = order(now(log).plan) ?? [];
  log.add('piece.moved', { piece: whole[0] ?? '', level: 'off', way: 'another', fasteners: [] });
  expect(now(log)).toMatchObject({ because: { type: 'piece.moved' } });
  expect(order(now(log).plan)).not.toContain(whole[0]);
});

test('the same log gives the same plans to whoever reads it, however much was remembered before', () => {
  const log = openedLog();
  const memory = planMemory(planOpening);
  for (let step = 0; step < 6; step++) {
    const own = jobNow(log.events, documents, memory);
    const fresh = jobNow(log.events, documents);
    expect(order(own.plan)).toEqual(order(fresh.plan));
    expect(own.closing).toEqual(fresh.closing);
    open(log, order(own.plan)?.[0] ?? '');
    if (step === 2) log.add('order.chosen', { school: 'least set-up', people: 2 });
  }
  expect(order(now(log).plan)).toEqual([]);
});

test('the way back keeps its order as well while its steps are done', () => {
  const log = openedLog();
  for (const piece of order(now(log).plan) ?? []) open(log, piece);
  const pieces = () => now(log).closing.steps.flatMap((step) => (step.kind === 'piece' ? [step.piece] : []));
  const whole = pieces();
  expect(whole).toHaveLength(6);
  for (let done = 0; done < whole.length; done++) {
    expect(pieces()).toEqual(whole.slice(done));
    log.add('piece.moved', { piece: whole[done] ?? '', level: 'fitted', fasteners: [] });
  }
});

test('where plans are made elsewhere, what is wanted is named with the job as it was then', () => {
  const log = openedLog();
  const memory = planMemory();
  const { wanted, plan } = jobNow(log.events, documents, memory);
  expect([plan, wanted?.context.state.lastSeq]).toEqual([undefined, 1]);
  if (wanted) memory.opening.set(wanted.key, planOpening(wanted.context));
  open(log, order(jobNow(log.events, documents, memory).plan)?.[0] ?? '');
  expect(jobNow(log.events, documents, memory)).toMatchObject({ plan: { steps: { length: 5 } } });
  expect(jobNow(log.events, documents, memory).wanted).toBeUndefined();
});

test('what one act recorded is taken back together', () => {
  const log = openedLog();
  const first = log.add('sensor.unplugged', { sensor: 's' });
  open(log, 'a');
  const act = '00000000-0000-7000-8000-0000000000aa';
  for (const event of log.events.slice(1)) Object.assign(event, { act });
  log.add('undone', { event: first });
  expect([log.state.unplugged, log.state.pieces]).toEqual([[], {}]);
  const undo = log.events.at(-1)?.id ?? '';
  log.add('undone', { event: undo });
  expect(log.state.pieces).toEqual({ a: 'off' });
});

const because = (log: TestLog) => now(log).because?.type;

test.each<[EventType, object]>([
  ['fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' }],
  ['option.chosen', { kit: 'test-kit', option: 'lens', choice: 'amber' }],
  ['accessory.found', { accessory: 'winch', name: 'Winch', side: 'left', zone: 'front', holds: ['a'], openMin: 5, closeMin: 5, people: 1, drive: 'hex', size: '13 mm', count: 4 }],
  ['way.blocked', { place: 'gone', way: 'w', why: 'bent' }],
  ['way.chosen', { place: 'place', way: 'w' }],
  ['order.chosen', { school: 'least set-up', people: 1 }],
  ['opening.left', { why: 'agreed' }],
  ['opening.resumed', {}],
  ['fastener.seized', { piece: 'a', group: 'x', count: 1, addMin: 6 }],
  ['test.tried', { kit: 'test-kit', test: 'x', passed: false }],
  ['job.repinned', { profile: { slug: 'test-van', version: 2 }, kits: [], rules: { slug: 'r', version: 1 }, lost: [] }],
])('%s makes the plan anew and is named as the reason', (type, payload) => {
  const log = openedLog();
  const before = now(log);
  expect(before.because?.type).toBe('job.opened');
  log.add(type, payload as never);
  log.add('damage.noted', { place: 'door', note: 'a dent' });
  const after = now(log);
  expect([after.because?.type, after.because?.seq]).toEqual([type, 2]);
  expect(after.basis).not.toBe(before.basis);
});

test.each<[EventType, object]>([
  ['test.tried', { kit: 'test-kit', test: 'x', passed: true }],
  ['battery.measured', { restV: 12.5 }],
  ['fastener.broken', { piece: 'a', group: 'x', count: 1 }],
  ['exception.named', { about: 'test:test-kit/x', note: 'agreed' }],
  // The supply that a profile does not know changes nothing that was planned.
  ['piece.moved', { piece: 'a', level: 'fitted', fasteners: [] }],
])('%s leaves the plan as it is', (type, payload) => {
  const log = openedLog();
  const before = now(log);
  log.add(type, payload as never);
  expect([now(log).because?.type, now(log).basis, order(now(log).plan)]).toEqual(['job.opened', before.basis, order(before.plan)]);
});

test('a plan is known by the very events it was made from', () => {
  const keyOf = (make: (log: TestLog) => void) => {
    const log = openedLog();
    make(log);
    return now(log).basis;
  };
  const seized = (piece: string) => (log: TestLog) => log.add('fastener.seized', { piece, group: 'x', count: 1, addMin: 6 });
  const first = keyOf(seized('a'));
  expect(keyOf(seized('a'))).toBe(first);
  // As many events, but others.
  const other = keyOf((log) => {
    seized('a')(log);
    Object.assign(log.events.at(-1) ?? {}, { id: '00000000-0000-7000-8000-0000000000ff' });
  });
  expect(other).not.toBe(first);
  const swapped = keyOf((log) => {
    seized('a')(log);
    const [one, two] = log.events;
    const [own, its] = [one?.id, two?.id];
    Object.assign(one ?? {}, { id: its });
    Object.assign(two ?? {}, { id: own });
  });
  expect(swapped).not.toBe(first);
  expect(first.startsWith('2-')).toBe(true);
});

test('no more plans are kept than there is room for, and what is forgotten is made again the same', () => {
  const log = openedLog();
  let made = 0;
  const memory = planMemory((context) => {
    made++;
    return planOpening(context);
  });
  const first = order(jobNow(log.events, documents, memory).plan);
  jobNow(log.events, documents, memory);
  expect(made).toBe(1);
  for (let times = 0; times < 45; times++) {
    log.add('fastener.seized', { piece: 'a', group: 'x', count: 1, addMin: 1 });
    jobNow(log.events, documents, memory);
    expect(memory.opening.size).toBeLessThanOrEqual(40);
    expect(memory.closing.size).toBeLessThanOrEqual(40);
  }
  expect(made).toBe(46);
  expect(order(jobNow(log.events.slice(0, 1), documents, memory).plan)).toEqual(first);
  expect(made).toBe(47);
});

test('a step made again after it went back is not the planned one, and going back while steps are left is a reason', () => {
  const log = openedLog();
  const whole = order(now(log).plan) ?? [];
  open(log, whole[0] ?? '');
  log.add('piece.moved', { piece: whole[0] ?? '', level: 'fitted', fasteners: [] });
  expect(because(log)).toBe('piece.moved');
  expect([...(order(now(log).plan) ?? [])].sort()).toEqual([...whole].sort());
});

test('on the way back a piece put back out of turn keeps the order of the rest; one opened again makes it anew', () => {
  const log = openedLog();
  for (const piece of order(now(log).plan) ?? []) open(log, piece);
  const pieces = () => now(log).closing.steps.flatMap((step) => (step.kind === 'piece' ? [step.piece] : []));
  const whole = pieces();
  const later = whole.find((piece, place) => place > 0 && !['a', 'd'].includes(piece)) ?? '';
  log.add('piece.moved', { piece: later, level: 'fitted', fasteners: [] });
  expect(pieces()).toEqual(whole.filter((piece) => piece !== later));
  open(log, later);
  expect([...pieces()].sort()).toEqual([...whole].sort());
});

test('two people side by side: the lanes of the way back are shown until the first step is done', () => {
  const log = openedLog();
  log.add('order.chosen', { school: 'least set-up', people: 2 });
  while ((now(log).plan?.steps.length ?? 0) > 0) open(log, order(now(log).plan)?.[0] ?? '');
  const { closing } = now(log);
  expect(closing.lanes?.entries).toHaveLength(6);
  const [first] = closing.steps;
  if (first?.kind === 'piece') log.add('piece.moved', { piece: first.piece, level: 'fitted', fasteners: [] });
  expect([now(log).closing.lanes, now(log).closing.steps.length]).toEqual([undefined, 5]);
});
