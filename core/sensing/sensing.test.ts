import { bareProfile } from '../test/bare-profile.ts';
import { errorAtRangeM, sensorEffects } from './index.ts';

test('one degree at 100 m is 1.746 m', () => {
  expect(errorAtRangeM(1, 100)).toBeCloseTo(1.7455, 4);
  expect(errorAtRangeM(0, 100)).toBe(0);
});

const sensor = (id: string, calibration: 'required' | 'not required') => ({
  id,
  name: id,
  kind: 'radar' as const,
  on: 'badge',
  lock: 'slide',
  pose: { xMm: 0, yMm: 0, zMm: 0, yawDeg: 0, pitchDeg: 0 },
  fieldOfView: { horizontalDeg: 20, verticalDeg: 6, rangeM: 150 },
  toleranceDeg: 0.5,
  calibration,
  procedure: '',
});
const profile = bareProfile({ sensors: [sensor('radar', 'required'), sensor('washer', 'not required'), { ...sensor('camera', 'required'), on: 'roof' }] });

test('only sensors on opened pieces count; disturbed means calibration unless the profile excuses it', () => {
  const effects = sensorEffects(
    profile,
    {},
    [
      { piece: 'badge', level: 'off' },
      { piece: 'roof', level: 'fitted' },
    ],
    {},
  );
  expect(effects.map((effect) => [effect.sensor.id, effect.calibrationDue, effect.why])).toEqual([
    ['radar', true, 'disturbed'],
    ['washer', false, 'profile says not required'],
  ]);
});

test('beyond its tolerance even an excused sensor is due', () => {
  const effects = sensorEffects(profile, {}, [{ piece: 'badge', level: 'hung' }], { washer: { xMm: 0, yMm: 0, zMm: 0, yawDeg: 0, pitchDeg: -0.6 } });
  expect(effects[1]).toMatchObject({ beyondTolerance: true, calibrationDue: true });
  expect(effects[1]?.upwardAt100M).toBeCloseTo(-1.0472, 4);
});
