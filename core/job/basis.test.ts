import type { AccessPlan } from '../access/index.ts';
import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { bareFitment, bareKit, bareLamp } from '../test/bare-kit.ts';
import type { Piece, Side } from '../vehicle/index.ts';
import { jobNow, planMemory, planOpening, type JobDocuments } from './index.ts';
import type { TestLog } from './test/log.ts';
import { openedLog, RULES } from './test/log.ts';

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
