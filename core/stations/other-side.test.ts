import { idCheck } from '../log/index.ts';
import { planOpening } from '../plan/index.ts';
import type { JobContext } from '../job/index.ts';
import type { JobEvent } from '../events/index.ts';
import { barePiece } from '../test/bare-profile.ts';
import { checkProfile, type BoxMm, type Piece } from '../vehicle/index.ts';
import { isRefused, openUp, type Act } from './index.ts';
import { contextOf, Device, HERON, together } from './test/device.ts';

const BOX: BoxMm = { xMm: [200, 700], yMm: [600, 900], zMm: [300, 800] };
const left = { side: 'left' as const, box: BOX };
const named = (name: string) => ({ name, ...left });
const refusal = (act: Act) => (isRefused(act) ? act.refused : []);
const now = (device: Device, profile = HERON) => contextOf(together(device), profile);
const pieceAt = ({ profile }: JobContext, id: string): Piece | undefined => profile.pieces.find((piece) => piece.id === id);
const needsOf = (piece: Piece | undefined) =>
  piece?.levels.map(
    ({ level, ways }) => `${level}: ${ways.map(({ needs }) => needs.map((need) => `${need.piece} ${need.level}${need.seen ? ' seen' : ''}`).join(', ')).join('; ')}`,
  );
const steps = (context: JobContext) => planOpening(context).steps.map(({ piece, level }) => `${piece} ${level}`);

/** A liner folded with the wheels turned, then a lamp behind it, both on the left, the grille between them. */
const opened = () =>
  new Device('fern', 0)
    .came('grille-a1b2', 4)
    .came('liner-left-a1b2', 2.5, { ...named('Arch liner, left'), zone: 'left-side', level: 'folded', stands: [{ kind: 'wheels', place: 'right' }] })
    .came('lamp-left-c3d4', 6, {
      ...named('Lamp, left'),
      needed: ['liner-left-a1b2'],
      people: 2,
      caution: 'Its left edge is sharp',
      beside: ['wheel'],
      fasteners: [{ drive: 'hex', size: '10 mm', count: 3, release: 'unscrew', place: 'left of the lamp' }],
    });

test('by one tap it is the same on the other side, with what had to be open: assumed, mirrored and planned', () => {
  const device = opened();
  expect(openUp.oneSided(now(device))).toEqual(['lamp-left-c3d4', 'liner-left-a1b2']);
  const act = openUp.sameOnOtherSide(now(device), 'lamp-left-c3d4', 'k7k7');
  expect(isRefused(act) || act.events[0]?.type !== 'kind.described' ? [] : act.events[0].payload.pieces?.map(({ id }) => id)).toEqual(['arch-liner-right-k7k7', 'lamp-right-k7k7']);
  const context = now(device.act(act));
  const lamp = pieceAt(context, 'lamp-right-k7k7');
  expect(lamp).toMatchObject({
    name: 'Lamp, right',
    side: 'right',
    zone: 'front',
    box: { ...BOX, yMm: [-900, -600] },
    assumed: 'the other side',
    cautions: [{ text: 'Its right edge is sharp' }],
    beside: ['wheel'],
    fasteners: [{ id: 'fixing-1', side: 'right', count: 3, place: 'right of the lamp' }],
    levels: [{ openMin: 6, people: 2 }],
  });
  // The grille is what it is; of this side nobody has confirmed anything.
  expect(needsOf(lamp)).toEqual(['off: grille-a1b2 off seen, arch-liner-right-k7k7 folded seen']);
  // What was only seen open comes with it where it is there, and not where it is not.
  const seen = opened().came('trim-left-e5f6', 1, named('Trim, left'));
  const trim = now(seen.act(openUp.sameOnOtherSide(now(seen), 'trim-left-e5f6', 'k7k7')));
  expect([trim.profile.pieces.length, needsOf(pieceAt(trim, 'trim-right-k7k7'))]).toEqual([5, ['off: grille-a1b2 off seen']]);
  const liner = pieceAt(context, 'arch-liner-right-k7k7');
  expect([liner?.zone, liner?.levels[0]?.ways[0]?.position, liner?.assumed]).toEqual(['right-side', { kind: 'wheels', place: 'left' }, 'the other side']);
  expect([steps(context), openUp.oneSided(context), checkProfile(context.profile)]).toEqual([['arch-liner-right-k7k7 folded', 'lamp-right-k7k7 off'], [], []]);
  // Opened there it is assumed no more; what was not is.
  const after = now(device.did({ type: 'piece.moved', payload: { piece: 'arch-liner-right-k7k7', level: 'folded', way: 'seen', fasteners: [] } }));
  expect([pieceAt(after, 'arch-liner-right-k7k7')?.assumed, pieceAt(after, 'lamp-right-k7k7')?.assumed]).toEqual([undefined, 'the other side']);
  // Not there at all: it is planned no more.
  expect(openUp.canBeWithout(after, 'lamp-right-k7k7')).toBe(true);
  const without = now(device.act(openUp.notOfKind(after, 'lamp-right-k7k7')));
  expect([pieceAt(without, 'lamp-right-k7k7'), steps(without)]).toEqual([undefined, []]);
});

test('two that lie in one place are not taken for one where they were mirrored, the one after the other; of one name they are asked', () => {
  const device = new Device('fern', 0).came('bezel-left-a1b2', 1, named('Bezel, left')).came('lamp-left-c3d4', 6, named('Lamp, left'));
  for (const [id, drawn] of [
    ['lamp-left-c3d4', 'k7k7'],
    ['bezel-left-a1b2', 'm3m3'],
  ] as const)
    device.act(openUp.sameOnOtherSide(now(device), id, drawn));
  const moved = (piece: string) => ({ type: 'piece.moved' as const, payload: { piece, level: 'off' as const, way: 'seen', fasteners: [] } });
  device.did(moved('bezel-right-m3m3'), moved('lamp-right-k7k7'));
  expect(openUp.twins(now(device))).toEqual([]);
  const other = new Device('copper', 3).came('lamp-z9', 5, { ...named('Lamp, right'), side: 'right' });
  expect(openUp.twins(contextOf(together(device, other))).map(({ piece, is }) => [piece.id, is.id])).toEqual([['lamp-z9', 'lamp-right-k7k7']]);
});

test('two names that no id tells apart get two ids', () => {
  const device = new Device('fern', 0).came('trim-a1b2', 1, named('Trim, left')).came('trim-c3d4', 1, { ...named('Trim left'), needed: ['trim-a1b2'] });
  const act = openUp.sameOnOtherSide(now(device), 'trim-c3d4', 'k7k7');
  const pieces = isRefused(act) || act.events[0]?.type !== 'kind.described' ? [] : (act.events[0].payload.pieces ?? []);
  expect(pieces.map(({ id, levels }) => [id, levels[0]?.ways[0]?.needs.map(({ piece }) => piece)])).toEqual([
    ['trim-right-k7k7', []],
    ['trim-right-k7k7-2', ['trim-right-k7k7']],
  ]);
});

test('what the other side has leads there as it is; what it cannot have stays where it is', () => {
  const device = opened().came('liner-right-e5f6', 2, { ...named('Arch liner, right'), side: 'right', level: 'off' });
  const flap = barePiece('flap', { name: 'Fuel flap, left', side: 'left' });
  const known = { ...HERON, pieces: [flap] };
  const lamp = now(device.act(openUp.sameOnOtherSide(now(device), 'lamp-left-c3d4', 'k7k7')));
  expect(needsOf(pieceAt(lamp, 'lamp-right-k7k7'))).toEqual(['off: grille-a1b2 off seen, liner-right-e5f6 folded seen']);
  // A flap that the profile has on the left alone is no piece of this vehicle’s right.
  const other = new Device('fern', 0, undefined, known)
    .did({ type: 'piece.moved', payload: { piece: 'flap', level: 'off', fasteners: [] } })
    .came('lamp-left-c3d4', 6, named('Lamp, left'));
  const context = now(other.act(openUp.sameOnOtherSide(now(other, known), 'lamp-left-c3d4', 'k7k7')), known);
  expect([context.profile.pieces.map(({ id }) => id), needsOf(pieceAt(context, 'lamp-right-k7k7'))]).toEqual([
    ['flap', 'lamp-left-c3d4', 'lamp-right-k7k7'],
    ['off: flap off seen'],
  ]);
});

test('it is wanted as far as it is open on its own side, held as it was found held, and a sensor is looked for', () => {
  const device = opened();
  device.act(
    openUp.wentFurther(now(device), 'liner-left-a1b2', {
      level: 'off',
      openMin: 1,
      people: 1,
      needed: ['lamp-left-c3d4'],
      fasteners: [{ drive: 'push-pin', count: 2, release: 'push centre' }],
    }),
  );
  const held = [
    { id: 'found-1', drive: 'hook' as const, count: 1, place: 'left', side: 'left' as const, singleUse: false, release: 'slide' as const, tighten: {}, atLevel: 'off' as const },
  ];
  const sensor = {
    id: 'radar-a1',
    name: 'Radar',
    kind: 'radar' as const,
    on: 'liner-left-a1b2',
    lock: 'tab',
    pose: { xMm: 0, yMm: 0, zMm: 0, yawDeg: 0, pitchDeg: 0 },
    calibration: 'required' as const,
    procedure: 'x',
  };
  device.did({ type: 'kind.described', payload: { held: [{ piece: 'liner-left-a1b2', fasteners: held }], sensors: [sensor] } });
  const wanted = (level: 'off' | 'folded') => {
    const act = openUp.sameOnOtherSide(now(device), 'liner-left-a1b2', 'k7k7');
    expect(isRefused(act) ? [] : act.events[1]).toEqual({ type: 'piece.wanted', payload: { piece: 'arch-liner-right-k7k7', level } });
    return isRefused(act) || act.events[0]?.type !== 'kind.described' ? undefined : act.events[0].payload.pieces?.[0];
  };
  const mirrored = wanted('off');
  expect([mirrored?.levels.map(({ level }) => level), mirrored?.fasteners.map(({ id, side, place }) => [id, side, place]), mirrored?.sensorAssumed]).toEqual([
    ['folded', 'off'],
    [['found-1', 'right', 'right']],
    true,
  ]);
  device.did({ type: 'piece.moved', payload: { piece: 'liner-left-a1b2', level: 'folded', fasteners: [] } });
  wanted('folded');
  device.did({ type: 'piece.moved', payload: { piece: 'liner-left-a1b2', level: 'fitted', fasteners: [] } });
  wanted('off');
});

test('what is in the middle, isolates, is on both sides or was never described here has no other side', () => {
  const device = opened().came('battery-left-e5f6', 1, named('Battery negative, left')).came('half-e5f6', 1, { name: 'Cover, left half' });
  device.did({
    type: 'kind.described',
    payload: { supplies: [{ id: 'low', name: '12 V battery', piece: 'battery-left-e5f6', level: 'off', waitMin: 0, before: [], forgets: [], by: 'anyone' }] },
  });
  const context = now(device);
  expect(openUp.oneSided(context)).toEqual(['lamp-left-c3d4', 'liner-left-a1b2']);
  for (const id of ['grille-a1b2', 'half-e5f6', 'battery-left-e5f6', 'nothing'])
    expect(refusal(openUp.sameOnOtherSide(context, id, 'k7k7'))).toEqual([{ code: 'unknown', what: 'piece', id }]);
  const known = { ...HERON, pieces: [barePiece('flap', { name: 'Fuel flap, left', side: 'left' })] };
  expect(refusal(openUp.sameOnOtherSide(now(new Device('fern', 0, undefined, known), known), 'flap', 'k7k7'))).toHaveLength(1);
  device.act(openUp.sameOnOtherSide(context, 'lamp-left-c3d4', 'k7k7'));
  expect(refusal(openUp.sameOnOtherSide(now(device), 'lamp-left-c3d4', 'm3m3'))).toHaveLength(1);
});

test('what went by the way that was described here is no fault once the profile has learned another one', () => {
  const context = now(opened());
  const grille = barePiece('grille-a1b2', { levels: [{ level: 'off', openMin: 4, closeMin: 4, people: 1, ways: [{ id: 'seen-1', needs: [], extraMin: 0 }] }] });
  const check = idCheck({ profile: { ...HERON, pieces: [grille] }, kits: [], rules: context.rules }, { described: context.state.described });
  const moved = (piece: string, way: string): JobEvent => ({
    id: 'e',
    type: 'piece.moved',
    v: 1,
    at: '2026-03-05T09:00:00Z',
    payload: { piece, level: 'off', way, fasteners: [] },
  });
  expect([check(moved('grille-a1b2', 'seen'), 'e'), check(moved('grille-a1b2', 'seen-1'), 'e')]).toEqual([[], []]);
  expect(check(moved('grille-a1b2', 'other'), 'e').map(({ path }) => path)).toEqual(['e.payload.way']);
});
