import { bareFitment } from '../test/bare-kit.ts';
import { barePiece } from '../test/bare-profile.ts';
import type { FitStep, Kit } from '../kit/index.ts';
import type { VehiclePlug } from '../vehicle/index.ts';
import { contextOf, openedLog, PAIR, VAN, type TestLog } from './test/log.ts';
import { fit } from '../stations/index.ts';
import { gatesOf, openingDone, provingSide } from '../plan/index.ts';
import { inReach, lampsHeld, nightLines, toTakeOut, type JobContext } from './index.ts';

const [first] = PAIR.fitments;
const [fog] = VAN.plugs;
if (!first || !fog) throw new Error('no fitment');
const fitStep = (id: string, side: FitStep['side'], needs: FitStep['needs'] = []): FitStep => ({
  id,
  name: id,
  side,
  needs,
  passes: ['start', 'tighten'],
  minutes: 1,
  tool: 'T25',
  tighten: 'snug',
});
const plugAt = (id: string, side: VehiclePlug['side']): VehiclePlug => ({ ...fog, id, name: id, side });
const [lamp] = PAIR.lamps;
if (!lamp) throw new Error('no lamp');

/** A pair with a joint and a step of each side, one in the middle, and a leg. */
const BOTH: Kit = {
  ...PAIR,
  slug: 'both',
  lamps: [
    { ...lamp, id: 'l', side: 'left' },
    { ...lamp, id: 'r', side: 'right' },
  ],
  legs: [{ id: 'leg-r', lamp: 'r', lengthMm: 900 }],
  fitments: [
    bareFitment({
      mounts: [],
      connections: [
        { id: 'joint-l', kitPlug: 'lamp-plug', vehiclePlug: 'fog-plug', feed: { circuit: 'fog' }, lamps: ['l'] },
        { id: 'joint-r', kitPlug: 'lamp-plug', vehiclePlug: 'fog-right', feed: { circuit: 'fog' }, lamps: ['r'], asks: [{ supply: 'low', is: 'dead' }] },
      ],
      fitSteps: [fitStep('carrier-l', 'left'), fitStep('carrier-r', 'right', [{ piece: 'grille', level: 'off' }]), fitStep('harness', 'centre')],
      tests: [],
    }),
  ],
};
const on = (log: TestLog, kits: Kit[] = [BOTH]): JobContext => ({
  ...contextOf(log),
  profile: {
    ...VAN,
    plugs: [fog, { ...plugAt('fog-right', 'right'), reach: [{ id: 'w', needs: [{ piece: 'grille', level: 'off' }], extraMin: 0 }] }],
    cableWays: {
      places: [],
      segments: [
        { id: 'sill', name: 'Sill', from: 'a', to: 'b', lengthMm: 400, hazards: {}, needs: [{ piece: 'grille', level: 'loosened' }], layMin: 1 },
        { id: 'beam', name: 'Beam', from: 'b', to: 'c', lengthMm: 400, hazards: {}, needs: [{ piece: 'grille', level: 'off' }], layMin: 1 },
        { id: 'else', name: 'Else', from: 'b', to: 'd', lengthMm: 400, hazards: {}, needs: [{ piece: 'old-lamp', level: 'off' }], layMin: 1 },
      ],
    },
  },
  kits,
});

function fitted(): TestLog {
  const log = openedLog();
  for (const connection of ['joint-l', 'joint-r']) log.add('plug.joined', { kit: 'both', connection });
  for (const step of ['carrier-l', 'carrier-r', 'harness']) log.add('step.passed', { kit: 'both', step, pass: 'start' });
  log.add('leg.laid', { kit: 'both', leg: 'leg-r', path: ['sill', 'beam'] });
  log.add('cavity.populated', { plug: 'fog-right', row: 1, column: 2, carries: 'front fog', circuit: 'fog' });
  return log;
}

test('nothing is taken out of a kit that is fitted; of a dropped one joints, contacts, legs, then steps from the last to the first', () => {
  const log = fitted();
  expect(toTakeOut(on(log))).toEqual([]);
  log.add('kit.dropped', { kit: 'both', why: 'x' });
  expect(toTakeOut(on(log)).map(({ kind, id, side, after }) => [kind, id, side, after])).toEqual([
    ['joint', 'joint-l', 'left', []],
    ['joint', 'joint-r', 'right', []],
    ['contact', 'fog-right.1.2', 'right', []],
    ['leg', 'leg-r', 'right', []],
    ['step', 'harness', 'centre', ['joint-l', 'joint-r']],
    ['step', 'carrier-r', 'right', ['joint-r']],
    ['step', 'carrier-l', 'left', ['joint-l']],
  ]);
});

test('a hand gets to it by what was open for it: the plug’s ways, the step’s needs, the highest that a leg’s way asks for', () => {
  const log = fitted();
  log.add('kit.dropped', { kit: 'both', why: 'x' });
  const reached = () => Object.fromEntries(toTakeOut(on(log)).map((out) => [out.id, inReach(on(log), out)]));
  expect(reached()).toEqual({ 'joint-l': true, 'joint-r': false, 'fog-right.1.2': false, 'leg-r': false, harness: true, 'carrier-r': false, 'carrier-l': true });
  expect(
    toTakeOut(on(log))
      .find(({ id }) => id === 'leg-r')
      ?.reach.map(({ needs }) => needs),
  ).toEqual([[{ piece: 'grille', level: 'off' }]]);
  expect(toTakeOut(on(log)).find(({ id }) => id === 'joint-r')?.asks).toEqual([{ supply: 'low', is: 'dead' }]);
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [{ group: 'bolts', count: 2 }] });
  expect(Object.values(reached()).every(Boolean)).toBe(true);
});

test('a contact in a plug that another kit of the job uses stays', () => {
  const log = fitted();
  log.add('kit.dropped', { kit: 'both', why: 'x' });
  const other: Kit = { ...BOTH, slug: 'other' };
  expect(toTakeOut(on(log, [BOTH, other])).map(({ kind }) => kind)).not.toContain('contact');
});

test('each is gone once it is taken out; an adapter, a word of consent and what was tried go with it', () => {
  const log = fitted();
  log.add('plug.joined', { kit: 'both', connection: 'joint-l', adapters: ['short'], checked: ['click'] });
  log.add('consent.given', { about: 'fit:both/harness', by: 'owner' });
  log.add('consent.given', { about: 'fit:both/carrier-l', by: 'owner' });
  log.add('final.tested', { kit: 'both', test: 't', passed: true });
  log.add('match.confirmed', { kit: 'both' });
  log.add('kit.dropped', { kit: 'both', why: 'x' });
  log.add('leg.lifted', { kit: 'both', leg: 'leg-r' });
  log.add('contact.pulled', { plug: 'fog-right', row: 1, column: 2 });
  log.add('contact.pulled', { plug: 'fog-right', row: 1, column: 1 });
  log.add('plug.parted', { kit: 'both', connection: 'joint-l' });
  expect([log.state.finalTests, log.state.adaptersUsed, log.state.jointChecked]).toEqual([{}, {}, {}]);
  log.add('step.undone', { kit: 'both', step: 'harness', lamps: ['l', 'r'] });
  expect(Object.keys(log.state.consents)).toEqual(['fit:both/carrier-l']);
  expect(toTakeOut(on(log)).map(({ id }) => id)).toEqual(['joint-r', 'carrier-r', 'carrier-l']);
  // Taken up again its match is confirmed anew.
  log.add('kit.added', { kit: { slug: 'both', version: 1 } });
  expect([log.state.confirmed, toTakeOut(on(log))]).toEqual([[], []]);
});

const BATTERY = { id: 'low' as const, name: 'Battery', piece: 'battery', level: 'off' as const, waitMin: 0, liveMin: 1, by: 'anyone' as const, before: [], forgets: [] };
/** The same with a battery that lies under a hatch. */
function live(log: TestLog): JobContext {
  const context = on(log);
  const battery = barePiece('battery', {
    levels: [{ level: 'off', openMin: 1, closeMin: 1, people: 1, ways: [{ id: 'w', needs: [{ piece: 'hatch', level: 'off' }], extraMin: 0 }] }],
  });
  return { ...context, profile: { ...context.profile, supplies: [BATTERY], pieces: [...context.profile.pieces, battery, barePiece('hatch')] } };
}

test('a joint that was made dead is parted dead: the battery is got at again for it, however open its place is', () => {
  const log = fitted();
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [{ group: 'bolts', count: 2 }] });
  log.add('kit.dropped', { kit: 'both', why: 'x' });
  const part = () => fit.takenOut(live(log), 'both', 'joint', 'joint-r', '2026-03-05T10:00:00Z');
  expect(part()).toEqual({ refused: [{ code: 'supply-live', supply: 'low', piece: 'battery' }] });
  expect(openingDone(live(log))).toBe(false);
  log.add('supply.set', { supply: 'low', is: 'dead' });
  expect(part()).toMatchObject({ events: [{ type: 'plug.parted' }] });
  expect(openingDone(live(log))).toBe(true);
});

test('what a kit took the place of stays off until the kit’s part is out; a joint stands in no place', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'old-lamp', level: 'off', way: 'w', fasteners: [] });
  log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
  log.add('step.passed', { kit: 'test-kit', step: 'screw', pass: 'start' });
  log.add('kit.dropped', { kit: 'test-kit', why: 'x' });
  const gates = gatesOf(contextOf(log), undefined).filter(({ subject }) => subject.kind === 'out');
  expect(gates.map(({ subject, coveredBy, passed }) => [subject.kind === 'out' && subject.what, coveredBy, passed])).toEqual([
    ['joint/joint', [], false],
    ['step/screw', [{ piece: 'old-lamp', level: 'off' }], false],
  ]);
});

test('no side is proved first while something comes out', () => {
  const log = openedLog();
  log.add('order.chosen', { school: 'prove one side first', people: 1, side: 'left' });
  log.add('step.passed', { kit: 'test-kit', step: 'screw', pass: 'start' });
  expect(provingSide(contextOf(log))).toBe('left');
  log.add('kit.dropped', { kit: 'test-kit', why: 'x' });
  expect(provingSide(contextOf(log))).toBeUndefined();
});

test('lamps that a step held are those of its side, all of one in the middle', () => {
  const context = on(openedLog());
  expect([lampsHeld(context, 'both', 'left'), lampsHeld(context, 'both', 'right'), lampsHeld(context, 'both', 'centre'), lampsHeld(context, 'none', 'left')]).toEqual([
    ['l'],
    ['r'],
    ['l', 'r'],
    [],
  ]);
});

test('what a kit took the place of and lies bagged is not left for the night, nor are its fasteners', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'old-lamp', level: 'off', way: 'w', fasteners: [{ group: 'screws', count: 3 }] });
  const lines = () => nightLines(contextOf(log)).map(({ item, count }) => [item, count]);
  expect(lines()).toContainEqual(['tray', 3]);
  log.add('part.bagged', { piece: 'old-lamp', where: 'shelf' });
  expect(lines()).toEqual([]);
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [{ group: 'bolts', count: 2 }] });
  expect(lines()).toEqual([
    ['off', 1],
    ['tray', 2],
    ['battery', 1],
    ['cover', 1],
    ['key', 1],
  ]);
});
