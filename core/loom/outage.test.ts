import type { Kit } from '../kit/index.ts';
import { wire } from '../stations/index.ts';
import { bareKit, bareLamp } from '../test/bare-kit.ts';
import type { LampChannel, VehicleProfile } from '../vehicle/index.ts';
import { contextOf, openedLog, PAIR, VAN, type TestLog } from '../job/test/log.ts';
import { touchesFactoryLamps, watchedLamps } from './index.ts';
import type { JobContext } from '../job/index.ts';

const CHANNEL: LampChannel = {
  id: 'fog-left',
  name: 'Fog, left',
  kind: 'steady',
  thresholdW: 15,
  flashes: false,
  flasherChangeable: false,
  codable: false,
  leastV: 11,
  mostV: 14.4,
};
/** The van with its fog wire watched; a factory lamp of 19 W hangs on it, which the kit takes away, and a side lamp of 2 W, which stays. */
const watching = (channel: Partial<LampChannel> = {}): VehicleProfile => ({
  ...VAN,
  channels: [{ ...CHANNEL, ...channel }],
  plugs: VAN.plugs.map((plug) => ({ ...plug, pins: plug.pins.map((pin) => (pin.id === '2' ? { ...pin, channel: 'fog-left' } : pin)) })),
  circuits: VAN.circuits.map((circuit) => ({
    ...circuit,
    loads: [
      { name: 'Old fog lamp', powerW: 19, atV: 12, kind: 'filament' as const, function: 'old-fog', channel: 'fog-left' },
      { name: 'Side lamp', powerW: 2, atV: 12, kind: 'filament' as const, channel: 'fog-left' },
    ],
  })),
});
const lit = (powerW: number, contents: Kit['contents'] = PAIR.contents): Kit =>
  bareKit({ ...PAIR, lamps: [bareLamp('lamp', { load: { powerW, atV: 13.2, kind: 'driven LED', standbyMa: 0 } })], contents });
const on = (kit: Kit, profile = watching(), log: TestLog = openedLog()): JobContext => ({ ...contextOf(log), profile, kits: [kit] });
const first = (context: JobContext) => {
  const [lamp] = watchedLamps(context) ?? [];
  if (!lamp) throw new Error('nothing is watched');
  return lamp;
};
const part = (cure: NonNullable<Kit['contents'][number]['cure']>): Kit['contents'] => [
  ...PAIR.contents,
  { id: 'part', name: 'Part', kind: 'other', count: 1, spareAllowed: false, cure },
];

test('what hangs on a channel is what stays of the factory lamps and what the kit hangs on it', () => {
  expect(first(on(lit(8)))).toMatchObject({ beforeW: 21, afterW: 10, value: 'open', answer: { seen: 'reported' } });
  // At the threshold it sees nothing.
  expect(first(on(lit(13)))).toMatchObject({ afterW: 15, value: 'as it was', answer: { seen: 'nothing' } });
  expect(first(on(lit(12.9)))).toMatchObject({ value: 'open' });
});

test('a coil that a wire triggers is no lamp of its channel: what hung on it before does, less what is taken away', () => {
  const [fitment] = PAIR.fitments;
  const [joint] = fitment?.connections ?? [];
  if (!fitment || !joint) throw new Error('no joint');
  const kit = {
    ...lit(8),
    relays: [{ id: 'relay', name: 'Relay', coilOhm: 85, contactA: 30, pullInV: 8 }],
    feeds: [{ id: 'laid', name: 'Feed', fuseA: 15, batteryToFuseMm: 150, wire: { areaMm2: 2.5, lengthM: 5, permittedA: 22 }, plugPermittedA: 20, relay: 'relay' }],
    fitments: [{ ...fitment, connections: [{ ...joint, feed: { circuit: 'laid' }, trigger: { circuit: 'fog', relay: 'relay' } }] }],
  };
  expect(first(on(kit))).toMatchObject({ beforeW: 21, afterW: 2, value: 'open' });
  const keeps = { ...kit, fitments: kit.fitments.map((entry) => ({ ...entry, losesFunctions: [] })) };
  expect(touchesFactoryLamps(on(keeps, VAN))).toBe(false);
});

test('a vehicle that watches nothing has no watched lamps; one that nobody described is another matter', () => {
  expect(watchedLamps(on(lit(8), { ...VAN, channels: [] }))).toEqual([]);
  expect(watchedLamps(on(lit(8), VAN))).toBeUndefined();
  expect(touchesFactoryLamps(on(lit(8), VAN))).toBe(true);
  // Also where nothing is taken away: the lamp hangs on a wire that lights one; a supply that lights none does not.
  const keeps = (carries: 'front fog' | 'switched supply') => {
    const kit = { ...lit(8), fitments: PAIR.fitments.map((fitment) => ({ ...fitment, losesFunctions: [] })) };
    const plugs = VAN.plugs.map((plug) => ({ ...plug, pins: plug.pins.map((pin) => (pin.id === '2' ? { ...pin, carries } : pin)) }));
    return touchesFactoryLamps(on(kit, { ...VAN, plugs }));
  };
  expect([keeps('front fog'), keeps('switched supply')]).toEqual([true, false]);
  // A channel that the job has nothing to do with is not shown.
  expect(watchedLamps(on(lit(8), { ...VAN, channels: [CHANNEL] }))).toEqual([]);
});

test('a part of the kit cures where it can: a resistor that is right, a decoder only on a chopped supply', () => {
  // 5 W are wanting: 11² / 5 / 1.05 = 23.05 Ω at most; 22 Ω give 9.425 W all the time, rated four times that.
  expect(first(on(lit(8, part({ by: 'resistor', ohm: 22, ratingW: 38 }))))).toMatchObject({ value: 'cured', brought: [{ item: { id: 'part' } }] });
  expect(first(on(lit(8, part({ by: 'resistor', ohm: 22, ratingW: 37 }))))).toMatchObject({ value: 'open', brought: [{ trouble: { code: 'too little rating' } }] });
  expect(first(on(lit(8, part({ by: 'decoder' })), watching({ kind: 'modulated' })))).toMatchObject({ value: 'cured' });
  expect(first(on(lit(8, part({ by: 'resistor', ohm: 22, ratingW: 90 })), watching({ kind: 'modulated' })))).toMatchObject({
    value: 'open',
    brought: [{ trouble: { code: 'of no use' } }],
  });
});

test('a driven lamp glows by the pulses while it is off, unless a decoder takes them', () => {
  expect(first(on(lit(20), watching({ kind: 'pulses when off' })))).toMatchObject({ value: 'as it was', glows: true });
  expect(first(on(lit(20, part({ by: 'decoder' })), watching({ kind: 'pulses when off' })))).toMatchObject({ glows: false });
  expect(first(on(lit(20))).glows).toBe(false);
});

test('a lamp that is left reported is accepted for what hangs on it, and asked for again where that changes', () => {
  const log = openedLog();
  expect(wire.asked(on(lit(8)))).toContainEqual(expect.objectContaining({ code: 'outage-to-accept', kind: 'to do', data: { channel: 'fog-left', fast: 0 } }));
  expect(wire.acceptOutage(on(lit(8)), 'fog-left')).toEqual({ events: [{ type: 'outage.accepted', payload: { channel: 'fog-left', afterW: 10 } }] });
  log.add('outage.accepted', { channel: 'fog-left', afterW: 10 });
  expect(first(on(lit(8), watching(), log)).accepted).toBe(true);
  expect(wire.asked(on(lit(8), watching(), log)).map(({ code }) => code)).not.toContain('outage-to-accept');
  expect(wire.acceptOutage(on(lit(8), watching(), log), 'fog-left')).toEqual({ refused: [{ code: 'already' }] });
  expect(first(on(lit(7), watching(), log)).accepted).toBe(false);
  expect(wire.acceptOutage(on(lit(20)), 'fog-left')).toEqual({ refused: [{ code: 'nothing' }] });
  const flashing = on(lit(8), watching({ flashes: true }));
  expect(wire.asked(flashing)).toContainEqual(expect.objectContaining({ data: { channel: 'fog-left', fast: 1 } }));
});
