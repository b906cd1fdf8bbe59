import { CAUTIONS, sayCautions } from './index.ts';

test('each caution is one line for a thumb, and those that others decide say who does', () => {
  for (const text of Object.values(CAUTIONS)) expect([text, text.length <= 120, /[.]$/.test(text)]).toEqual([text, true, true]);
  const defers = /maker|licensed|local rule|qualified/;
  for (const code of ['orange cables', 'raised', 'brakes', 'fuel', 'check after', 'solvent', 'sealant', 'adhesive', 'roof lamp', 'not on the road'] as const)
    expect([code, defers.test(CAUTIONS[code])]).toEqual([code, true]);
  expect(sayCautions(['eyes', 'hot lamp'])).toEqual([CAUTIONS.eyes, CAUTIONS['hot lamp']]);
  // Nothing is ever called lawful, and no larger fuse is advised.
  expect(Object.values(CAUTIONS).join(' ')).not.toMatch(/is legal|is lawful|larger fuse/i);
});
