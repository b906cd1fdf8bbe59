import { planOpening, planClosingOf } from '../plan/index.ts';
import type { Happened } from '../events/index.ts';
import { type JobContext, jobContext } from '../job/index.ts';
import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { bareFitment, bareKit, bareLamp } from '../test/bare-kit.ts';
import { openedLog, RULES, type TestLog } from '../job/test/log.ts';
import { positionsIn, type Way } from '../vehicle/index.ts';
import { aim, closeUp, isRefused, openUp, preparationsNow, raisedAt, standingOf, standsOffered, stoodSo, type Act } from './index.ts';
import { contextOf, Device, together } from './test/device.ts';

const way = (part: Partial<Way> = {}): Way => ({ id: 'w', needs: [], extraMin: 0, ...part });
const off = (id: string, part: Partial<Way> = {}) => barePiece(id, { levels: [{ level: 'off', openMin: 2, closeMin: 3, people: 1, ways: [way(part)] }] });
const FRONT_UP = { kind: 'raised', place: 'front' };
const RIGHT = { kind: 'wheels', place: 'right' };
const PIECES = [off('tray', { position: FRONT_UP }), off('grille'), off('liner', { position: FRONT_UP, also: [RIGHT], needs: [{ piece: 'tray', level: 'off' }] })];
const profile = bareProfile({
  pieces: PIECES,
  mounts: [
    {
      id: 'place',
      name: 'Place',
      side: 'left',
      at: { xMm: 900, yMm: 700, zMm: 430 },
      reach: [{ id: 'w', needs: PIECES.map(({ id }) => ({ piece: id, level: 'off' as const })), extraMin: 0 }],
      hiddenBy: [],
    },
  ],
});
const KIT = bareKit({ lamps: [bareLamp('lamp')], fitments: [bareFitment({ mounts: [{ lamp: 'lamp', mount: 'place' }] })] });
const rules = { ...RULES, sequence: { ...RULES.sequence, positions: [{ kind: 'raised', place: 'front', min: 4 }] } };
const at = (log: TestLog): JobContext => jobContext(log.state, { profile, kits: [KIT], rules, year: 2022 });
function perform(log: TestLog, act: Act): Happened[] {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events) log.add(type, payload as never);
  return act.events;
}
const AT = '2026-03-05T09:00:00Z';
const codes = (act: Act) => (isRefused(act) ? act.refused.map(({ code }) => code) : []);
function open(log: TestLog, piece: string): Happened[] {
  const plan = planOpening(at(log));
  const step = plan.steps.find((entry) => entry.piece === piece);
  if (!step) throw new Error(`no ${piece}`);
  return perform(log, openUp.moved(at(log), plan, step, [], AT));
}

test('a planned step takes its positions once, and the plan goes on from how the vehicle stands', () => {
  const log = openedLog();
  const fresh = planOpening(at(log));
  // Raised once 4, turned once half a minute; the grille comes by itself, wherever it stands in the order.
  expect([
    fresh.setUpMin,
    fresh.steps.map(({ piece, prepare }) => [piece, ...prepare.map((entry) => (entry.code === 'turn' || entry.code === 'stands' ? `${entry.code} ${entry.place}` : ''))]),
  ]).toEqual([4.5, [['tray', 'turn front'], ['liner', 'stands front', 'turn right'], ['grille']]]);
  expect(open(log, 'tray').map(({ type, payload }) => [type, payload])).toEqual([
    ['position.set', FRONT_UP],
    ['piece.moved', { piece: 'tray', level: 'off', way: 'w', fasteners: [] }],
  ]);
  expect(log.state.stand).toEqual({ raised: 'front' });
  const left = planOpening(at(log));
  expect([left.setUpMin, left.steps.find(({ piece }) => piece === 'liner')?.prepare]).toEqual([
    0.5,
    [
      { code: 'stands', ...FRONT_UP },
      { code: 'turn', ...RIGHT },
    ],
  ]);
  expect(open(log, 'grille').map(({ type }) => type)).toEqual(['piece.moved']);
  expect(open(log, 'liner').map(({ payload }) => payload)).toContainEqual(RIGHT);
  expect(positionsIn(log.state.stand)).toEqual([FRONT_UP, RIGHT]);
});

test('two people start from how it stands as well', () => {
  const log = openedLog();
  log.add('order.chosen', { school: 'least set-up', people: 2 });
  const before = planOpening(at(log)).setUpMin;
  perform(log, stoodSo(at(log), 'raised', 'front'));
  expect([before, planOpening(at(log)).setUpMin]).toEqual([4.5, 0.5]);
});

test('who raises it, lets it down or turns its wheels says so; what is so already is refused', () => {
  const log = openedLog();
  expect(standsOffered(at(log))).toEqual([
    { kind: 'raised', places: ['front', 'rear'] },
    { kind: 'wheels', places: ['left', 'right'] },
  ]);
  expect(codes(stoodSo(at(log), 'raised', undefined))).toEqual(['already']);
  expect(perform(log, stoodSo(at(log), 'raised', 'rear'))).toEqual([{ type: 'position.set', payload: { kind: 'raised', place: 'rear' } }]);
  expect([codes(stoodSo(at(log), 'raised', 'rear')), raisedAt(at(log)), log.state.touched]).toEqual([['already'], 'rear', true]);
  perform(log, stoodSo(at(log), 'wheels', 'left'));
  expect(perform(log, stoodSo(at(log), 'raised', undefined))).toEqual([{ type: 'position.set', payload: { kind: 'raised' } }]);
  expect([log.state.stand, raisedAt(at(log))]).toEqual([{ wheels: 'left' }, undefined]);
  // What its ways ask for is offered besides what is common.
  const boot = { ...profile, pieces: [...profile.pieces, off('sill', { position: { kind: 'boot', place: 'open' } })] };
  expect(standsOffered({ state: log.state, profile: boot })).toContainEqual({ kind: 'boot', places: ['open'] });
});

test('a step out of turn says what has to be done as the vehicle stands now, whatever the plan takes before it', () => {
  const log = openedLog();
  const step = planOpening(at(log)).steps.find(({ piece }) => piece === 'liner');
  expect(preparationsNow(at(log), step?.prepare ?? []).map(({ code }) => code)).toEqual(['turn', 'turn']);
  perform(log, stoodSo(at(log), 'wheels', 'right'));
  expect(preparationsNow(at(log), [{ code: 'cover-paint' }, ...(step?.prepare ?? [])]).map(({ code }) => code)).toEqual(['cover-paint', 'turn', 'stands']);
});

test('on the way back it is raised anew only where it was let down, and it does not leave on stands', () => {
  const log = openedLog();
  for (const piece of ['tray', 'liner', 'grille']) open(log, piece);
  const closing = () => planClosingOf(at(log), undefined);
  const standing = closing();
  // Before anything was opened the way back was reckoned from how the vehicle stands by then.
  const fresh = openedLog();
  expect(planClosingOf(at(fresh), planOpening(at(fresh))).estimate).toEqual(standing.estimate);
  perform(log, stoodSo(at(log), 'raised', undefined));
  const down = closing();
  expect(down.estimate.medianMin - standing.estimate.medianMin).toBeCloseTo(4, 0);
  const liner = down.steps.find((step) => step.kind === 'piece' && step.piece === 'liner');
  if (liner?.kind !== 'piece') throw new Error('no liner');
  expect(liner.positions).toEqual([FRONT_UP, RIGHT]);
  expect(perform(log, closeUp.putBack(at(log), closing(), liner, { counts: {}, renewed: {}, lengthsMm: {} }, AT)).map(({ payload }) => payload)).toEqual([
    FRONT_UP,
    { piece: 'liner', level: 'fitted', fasteners: [] },
  ]);
  const asked = () => closeUp.asked(at(log), undefined).map(({ code, kind, data }) => [code, kind, data]);
  expect(asked()).toContainEqual(['still-raised', 'to do', { place: 'front' }]);
  expect(standingOf(at(log), undefined).missing.map(({ code }) => code)).toContain('still-raised');
  expect(codes(aim.measured(at(log), 'test-kit/lamp', 'after', 200, AT))).toEqual(['let-down-first']);
  expect(codes(aim.referenced(at(log), 'test-kit/lamp', 700))).toEqual(['let-down-first']);
  perform(log, stoodSo(at(log), 'raised', undefined));
  expect(asked().map(([code]) => code)).not.toContain('still-raised');
  expect(codes(aim.referenced(at(log), 'test-kit/lamp', 700))).toEqual([]);
});

test('a piece that nobody described takes how the vehicle stands, less what was tapped off; what it stood besides is said by it', () => {
  const device = new Device('fern', 0).did({ type: 'position.set', payload: FRONT_UP });
  device.came('tray-a1', 3, { stands: [FRONT_UP] });
  device.came('liner-b2', 3, { stands: [FRONT_UP, RIGHT] });
  device.came('grille-c3', 3, { stands: [] });
  device.came('flap-d4', 3, { stands: [{ kind: 'wheels', place: 'left' }] });
  const context = contextOf(together(device));
  expect(context.profile.pieces.map(({ id, levels }) => [id, levels[0]?.ways[0]?.position, levels[0]?.ways[0]?.also])).toEqual([
    ['tray-a1', FRONT_UP, undefined],
    ['liner-b2', FRONT_UP, [RIGHT]],
    ['grille-c3', undefined, undefined],
    ['flap-d4', { kind: 'wheels', place: 'left' }, undefined],
  ]);
  // Of the flap nobody needed it raised; let down it was not.
  expect([device.own.filter(({ type }) => type === 'position.set').map(({ payload }) => payload), context.state.stand]).toEqual([
    [FRONT_UP, RIGHT, { kind: 'wheels', place: 'left' }],
    { raised: 'front', wheels: 'left' },
  ]);
});

test('of what was open whoever opens a piece may say at once that it would have come without, or that it had to be; the rest is seen', () => {
  const device = new Device('fern', 0).came('grille-a1').came('cover-b2').came('duct-c3');
  expect(openUp.openBefore(device.context)).toEqual(['duct-c3', 'cover-b2', 'grille-a1']);
  device.came('panel-d4', 3, { without: ['grille-a1', 'shut-z9'], needed: ['duct-c3'], caution: '  Sharp lip behind it ' });
  const moved = device.own.at(-1);
  expect(moved?.payload).toEqual({ piece: 'panel-d4', level: 'off', fasteners: [], without: ['grille-a1'], needed: ['duct-c3'] });
  const panel = contextOf(together(device)).profile.pieces.find(({ id }) => id === 'panel-d4');
  expect([panel?.levels[0]?.ways[0]?.needs, panel?.cautions]).toEqual([
    [
      { piece: 'cover-b2', level: 'off', seen: true },
      { piece: 'duct-c3', level: 'off' },
    ],
    [{ text: 'Sharp lip behind it' }],
  ]);
  // Nobody is asked whether it could have been done live.
  const dead = new Device('fern', 0)
    .came('grille-a1')
    .came('clamp-b2')
    .did({
      type: 'kind.described',
      payload: { supplies: [{ id: 'low', name: 'Battery', piece: 'clamp-b2', level: 'off', waitMin: 1, by: 'anyone', before: [], forgets: [] }] },
    });
  expect(openUp.openBefore(dead.context)).toEqual(['grille-a1']);
  dead.came('panel-d4', 3, { without: ['clamp-b2'] });
  expect(dead.own.at(-1)?.payload).not.toHaveProperty('without');
  const tooLong = {
    name: 'x',
    side: 'left',
    zone: 'front',
    box: panel?.box,
    level: 'off',
    openMin: 2,
    people: 1,
    fasteners: [],
    beside: [],
    brittle: false,
  } as unknown as openUp.CamePiece;
  expect(openUp.faultsOfPiece({ ...tooLong, caution: 'y'.repeat(123) })).toEqual([{ code: 'too-long', over: 3, most: 120 }]);
});
