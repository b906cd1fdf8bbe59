import type { Kit } from '../kit/index.ts';
import { bareLamp } from '../test/bare-kit.ts';
import { barePiece } from '../test/bare-profile.ts';
import { isRefused, standingOf, wire } from '../stations/index.ts';
import { checkProfile, type CableWays, type RouteSegment, type VehicleProfile } from '../vehicle/index.ts';
import { contextOf, openedLog, PAIR, VAN, type TestLog } from '../job/test/log.ts';
import { gatesOf, planOpening } from '../plan/index.ts';
import { jobContext, type JobContext } from '../job/index.ts';
import { legRoutes, routeParts } from './index.ts';

const place = (id: string, part = {}) => ({ id, name: id, at: { xMm: 0, yMm: 0, zMm: 0 }, ...part });
const segment = (id: string, from: string, to: string, lengthMm: number, part: Partial<RouteSegment> = {}): RouteSegment => ({
  id,
  name: id,
  from,
  to,
  lengthMm,
  hazards: {},
  needs: [],
  layMin: 2,
  ...part,
});
const need = (piece: string) => [{ piece, level: 'off' as const }];
/** From the plug to the lamp: through the wing, behind a liner of four minutes, or over the slam panel, longer and past the lid; and by a hole. */
const WAYS: CableWays = {
  places: [
    place('plug', { plugs: ['fog-plug'] }),
    place('wing'),
    place('lamp', { mounts: ['place'], liftOutMm: 120 }),
    place('battery', { role: 'battery' }),
    place('stud', { role: 'relay' }),
  ],
  segments: [
    segment('wing', 'plug', 'wing', 400, { needs: need('liner'), seal: 'Wing seal' }),
    segment('out', 'wing', 'lamp', 300, { layMin: 1 }),
    segment('slam', 'plug', 'lamp', 700, { hazards: { lid: 0.5 }, layMin: 9, needs: need('cover') }),
    segment('hole', 'plug', 'lamp', 200, { drill: true, layMin: 1 }),
    segment('near-exhaust', 'plug', 'lamp', 100, { forbidden: 'hot' }),
    segment('from-stud', 'stud', 'plug', 250),
    segment('from-battery', 'battery', 'plug', 600),
  ],
};
const piece = (id: string, openMin: number) => barePiece(id, { levels: [{ level: 'off', openMin, closeMin: openMin, people: 1, ways: [{ id: 'w', needs: [], extraMin: 0 }] }] });
const van: VehicleProfile = { ...VAN, pieces: [...VAN.pieces, piece('liner', 4), piece('cover', 1)], cableWays: WAYS };
const kit: Kit = { ...PAIR, legs: [{ id: 'leg', lamp: 'lamp', lengthMm: 1000 }] };
const on = (log: TestLog = openedLog(), profile = van, other = kit): JobContext => jobContext(log.state, { ...contextOf(log), profile, kits: [other] });
const route = (context: JobContext) => legRoutes(context)?.[0];
const holds = (context: JobContext) => standingOf(context, undefined).stations.flatMap(({ station, holds: all }) => (station === 'wire' ? all.map(({ code }) => code) : []));

test('a leg is led by the cheapest safe way: weighed by what lies along it, never where it is forbidden, by a hole only where that is agreed', () => {
  const found = route(on());
  // 700 mm against 700 · 1.5.
  expect(found?.paths.map(({ id, lengthMm, costMm }) => [id, lengthMm, costMm])).toEqual([
    ['wing+out', 700, 700],
    ['slam', 700, 1050],
  ]);
  // 700 + 2 · 150 + 120 of 1000: 120 are missing.
  expect(found?.use).toEqual({ lamp: 'lamp', leg: 'leg', neededMm: 1120, lengthMm: 1000, surplusMm: -120 });
  expect(wire.agreeDrill(on(), 'hole', ' ', 'nothing')).toEqual({ refused: [{ code: 'missing', count: 1 }] });
  expect(wire.agreeDrill(on(), 'wing', 'owner', 'nothing')).toMatchObject({ refused: [{ code: 'unknown' }] });
  expect(wire.agreeDrill(on(), 'hole', 'the owner', 'an empty box')).toEqual({
    events: [{ type: 'drill.agreed', payload: { segment: 'hole', by: 'the owner', behind: 'an empty box' } }],
  });
  const log = openedLog();
  log.add('drill.agreed', { segment: 'hole', by: 'the owner', behind: 'an empty box' });
  expect(route(on(log))?.paths.map(({ id }) => id)).toEqual(['hole', 'wing+out', 'slam']);
  expect(route(on(log))?.use?.surplusMm).toBe(1000 - 620);
});

test('where the ways of a vehicle are not described, nothing is said of its legs', () => {
  const { cableWays: _, ...undescribed } = van;
  expect(legRoutes(on(openedLog(), undescribed))).toBeUndefined();
  expect(holds(on(openedLog(), undescribed))).not.toContain('leg-to-lay');
});

test('way in and way of the cable are least together: a longer way is taken where it saves more of opening', () => {
  const target = (context: JobContext) => planOpening(context).targetWays.find((entry) => entry.target === 'leg:test-kit/leg')?.way;
  // Liner 8 and 3 to lay against cover 2 and 9 to lay: 11 each; with a quicker liner the wing wins, with a slower one the slam panel.
  const with4 = (openMin: number) => ({ ...van, pieces: [...VAN.pieces, piece('liner', openMin), piece('cover', 1)] });
  expect(target(on(openedLog(), with4(3)))).toBe('wing+out');
  expect(target(on(openedLog(), with4(5)))).toBe('slam');
  // A step of the kit that lays it has its own minutes: only what the other way takes more counts, which is the same choice.
  const [fitment] = kit.fitments;
  const stepped = { ...kit, fitments: [{ ...fitment!, fitSteps: fitment!.fitSteps.map((step) => ({ ...step, lays: ['leg'] })) }] };
  expect(target(on(openedLog(), with4(5), stepped))).toBe('slam');
  expect(planOpening(on(openedLog(), with4(5))).personMin - planOpening(on(openedLog(), with4(5), stepped)).personMin).toBeCloseTo(3, 9);
});

test('another way by hand, and back to the least labour', () => {
  const log = openedLog();
  expect(wire.chooseRoute(on(log), 'test-kit', 'leg', 'slam')).toEqual({ events: [{ type: 'route.chosen', payload: { kit: 'test-kit', leg: 'leg', path: ['slam'] } }] });
  expect(wire.chooseRoute(on(log), 'test-kit', 'leg', 'hole')).toMatchObject({ refused: [{ code: 'unknown' }] });
  log.add('route.chosen', { kit: 'test-kit', leg: 'leg', path: ['slam'] });
  expect(route(on(log))?.path?.id).toBe('slam');
  expect(planOpening(on(log)).steps.map((step) => step.piece)).toContain('cover');
  expect(planOpening(on(log)).steps.map((step) => step.piece)).not.toContain('liner');
  log.add('route.chosen', { kit: 'test-kit', leg: 'leg' });
  expect(route(on(log))?.path?.id).toBe('wing+out');
});

test('a leg that no step lays is laid by hand: once its way is open, before that is covered', () => {
  const log = openedLog();
  expect(holds(on(log))).toContain('leg-to-lay');
  expect(wire.layLeg(on(log), 'test-kit', 'leg', 'wing+out')).toEqual({ refused: [{ code: 'open-first', pieces: ['liner'] }] });
  log.add('piece.moved', { piece: 'cover', level: 'off', fasteners: [] });
  // What is open is the way it goes.
  expect(wire.layLeg(on(log), 'test-kit', 'leg', 'wing+out')).toMatchObject({ refused: [{ code: 'open-first', pieces: ['liner'] }] });
  expect(wire.layLeg(on(log), 'test-kit', 'leg', 'hole')).toMatchObject({ refused: [{ code: 'unknown' }] });
  expect(wire.layLeg(on(log), 'test-kit', 'leg', 'slam')).toEqual({ events: [{ type: 'leg.laid', payload: { kit: 'test-kit', leg: 'leg', path: ['slam'] } }] });
  // With both ways open the one that was shown is recorded, not the cheaper one.
  const both = openedLog();
  for (const piece of ['cover', 'liner']) both.add('piece.moved', { piece, level: 'off', fasteners: [] });
  expect(wire.layLeg(on(both), 'test-kit', 'leg', 'slam')).toMatchObject({ events: [{ payload: { path: ['slam'] } }] });
  const gate = () => gatesOf(on(log), undefined).find(({ subject }) => subject.kind === 'leg');
  expect(gate()).toMatchObject({ passed: false, coveredBy: [{ piece: 'cover', level: 'off' }] });
  expect(wire.floorSteps(on(log), '2026-03-05T08:30:00Z').map(({ id }) => id)).toContain('leg:test-kit/leg');
  log.add('leg.laid', { kit: 'test-kit', leg: 'leg', path: ['slam'] });
  expect([gate()?.passed, route(on(log))?.laid, holds(on(log)).includes('leg-to-lay')]).toEqual([true, true, false]);
  expect(isRefused(wire.layLeg(on(log), 'test-kit', 'leg', 'slam'))).toBe(true);
});

test('one that a step of the kit lays is laid when the step is through its passes, and asks for nothing of its own', () => {
  const [fitment] = kit.fitments;
  const stepped = { ...kit, fitments: [{ ...fitment!, fitSteps: fitment!.fitSteps.map((step) => ({ ...step, lays: ['leg'] })) }] };
  const log = openedLog();
  expect([route(on(log, van, stepped))?.step, holds(on(log, van, stepped)).includes('leg-to-lay')]).toEqual(['screw', false]);
  expect(wire.layLeg(on(log, van, stepped), 'test-kit', 'leg', 'wing+out')).toMatchObject({ refused: [{ code: 'step-first' }] });
  log.add('piece.moved', { piece: 'cover', level: 'off', fasteners: [] });
  expect(gatesOf(on(log, van, stepped), undefined).some(({ subject }) => subject.kind === 'leg')).toBe(false);
  for (const pass of ['start', 'align', 'tighten'] as const) log.add('step.passed', { kit: 'test-kit', step: 'screw', pass });
  expect(route(on(log, van, stepped))?.laid).toBe(true);
});

test('a leg of a feed that the kit lays begins where its relay goes; the long leg goes far; one run reaches the last of its lamps', () => {
  const [fitment] = kit.fitments;
  const [joint] = fitment?.connections ?? [];
  const laid = (relay?: string): Kit => ({
    ...kit,
    relays: [{ id: 'relay', name: 'Relay', coilOhm: 85, contactA: 30, pullInV: 8 }],
    feeds: [{ id: 'laid', name: 'Feed', fuseA: 10, batteryToFuseMm: 100, wire: { areaMm2: 1.5, lengthM: 1, permittedA: 16 }, plugPermittedA: 12, ...(relay ? { relay } : {}) }],
    fitments: [{ ...fitment!, connections: [{ ...joint!, feed: { circuit: 'laid' } }] }],
  });
  expect(route(on(openedLog(), van, laid('relay')))?.path?.lengthMm).toBe(950);
  expect(route(on(openedLog(), van, laid()))?.path?.lengthMm).toBe(1300);
  // Two lamps, the far one without a leg of its own hangs on the other's; with legs of their own the longer one goes there.
  const profile = {
    ...van,
    mounts: [...van.mounts, { ...van.mounts[0]!, id: 'near' }],
    cableWays: { ...WAYS, places: [...WAYS.places.filter(({ id }) => id !== 'wing'), place('wing', { mounts: ['near'] })] },
  };
  const pair = (legs: Kit['legs']): Kit => ({
    ...kit,
    lamps: [bareLamp('near'), bareLamp('lamp')],
    legs,
    fitments: [
      {
        ...fitment!,
        mounts: [
          { lamp: 'near', mount: 'near' },
          { lamp: 'lamp', mount: 'place' },
        ],
        connections: [{ ...joint!, lamps: ['near', 'lamp'] }],
      },
    ],
  });
  const leg = (id: string, lamp: string, lengthMm: number) => ({ id, lamp, lengthMm });
  expect(legRoutes(on(openedLog(), profile, pair([leg('one', 'near', 900)])))?.map(({ path }) => path?.lengthMm)).toEqual([700]);
  const two = legRoutes(on(openedLog(), profile, pair([leg('long', 'near', 1300), leg('short', 'lamp', 700)])));
  // 400 + 300 and 700 + 300 + 120: the long one goes far.
  expect(two?.map(({ lamp, use }) => [lamp, use?.leg, use?.surplusMm])).toEqual([
    ['near', 'short', 0],
    ['lamp', 'long', 180],
  ]);
});

test('what a way needs open is the highest level of each piece, of those that this vehicle has', () => {
  const twice = {
    ...WAYS,
    segments: WAYS.segments.map((entry) => (entry.id === 'out' ? { ...entry, needs: [{ piece: 'liner', level: 'loosened' as const }, ...need('not-here')] } : entry)),
  };
  expect(route(on(openedLog(), { ...van, cableWays: twice }))?.path?.needs).toEqual([{ piece: 'liner', level: 'off' }]);
  const other = {
    ...WAYS,
    segments: WAYS.segments.map((entry) => ({
      ...entry,
      needs: entry.id === 'wing' ? [{ piece: 'liner', level: 'loosened' as const }] : entry.id === 'out' ? need('liner') : entry.needs,
    })),
  };
  expect(route(on(openedLog(), { ...van, cableWays: other }))?.path?.needs).toEqual([{ piece: 'liner', level: 'off' }]);
});

test('ties, seals, loom and sleeves along the way are counted', () => {
  // 700 mm: three ties and one more; two wires that are 120 mm too short; of their thickness nothing is said.
  expect(routeParts(on())).toEqual({ ties: 4, seals: ['Wing seal'], looms: [{ kit: 'test-kit', leg: 'leg', lengthMm: 700 }], sleeves: 2 });
  const wired = (areaMm2: number, ground: 'in leg' | 'at lamp'): Kit => ({ ...kit, legs: [{ id: 'leg', lamp: 'lamp', lengthMm: 1200, wire: { areaMm2, ground } }] });
  // 1.15 · √2 · 3.0 mm are 4.88: the bore of 6; one wire of 1.9 alone 2.19: that of 3.
  expect(routeParts(on(openedLog(), van, wired(2.5, 'in leg')))).toMatchObject({ looms: [{ boreMm: 6 }], sleeves: 0 });
  expect(routeParts(on(openedLog(), van, wired(0.75, 'at lamp')))).toMatchObject({ looms: [{ boreMm: 3 }] });
  const [fitment] = kit.fitments;
  const [joint] = fitment?.connections ?? [];
  const feeds = [{ id: 'laid', name: 'Feed', fuseA: 10, batteryToFuseMm: 100, wire: { areaMm2: 1.5, lengthM: 1, permittedA: 16 }, plugPermittedA: 12 }];
  const laid: Kit = { ...wired(2.5, 'in leg'), feeds, fitments: [{ ...fitment!, connections: [{ ...joint!, feed: { circuit: 'laid' } }] }] };
  // Ring terminals at the battery and at the ground; 1 300 mm and slack are longer than the leg.
  expect(routeParts(on(openedLog(), van, laid)).sleeves).toBe(4);
});

test('ways for cable that name what the vehicle does not have are refused with their path', () => {
  const odd: CableWays = {
    places: [place('one', { plugs: ['none'], mounts: ['nowhere'] }), place('one')],
    segments: [segment('a', 'one', 'two', 10, { needs: need('wheel') })],
  };
  expect(checkProfile({ ...van, cableWays: odd }).map(({ path, code }) => `${path} ${code}`)).toEqual([
    'cableWays.places[1].id duplicate-id',
    'cableWays.places[0].plugs[0] unknown-id',
    'cableWays.places[0].mounts[0] unknown-id',
    'cableWays.segments[0].to unknown-id',
    'cableWays.segments[0].needs[0].piece unknown-id',
  ]);
});
