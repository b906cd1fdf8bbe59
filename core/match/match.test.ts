import { bareFitment, bareKit, bareLamp } from '../test/bare-kit.ts';
import { bareProfile } from '../test/bare-profile.ts';
import { matchKit, settle, withOptions } from './index.ts';

const fact = (id: string, choices: string[], lookMin: number) => ({ id, label: id, choices, howToSee: 'look', lookMin });
const facts = [fact('front-fog', ['blank', 'factory'], 0.3), fact('headlamp', ['filament', 'led'], 1), fact('trim', ['plain', 'guard'], 0.5)];
const mount = {
  id: 'fog-left',
  name: 'Fog place, left',
  side: 'left' as const,
  at: { xMm: 900, yMm: 700, zMm: 430 },
  opening: { widthMm: 158, heightMm: 122, depthMm: 140 },
  reach: [],
  hiddenBy: [],
};
const profile = bareProfile({ facts, mounts: [mount] });
const blank = { fact: 'front-fog', is: 'blank' };
const kit = bareKit({ lamps: [bareLamp('fen-left')], fitments: [bareFitment({ condition: blank, mounts: [{ lamp: 'fen-left', mount: 'fog-left' }] })] });

test('a kit that does not name the vehicle does not fit, and nothing is asked', () => {
  const verdict = matchKit(bareKit({ fitments: [bareFitment({ vehicle: 'other' })] }), profile, 2022, {});
  expect(verdict).toMatchObject({ value: 'no', ask: [], reasons: [{ code: 'made-for', value: 'no' }] });
});

test('the year decides at both ends, and an unknown year leaves it open', () => {
  const value = (year: number | undefined) => matchKit(kit, profile, year, { 'front-fog': 'blank' }).reasons.find((reason) => reason.code === 'years')?.value;
  expect([2018, 2019, 2024, 2025, undefined].map(value)).toEqual(['no', 'yes', 'yes', 'no', 'unknown']);
});

test('equipment decides: yes, no, and unknown with the fact to look at', () => {
  expect(matchKit(kit, profile, 2022, { 'front-fog': 'blank' })).toMatchObject({ value: 'yes', ask: [] });
  expect(matchKit(kit, profile, 2022, { 'front-fog': 'factory' })).toMatchObject({ value: 'no', ask: [] });
  expect(matchKit(kit, profile, 2022, {})).toMatchObject({ value: 'unknown', ask: ['front-fog'] });
});

test('a lamp 146 × 112 × 98 in an opening of 158 × 122 × 140 leaves 12, 10 and 42 mm', () => {
  const reason = matchKit(kit, profile, 2022, { 'front-fog': 'blank' }).reasons.find((entry) => entry.code === 'opening');
  expect(reason).toMatchObject({ value: 'yes', clearance: { widthMm: 12, heightMm: 10, depthMm: 42 } });
});

test('a lamp that just fills the opening goes in, one millimetre more does not', () => {
  const wide = (widthMm: number) =>
    matchKit({ ...kit, lamps: [bareLamp('fen-left', { box: { widthMm, heightMm: 112, depthMm: 98 } })] }, profile, 2022, { 'front-fog': 'blank' }).value;
  expect([wide(158), wide(159)]).toEqual(['yes', 'no']);
});

const item = (id: string, when?: object) => ({ id, name: id, kind: 'adapter' as const, count: 1, spareAllowed: false, ...(when ? { when } : {}) });

test('adapters follow from facts; what hangs on an unknown fact is undecided and asked for, the quickest look first', () => {
  const adapters = { ...kit, contents: [item('always'), item('led', { fact: 'headlamp', is: 'led' }), item('guard', { fact: 'trim', is: 'guard' })] };
  expect(matchKit(adapters, profile, 2022, { 'front-fog': 'blank', headlamp: 'led', trim: 'plain' })).toMatchObject({
    value: 'yes',
    adapters: ['led'],
    undecidedAdapters: [],
    ask: [],
  });
  expect(matchKit(adapters, profile, 2022, { 'front-fog': 'blank' })).toMatchObject({ value: 'yes', adapters: [], undecidedAdapters: ['led', 'guard'], ask: ['trim', 'headlamp'] });
});

test('a settled condition asks for nothing: needed in either case', () => {
  const either = {
    any: [
      { fact: 'headlamp', is: 'led' },
      { fact: 'headlamp', is: 'filament' },
    ],
  };
  expect(settle(either, {}, profile)).toBe('yes');
  expect(
    settle(
      {
        all: [
          { fact: 'headlamp', is: 'led' },
          { fact: 'headlamp', is: 'filament' },
        ],
      },
      {},
      profile,
    ),
  ).toBe('no');
  expect(settle({ any: [{ fact: 'headlamp', is: 'led' }, { not: { fact: 'headlamp', is: 'led' } }] }, {}, profile)).toBe('yes');
  expect(settle({ fact: 'headlamp', is: 'led' }, {}, profile)).toBe('unknown');
  expect(matchKit({ ...kit, contents: [item('either', either)] }, profile, 2022, { 'front-fog': 'blank' })).toMatchObject({ adapters: ['either'], ask: [] });
});

test('options chosen join the facts, the default stands for what was not chosen', () => {
  const choices = ['clear', 'amber'].map((id) => ({ id, label: id, consequence: id }));
  const optional = bareKit({ options: [{ id: 'colour', label: 'Colour', choices, default: 'clear' }] });
  expect(withOptions({ trim: 'plain' }, optional, {})).toEqual({ trim: 'plain', 'option.colour': 'clear' });
  expect(withOptions({}, optional, { colour: 'amber' })).toEqual({ 'option.colour': 'amber' });
});

test('what a fact is not counts: of three maker letters with two ruled out the third is left, with one the question stays', () => {
  const letters = bareProfile({ facts: [fact('letter', ['a', 'b', 'c'], 1)] });
  const isA = { fact: 'letter', is: 'a' };
  expect([settle(isA, { '!letter': 'b|c' }, letters), settle(isA, { '!letter': 'a' }, letters), settle(isA, { '!letter': 'b' }, letters)]).toEqual(['yes', 'no', 'unknown']);
  expect(settle({ any: [isA, { fact: 'letter', is: 'b' }] }, { '!letter': 'c' }, letters)).toBe('yes');
  const made = bareKit({ fitments: [bareFitment({ condition: { not: isA } })] });
  expect(matchKit(made, letters, 2022, { '!letter': 'a' })).toMatchObject({ value: 'yes', ask: [] });
  expect(matchKit(made, letters, 2022, { '!letter': 'b' })).toMatchObject({ value: 'unknown', ask: ['letter'] });
});

test('only facts that can still change something are asked: of "blank, or factory and LED" with plain lamps none but the fog place', () => {
  const condition = {
    any: [
      blank,
      {
        all: [
          { fact: 'front-fog', is: 'factory' },
          { fact: 'headlamp', is: 'led' },
        ],
      },
    ],
  };
  const choosy = { ...kit, fitments: [bareFitment({ condition, mounts: [{ lamp: 'fen-left', mount: 'fog-left' }] })] };
  expect(matchKit(choosy, profile, 2022, { headlamp: 'led' })).toMatchObject({ value: 'yes', ask: [] });
  expect(matchKit(choosy, profile, 2022, { headlamp: 'filament' })).toMatchObject({ value: 'unknown', ask: ['front-fog'] });
  expect(matchKit(choosy, profile, 2022, {})).toMatchObject({ value: 'unknown', ask: ['front-fog', 'headlamp'] });
  // With the fog place either way the trim alone decides.
  const either = { all: [{ any: [blank, { fact: 'front-fog', is: 'factory' }] }, { fact: 'trim', is: 'plain' }] };
  expect(matchKit({ ...choosy, fitments: [bareFitment({ condition: either })] }, profile, 2022, {})).toMatchObject({ value: 'unknown', ask: ['trim'] });
});
