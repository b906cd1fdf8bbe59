import fc from 'fast-check';
import { NEW_HERON } from '../test/new-heron.ts';
import { BODIES, checkProfile, DESCRIBED, entryId, kindSlug, measuresOf, newKind, standardLamps, TYPICAL_MEASURES } from './index.ts';

test('a kind that nobody described says of each list that nobody has looked for it, and is a sound profile', () => {
  const profile = newKind(NEW_HERON);
  expect(checkProfile(profile)).toEqual([]);
  expect([profile.slug, profile.undescribed, profile.battery, profile.years]).toEqual(['dunmorrow-heron', [...DESCRIBED], undefined, { from: 2021 }]);
});

test('measures that were not taken follow those that were', () => {
  // A van of 5950 × 2060 × 2620 mm with 3640 mm between its axles: its nose has 960 of the 2310 mm that the wheelbase leaves.
  const { frontOverhangMm, wheelDiameterMm, trackMm, bonnetHeightMm, groundClearanceMm } = TYPICAL_MEASURES['van-high-roof'];
  expect([frontOverhangMm, trackMm, bonnetHeightMm]).toEqual([960, 1740, 1220]);
  expect(measuresOf('van-high-roof', { lengthMm: 6450, widthMm: 1854, heightMm: 2882, wheelbaseMm: 3640 })).toEqual({
    lengthMm: 6450,
    widthMm: 1854,
    heightMm: 2882,
    wheelbaseMm: 3640,
    // 960 / 2310 of 2810.
    frontOverhangMm: 1168,
    wheelDiameterMm,
    // A tenth narrower, a tenth higher.
    trackMm: 1566,
    bonnetHeightMm: 1342,
    groundClearanceMm: Math.round(groundClearanceMm * 1.1),
  });
});

test('any body in measures within a third of its own is a sound profile, and the typical ones give the typical ones', () => {
  const share = fc.double({ min: 0.75, max: 1.3, noNaN: true });
  fc.assert(
    fc.property(fc.constantFrom(...BODIES), share, share, share, (body, long, wide, high) => {
      const { lengthMm, widthMm, heightMm, wheelbaseMm } = TYPICAL_MEASURES[body];
      const few = {
        lengthMm: Math.round(lengthMm * long),
        widthMm: Math.round(widthMm * wide),
        heightMm: Math.round(heightMm * high),
        wheelbaseMm: Math.round(wheelbaseMm * long),
      };
      return checkProfile(newKind({ ...NEW_HERON, body, ...few })).length === 0;
    }),
  );
  for (const body of BODIES) expect([body, measuresOf(body, TYPICAL_MEASURES[body])]).toEqual([body, TYPICAL_MEASURES[body]]);
});

test('a slug is made of maker and model, and is never empty nor ends in a hyphen', () => {
  expect(kindSlug({ maker: 'Wexholm & Söhne', model: 'Fieldcat 4×4' })).toBe('wexholm-s-hne-fieldcat-4-4');
  expect([entryId('Arch liner, left', 'x7k2'), entryId('—', 'x7k2'), entryId(`${'a'.repeat(50)} b`, 'x7k2')]).toEqual([
    'arch-liner-left-x7k2',
    'piece-x7k2',
    `${'a'.repeat(50)}-x7k2`,
  ]);
  expect(kindSlug({ maker: '—', model: '…' })).toBe('vehicle');
  expect(kindSlug({ maker: 'a'.repeat(59), model: 'Heron' })).toBe('a'.repeat(59));
});

test('lamps that a body commonly has lie at its ends, mirrored, each lit by the state of its own side', () => {
  const lamps = standardLamps('pickup-double-cab', newKind(NEW_HERON).measures);
  expect(lamps.map(({ id }) => id)).toEqual(expect.arrayContaining(['dipped-left', 'turn-front-right', 'tail-left', 'plate', 'rear-fog']));
  expect(new Set(lamps.map(({ id }) => id)).size).toBe(lamps.length);
  const of = (id: string) => lamps.find((lamp) => lamp.id === id);
  expect([of('turn-rear-left')?.state, of('turn-rear-right')?.state]).toEqual(['turn left', 'turn right']);
  expect([of('dipped-left')?.at.yMm, of('dipped-right')?.at.yMm]).toEqual([707, -707]);
  expect([of('tail-left')?.at.xMm, of('plate')?.side, of('rear-fog')?.side]).toEqual([newKind(NEW_HERON).measures.frontOverhangMm - 5330, 'centre', 'left']);
  // Two wheels in line have one headlamp; a trailer lights nothing ahead, and has no roof to carry a lamp.
  expect(standardLamps('motorcycle-naked', TYPICAL_MEASURES['motorcycle-naked']).filter(({ state }) => state === 'dipped')).toMatchObject([{ id: 'dipped', side: 'centre' }]);
  expect(standardLamps('trailer', TYPICAL_MEASURES.trailer).filter(({ state, id }) => state === 'dipped' || id === 'stop-high')).toEqual([]);
});
