import fc from 'fast-check';
import { checkCondition, checkFacts, evaluate, explain, factsOf, ruledOut, type Condition, type Truth } from './index.ts';

const is = (fact: string, value: string): Condition => ({ fact, is: value });
const blank = is('front-fog', 'blank');
const led = is('headlamp', 'led');

test('a fact is yes, no, or unknown where nothing is recorded', () => {
  expect(evaluate(blank, { 'front-fog': 'blank' })).toBe('yes');
  expect(evaluate(blank, { 'front-fog': 'factory' })).toBe('no');
  expect(evaluate(blank, {})).toBe('unknown');
});

test.each<[Truth, Truth, Truth, Truth]>([
  ['yes', 'yes', 'yes', 'yes'],
  ['yes', 'no', 'no', 'yes'],
  ['yes', 'unknown', 'unknown', 'yes'],
  ['no', 'no', 'no', 'no'],
  ['no', 'unknown', 'no', 'unknown'],
  ['unknown', 'unknown', 'unknown', 'unknown'],
])('%s with %s: all is %s, any is %s, in either order', (a, b, all, any) => {
  const facts: Record<string, string> = {};
  const part = (name: string, truth: Truth): Condition => {
    if (truth !== 'unknown') facts[name] = truth;
    return is(name, 'yes');
  };
  const [left, right] = [part('left', a), part('right', b)];
  expect([evaluate({ all: [left, right] }, facts), evaluate({ all: [right, left] }, facts)]).toEqual([all, all]);
  expect([evaluate({ any: [left, right] }, facts), evaluate({ any: [right, left] }, facts)]).toEqual([any, any]);
});

test('not turns yes and no round and leaves unknown alone', () => {
  expect(evaluate({ not: blank }, { 'front-fog': 'blank' })).toBe('no');
  expect(evaluate({ not: blank }, { 'front-fog': 'factory' })).toBe('yes');
  expect(evaluate({ not: blank }, {})).toBe('unknown');
});

test('no condition holds, an empty all holds, an empty any does not', () => {
  expect([evaluate(undefined, {}), evaluate({ all: [] }, {}), evaluate({ any: [] }, {})]).toEqual(['yes', 'yes', 'no']);
});

test('the facts mentioned come once each, in order', () => {
  expect(factsOf({ all: [led, { any: [blank, led] }, { not: is('trim', 'guard') }] })).toEqual(['headlamp', 'front-fog', 'trim']);
  expect(factsOf(undefined)).toEqual([]);
});

test('the reason tree nests as the condition does, each part with its value', () => {
  const tree = explain({ all: [led, { not: blank }] }, { headlamp: 'led' });
  expect([tree.value, tree.parts.map((part) => part.value), tree.parts[1]?.parts[0]?.value]).toEqual(['unknown', ['yes', 'unknown'], 'unknown']);
});

const known = new Map([['front-fog', ['blank', 'factory']]]);

test('a condition of no form, of two forms or half a fact is a fault at its path', () => {
  expect(checkCondition({}, known, 'when')).toEqual([{ path: 'when', code: 'condition-shape', data: {} }]);
  expect(checkCondition({ all: [], any: [] }, known, 'when')).toHaveLength(1);
  expect(checkCondition({ fact: 'front-fog' }, known, 'when')).toHaveLength(1);
  expect(checkCondition({ is: 'blank', all: [] }, known, 'when')).toHaveLength(1);
});

test('an unknown fact and an unknown value name the path down to the part', () => {
  expect(checkCondition({ all: [blank, is('moon', 'full')] }, known, 'when')).toEqual([{ path: 'when.all[1].fact', code: 'unknown-id', data: { id: 'moon', what: 'fact' } }]);
  expect(checkCondition({ any: [{ not: is('front-fog', 'round') }] }, known, 'when')).toEqual([
    { path: 'when.any[0].not.is', code: 'choice', data: { value: 'round', choices: 'blank, factory' } },
  ]);
  expect(checkCondition(blank, known, 'when')).toEqual([]);
});

const condition: fc.Arbitrary<Condition> = fc.letrec<{ tree: Condition }>((tie) => ({
  tree: fc.oneof(
    { depthSize: 'small' },
    fc.record({ fact: fc.constantFrom('a', 'b', 'c'), is: fc.constantFrom('x', 'y') }),
    fc.record({ all: fc.array(tie('tree'), { maxLength: 3 }) }),
    fc.record({ any: fc.array(tie('tree'), { maxLength: 3 }) }),
    fc.record({ not: tie('tree') }),
  ),
})).tree;

test('what is settled stays settled when more becomes known', () => {
  const values = fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.constantFrom('x', 'y'));
  fc.assert(
    fc.property(condition, values, values, (tree, some, more) => {
      const before = evaluate(tree, some);
      return before === 'unknown' || evaluate(tree, { ...more, ...some }) === before;
    }),
    { numRuns: 500, seed: 5 },
  );
});

test('de Morgan holds in three values', () => {
  const values = fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.constantFrom('x', 'y'));
  fc.assert(
    fc.property(fc.array(condition, { maxLength: 3 }), values, (parts, facts) => {
      return evaluate({ not: { all: parts } }, facts) === evaluate({ any: parts.map((part) => ({ not: part })) }, facts);
    }),
    { numRuns: 300, seed: 6 },
  );
});

test('what a fact is known not to be answers for that value alone; a known value stands above it', () => {
  const facts = { '!headlamp': 'led|arc' };
  expect(ruledOut(facts, 'headlamp')).toEqual(['led', 'arc']);
  expect(ruledOut(facts, 'front-fog')).toEqual([]);
  expect(['led', 'arc', 'filament'].map((value) => evaluate(is('headlamp', value), facts))).toEqual(['no', 'no', 'unknown']);
  expect(evaluate({ not: led }, facts)).toBe('yes');
  expect(evaluate(led, { ...facts, headlamp: 'led' })).toBe('yes');
});

test('facts given are held against their choices, also what is ruled out', () => {
  const known = new Map([['headlamp', ['led', 'arc', 'filament']]]);
  const faults = (facts: Record<string, string>) => checkFacts(facts, known, 'facts').map((fault) => `${fault.path} ${fault.code}`);
  expect(faults({ headlamp: 'led' })).toEqual([]);
  expect(faults({ '!headlamp': 'led|arc' })).toEqual([]);
  expect(faults({ headlamp: 'LED' })).toEqual(['facts.headlamp choice']);
  expect(faults({ '!headlamp': 'led|gas' })).toEqual(['facts.!headlamp choice']);
  expect(faults({ trim: 'plain' })).toEqual(['facts.trim unknown-id']);
});
