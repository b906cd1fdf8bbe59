import { describedOnce, type FoundPlug, type KindDescribed, type PlaceList } from '../overlay/index.ts';
import { foldJob, idCheck } from '../log/index.ts';
import type { JobEvent } from '../events/index.ts';
import { checkIn, fit, isRefused, probe, samePlace, sense } from './index.ts';
import { contextOf, Device, HERON, together } from './test/device.ts';
import type { GapPoint, MountPosition, Sensor, VehiclePlug } from '../vehicle/index.ts';

const mount = (id: string, part: Partial<MountPosition> = {}): MountPosition => ({
  id,
  name: 'Bar foot',
  side: 'left',
  at: { xMm: 800, yMm: 400, zMm: 600 },
  reach: [],
  hiddenBy: [],
  ...part,
});
const gap = (id: string, part: Partial<GapPoint> = {}): GapPoint => ({ id, name: 'Bonnet to wing', side: 'left', at: { xMm: 500, yMm: 800, zMm: 900 }, ...part });
const sensor = (id: string, part: Partial<Sensor> = {}): Sensor => ({
  id,
  name: 'Radar',
  kind: 'radar',
  on: 'grille-a1',
  lock: 'tab',
  pose: { xMm: 850, yMm: 0, zMm: 600, yawDeg: 0, pitchDeg: 0 },
  calibration: 'required',
  procedure: 'By the maker.',
  ...part,
});
const face = (plug: string, part: Partial<FoundPlug> = {}): FoundPlug => ({
  plug,
  name: 'Lamp plug',
  where: 'Behind the grille',
  side: 'left',
  may: ['dipped'],
  rows: 1,
  columns: 2,
  pins: [
    { id: '1', row: 1, column: 1, colour: 'brown' },
    { id: '2', row: 1, column: 2 },
  ],
  ...part,
});
const plugOf = ({ plug: id, where, may: _may, ...found }: FoundPlug, pin: Partial<VehiclePlug['pins'][number]>): VehiclePlug => ({
  ...found,
  id,
  family: 'not described',
  keying: 'not described',
  gender: 'sockets',
  lock: 'not described',
  whereToLook: where,
  reach: [],
  hiddenBy: [],
  pins: found.pins.map((own) => ({ ...own, carries: 'unknown', ...(own.id === pin.id ? pin : {}) })),
});

const fern = () => new Device('fern', 0).came('grille-a1', 4);
const told = (said: KindDescribed, name = 'copper', minute = 3) => new Device(name, minute, together(fern())).did({ type: 'kind.described', payload: said });
const byFern = (said: KindDescribed) => fern().did({ type: 'kind.described', payload: said });
const found = (name: string, ...plugs: FoundPlug[]) => new Device(name, 5).did(...plugs.map((payload) => ({ type: 'plug.found' as const, payload })));
const asked = (list: PlaceList, ...devices: Device[]) =>
  samePlace.placeTwins(contextOf(together(...devices)), list).map(({ place, is, named, canBeOne }) => [place.id, is.id, named, canBeOne]);
const refusal = (act: ReturnType<typeof samePlace.areTwo>) => (isRefused(act) ? act.refused : []);

test('two devices that describe one name on one side are asked; other names only where both found what looks alike', () => {
  const one = byFern({ mounts: [mount('foot-a1')] });
  expect(asked('mounts', one, told({ mounts: [mount('foot-z9', { at: { xMm: 0, yMm: 0, zMm: 0 } })] }))).toEqual([['foot-z9', 'foot-a1', true, true]]);
  const other = (part: Partial<MountPosition>) => told({ mounts: [mount('lug-z9', { name: 'Lug', ...part })] });
  // 150 mm away is near, 151 is not: 90 back and 120 across.
  expect(asked('mounts', one, other({ at: { xMm: 890, yMm: 520, zMm: 600 } }))).toEqual([['lug-z9', 'foot-a1', false, true]]);
  expect(asked('mounts', one, other({ at: { xMm: 890, yMm: 521, zMm: 600 } }))).toEqual([]);
  expect(asked('mounts', one, other({ side: 'right' }))).toEqual([]);
  // One device knows what it wrote down; of what the server has not seen yet nobody knows by which it was.
  expect(asked('mounts', byFern({ mounts: [mount('foot-a1'), mount('lug-z9', { name: 'Lug' })] }))).toEqual([]);
  const pending = together(one, other({})).map((event) =>
    event.type === 'kind.described' && event.payload.mounts?.[0]?.id === 'lug-z9' ? { ...event, device: undefined } : event,
  );
  expect(samePlace.placeTwins(contextOf(pending as ReturnType<typeof together>), 'mounts')).toEqual([]);
  expect(asked('gaps', byFern({ gaps: [gap('gap-a1')] }), told({ gaps: [gap('slit-z9', { name: 'Slit', at: { xMm: 500, yMm: 800, zMm: 1049 } })] }))).toEqual([
    ['slit-z9', 'gap-a1', false, true],
  ]);
  expect(asked('gaps', byFern({ gaps: [gap('gap-a1')] }), told({ gaps: [gap('slit-z9', { name: 'Slit', at: { xMm: 500, yMm: 800, zMm: 1051 } })] }))).toEqual([]);
  // Who calls a place otherwise has not found it.
  const renamed = told({ mounts: [mount('foot-a1', { name: 'Foot' })] }, 'till');
  expect(asked('mounts', one, renamed, new Device('fern', 9).did({ type: 'kind.described', payload: { mounts: [mount('lug-b2', { name: 'Lug' })] } }))).toEqual([]);
  // What its profile has learned meanwhile under the name is that one, or another.
  expect(samePlace.placeTwins(contextOf(together(told({ mounts: [mount('foot-z9')] })), { ...HERON, mounts: [mount('foot-k1')] }), 'mounts')).toMatchObject([
    { place: { id: 'foot-z9' }, is: { id: 'foot-k1' }, named: true },
  ]);
});

test('one kind of sensor on one piece may be one; of parking sensors a piece carries several', () => {
  const [radar, camera] = [byFern({ sensors: [sensor('radar-a1')] }), byFern({ sensors: [sensor('camera-a1', { kind: 'camera', name: 'Camera' })] })];
  const front = told({ sensors: [sensor('front-z9', { name: 'Front radar' })] });
  expect(asked('sensors', radar, front)).toEqual([['front-z9', 'radar-a1', false, true]]);
  expect(asked('sensors', camera, front)).toEqual([]);
  const two = fern()
    .came('cover-b2', 3)
    .did({ type: 'kind.described', payload: { sensors: [sensor('radar-a1', { on: 'cover-b2' })] } });
  expect(asked('sensors', two, front)).toEqual([]);
  const parking = (id: string, name: string) => sensor(id, { kind: 'parking', name });
  expect(asked('sensors', byFern({ sensors: [parking('inner-a1', 'Inner')] }), told({ sensors: [parking('outer-z9', 'Outer')] }))).toEqual([]);
  expect(asked('sensors', byFern({ sensors: [parking('inner-a1', 'Inner')] }), told({ sensors: [parking('inner-z9', ' INNER')] }))).toEqual([['inner-z9', 'inner-a1', true, true]]);
});

test('plugs of one face may be one; of two faces they are two, whatever they are called', () => {
  const one = found('fern', face('lamp-plug-a1'));
  expect(asked('plugs', one, found('copper', face('other-z9', { name: 'Other' })))).toEqual([['other-z9', 'lamp-plug-a1', false, true]]);
  const blue = [
    { id: '1', row: 1, column: 1, colour: 'blue' },
    { id: '2', row: 1, column: 2, colour: 'red' },
  ];
  expect(asked('plugs', one, found('copper', face('other-z9', { name: 'Other', pins: blue })))).toEqual([]);
  const wide = found('copper', face('lamp-plug-z9', { columns: 3 }));
  expect(asked('plugs', one, wide)).toEqual([['lamp-plug-z9', 'lamp-plug-a1', true, false]]);
  expect(refusal(samePlace.areSame(contextOf(together(one, wide)), 'plugs', 'lamp-plug-z9'))).toEqual([{ code: 'face-impossible', why: 'two faces' }]);
  const half = face('other-z9', { name: 'Other', pins: face('x').pins.slice(0, 1) });
  expect([asked('plugs', one, found('copper', half)), asked('plugs', found('fern', half), found('copper', face('lamp-plug-a1')))]).toEqual([[], []]);
});

test('one place: what was done at the other was done there, before and after, and it stands as it was described first', () => {
  const one = byFern({ mounts: [mount('foot-a1')], sensors: [sensor('radar-a1')], gaps: [gap('gap-a1')] }).did({
    type: 'gap.measured',
    payload: { gap: 'gap-a1', moment: 'before', widthMm: 4 },
  });
  const two = told({ mounts: [mount('foot-z9', { at: { xMm: 810, yMm: 410, zMm: 610 } })], sensors: [sensor('radar-z9')], gaps: [gap('gap-z9')] }).did(
    { type: 'sensor.unplugged', payload: { sensor: 'radar-z9' } },
    { type: 'kit.described', payload: { kit: 'test-kit', mounts: [{ lamp: 'lamp', mount: 'foot-z9' }] } },
  );
  const both = together(one, two);
  const says = (list: PlaceList, id: string) => new Device(`says-${id}`, 9, both).act(samePlace.areSame(contextOf(both), list, id));
  const same = [says('mounts', 'foot-z9'), says('sensors', 'radar-z9'), says('gaps', 'gap-z9')];
  const now = contextOf(together(one, two, ...same));
  expect([now.profile.mounts.map(({ id, at }) => [id, at.xMm]), now.profile.sensors.map(({ id }) => id), now.profile.gaps.map(({ id }) => id)]).toEqual([
    [['foot-a1', 800]],
    ['radar-a1'],
    ['gap-a1'],
  ]);
  expect([now.state.unplugged, Object.values(now.state.kitsDescribed['test-kit']?.mounts ?? {})]).toEqual([['radar-a1'], [{ lamp: 'lamp', mount: 'foot-a1' }]]);
  for (const list of ['mounts', 'sensors', 'gaps'] as const) expect(samePlace.placeTwins(now, list)).toEqual([]);
  // Who has not heard of it measures what it knows, and is not refused.
  const late: JobEvent = { id: 'late', type: 'gap.measured', v: 1, at: '2026-03-05T09:00:00Z', payload: { gap: 'gap-z9', moment: 'before', widthMm: 5 } };
  const check = idCheck({ profile: HERON, kits: [], rules: now.rules }, { described: now.state.described });
  expect(check(late, 'e')).toEqual([]);
  expect(check({ ...late, payload: { ...late.payload, gap: 'gap-q7' } } as JobEvent, 'e')).toHaveLength(1);
  for (const [type, payload] of [
    ['sensor.reconnected', { sensor: 'radar-z9' }],
    ['kind.described', { apartPlaces: [{ place: 'foot-z9', from: 'foot-a1' }] }],
  ] as const)
    expect(check({ ...late, type, payload } as unknown as JobEvent, 'e')).toEqual([]);
  two.did({ type: 'gap.measured', payload: { gap: 'gap-z9', moment: 'before', widthMm: 5 } });
  expect(contextOf(together(one, two, ...same)).state.gaps.before).toEqual({ 'gap-a1': 5 });
  // Taken back they are two again.
  const [, , last] = same;
  const undone = new Device('till', 12).did({ type: 'undone', payload: { event: last?.own[0]?.id ?? '' } });
  expect(contextOf(together(one, two, ...same, undone)).profile.gaps.map(({ id }) => id)).toEqual(['gap-a1', 'gap-z9']);
});

test('one plug: its face as it was found first, read by both, with the wires that either proved', () => {
  const [a, z] = [face('lamp-plug-a1'), face('lamp-plug-z9', { where: 'Lower down', may: ['main'] })];
  const read = (plug: string, pin: string, volts: number) => ({ type: 'reading.taken' as const, payload: { plug, pin, state: 'dipped' as const, lowV: volts, highV: volts } });
  const one = found('fern', a).did(read('lamp-plug-a1', '1', 0.1));
  const two = found('copper', z).did(read('lamp-plug-z9', '2', 12.4), {
    type: 'kind.described',
    payload: { plugs: [plugOf(z, { id: '2', carries: 'dipped', circuit: 'slot-f2' })] },
  });
  const both = together(one, two);
  const same = new Device('till', 9, both).act(samePlace.areSame(contextOf(both), 'plugs', 'lamp-plug-z9'));
  const now = contextOf(together(one, two, same));
  expect(Object.values(now.state.plugsFound).map(({ plug, where }) => [plug, where])).toEqual([['lamp-plug-a1', 'Behind the grille']]);
  expect(Object.keys(now.state.readings)).toEqual(['lamp-plug-a1/1', 'lamp-plug-a1/2']);
  expect(now.profile.plugs.map(({ id, pins }) => [id, pins.map(({ carries }) => carries)])).toEqual([['lamp-plug-a1', ['unknown', 'dipped']]]);
  // Who has not heard of it reads it as it knows it.
  const check = idCheck({ profile: HERON, kits: [], rules: now.rules }, { described: now.state.described });
  expect(check({ id: 'late', type: 'continuity.measured', v: 1, at: '2026-03-05T09:00:00Z', payload: { plug: 'lamp-plug-z9', pin: '1', ohm: 2 } }, 'e')).toEqual([]);
  // Described by both: what the first one proved stands, what only the second did comes to it.
  const first = one.did({ type: 'kind.described', payload: { plugs: [plugOf(a, { id: '1', carries: 'ground' })] } });
  const joined = describedOnce(foldJob(together(first, two, same)).described).plugs['lamp-plug-a1'];
  expect(joined?.pins).toEqual([
    { id: '1', row: 1, column: 1, colour: 'brown', carries: 'ground' },
    { id: '2', row: 1, column: 2, carries: 'dipped', circuit: 'slot-f2' },
  ]);
});

test('two places stay two and are not asked of again; where both are called the same the second one gets a name of its own', () => {
  const one = byFern({ mounts: [mount('foot-a1'), mount('lug-a2', { name: 'Lug', at: { xMm: 0, yMm: 900, zMm: 0 } })] });
  const two = told({ mounts: [mount('foot-z9')] });
  const context = contextOf(together(one, two));
  const areTwo = (name: string) => samePlace.areTwo(context, 'mounts', 'foot-z9', name);
  expect([refusal(areTwo(' ')), refusal(areTwo(' BAR foot')), refusal(areTwo('lug')), refusal(areTwo('x'.repeat(200)))]).toMatchObject([
    [{ code: 'missing', count: 1 }],
    [{ code: 'name-taken', name: 'BAR foot' }],
    [{ code: 'name-taken', name: 'lug' }],
    [{ code: 'too-long' }],
  ]);
  expect([
    refusal(samePlace.areTwo(context, 'mounts', 'foot-a1', 'x')),
    refusal(samePlace.areSame(context, 'mounts', 'foot-a1')),
    refusal(samePlace.areSame(context, 'gaps', 'foot-z9')),
  ]).toEqual(['foot-a1', 'foot-a1', 'foot-z9'].map((id) => [{ code: 'unknown', what: 'place', id }]));
  const said = contextOf(together(one, two, new Device('till', 9, together(one, two)).act(areTwo(' Lower foot '))));
  expect([samePlace.placeTwins(said, 'mounts'), said.profile.mounts.map(({ name }) => name)]).toEqual([[], ['Bar foot', 'Lug', 'Lower foot']]);
  const near = told({ mounts: [mount('eye-z9', { name: 'Eye' })] });
  const apart = new Device('till', 9, together(one, near)).act(samePlace.areTwo(contextOf(together(one, near)), 'mounts', 'eye-z9'));
  expect(asked('mounts', one, near, apart)).toEqual([]);
  // That it is none of the one says nothing of the other.
  const third = told({ mounts: [mount('hook-y8', { name: 'Hook', at: { xMm: 0, yMm: 900, zMm: 0 } })] }, 'slate').did({
    type: 'kind.described',
    payload: { apartPlaces: [{ place: 'hook-y8', from: 'foot-a1' }] },
  });
  expect(asked('mounts', one, third)).toEqual([['hook-y8', 'lug-a2', false, true]]);
  // A sensor is on the side of its piece: one of that name on the left is no other in the middle, one in the middle is.
  const sided = fern()
    .came('lamp-b2', 3, { side: 'left' })
    .did({
      type: 'kind.described',
      payload: { sensors: [sensor('radar-a1'), sensor('corner-a2', { name: 'Corner', on: 'lamp-b2' }), sensor('camera-a3', { kind: 'camera', name: 'Camera' })] },
    });
  const twice = contextOf(together(sided, told({ sensors: [sensor('radar-z9')] })));
  const called = (name: string) => refusal(samePlace.areTwo(twice, 'sensors', 'radar-z9', name));
  expect([called('corner'), called('camera')]).toEqual([[], [{ code: 'name-taken', name: 'camera' }]]);
  // A plug that was only found is called otherwise as it was found.
  const [a, z] = [found('fern', face('plug-a1')), found('copper', face('plug-z9'))];
  const named = new Device('till', 9).act(samePlace.areTwo(contextOf(together(a, z)), 'plugs', 'plug-z9', 'Other plug'));
  const plugs = contextOf(together(a, z, named));
  expect([samePlace.placeTwins(plugs, 'plugs'), plugs.profile.plugs.map(({ name }) => name)]).toEqual([[], ['Lamp plug', 'Other plug']]);
});

test('each is asked at the station where it is worked', () => {
  const one = byFern({ mounts: [mount('foot-a1')], sensors: [sensor('radar-a1')], gaps: [gap('gap-a1')] }).did({ type: 'plug.found', payload: face('plug-a1') });
  const two = told({ mounts: [mount('foot-z9')], sensors: [sensor('radar-z9')], gaps: [gap('gap-z9')] }).did({ type: 'plug.found', payload: face('plug-z9') });
  const context = contextOf(together(one, two));
  const twice = (asks: { code: string; kind: string; data: object }[]) => asks.filter(({ code }) => code === 'place-twice').map(({ kind, data }) => [kind, data]);
  expect([twice(checkIn.asked(context)), twice(sense.asked(context, undefined)), twice(fit.asked(context)), twice(probe.asked(context))]).toEqual([
    [['question', { place: 'Bonnet to wing', is: 'Bonnet to wing' }]],
    [['question', { place: 'Radar', is: 'Radar' }]],
    [['question', { place: 'Bar foot', is: 'Bar foot' }]],
    [['question', { place: 'Lamp plug', is: 'Lamp plug' }]],
  ]);
});

test.each<[KindDescribed, string]>([
  [{ samePlaces: [{ place: 'gone', is: 'foot-a1' }] }, 'payload.samePlaces[0].place'],
  [{ samePlaces: [{ place: 'foot-a1', is: 'gone' }] }, 'payload.samePlaces[0].is'],
  [{ samePlaces: [{ place: 'foot-a1', is: 'radar-a1' }] }, 'payload.samePlaces[0].is'],
  [{ samePlaces: [{ place: 'foot-a1', is: 'foot-a1' }] }, 'payload.samePlaces[0].is'],
  [{ apartPlaces: [{ place: 'gone', from: 'foot-a1' }] }, 'payload.apartPlaces[0].place'],
  [{ apartPlaces: [{ place: 'foot-a1', from: 'grille-a1' }] }, 'payload.apartPlaces[0].from'],
  [{ samePlaces: [], apartPlaces: [] }, 'payload'],
])('%j is refused at %s', (payload, path) => {
  const { state, rules } = contextOf(together(byFern({ mounts: [mount('foot-a1'), mount('foot-b2')], sensors: [sensor('radar-a1')] })));
  const check = idCheck({ profile: HERON, kits: [], rules }, { described: state.described });
  const event = (said: KindDescribed): JobEvent => ({ id: 'e', type: 'kind.described', v: 1, at: '2026-03-05T09:00:00Z', payload: said });
  expect(check(event(payload), 'e').map((fault) => fault.path)).toEqual([`e.${path}`]);
  expect(check(event({ samePlaces: [{ place: 'foot-b2', is: 'foot-a1' }], apartPlaces: [{ place: 'foot-a1', from: 'foot-b2' }] }), 'e')).toEqual([]);
  // A plug that was found and not described is one of the plugs.
  const plugs = idCheck({ profile: HERON, kits: [], rules }, { described: state.described, plugs: [face('plug-a1'), face('plug-z9')] });
  expect(plugs(event({ samePlaces: [{ place: 'plug-z9', is: 'plug-a1' }] }), 'e')).toEqual([]);
});
