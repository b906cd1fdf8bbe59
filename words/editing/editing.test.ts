import { sayField, sayFieldWithUnit } from './index.ts';

test.each([
  ['bonnetHeightMm', 'Bonnet height, mm'],
  ['torqueNm', 'Torque, Nm'],
  ['areaMm2', 'Area, mm²'],
  ['chassisMohm', 'Chassis, mΩ'],
  ['systemVoltageV', 'System voltage, V'],
  ['backM', 'Back, m'],
  ['ratedA', 'Rated, A'],
  ['recheckKm', 'Recheck, km'],
  ['priceCents', 'Price, in the smallest coin'],
  ['openMin', 'To open, min'],
  ['xMm', 'Ahead of the front axle, mm'],
  ['yMm', 'To the left, mm'],
  ['atV', 'At, V'],
  ['whereToLook', 'Where to look'],
  ['howToSee', 'How to see'],
  ['fieldOfView', 'Field of view'],
  ['numberYearByPlace7', 'Number year by place7'],
  ['standbyMa', 'Standby, mA'],
  ['size', 'Size'],
])('%s is called “%s”', (name, said) => {
  expect(sayFieldWithUnit(name)).toBe(said);
});

test('a field without a unit has none', () => {
  expect([sayField('name'), sayField('Min'), sayField('lamp')]).toEqual([{ label: 'Name' }, { label: 'Min' }, { label: 'Lamp' }]);
});
