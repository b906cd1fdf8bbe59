import fc from 'fast-check';
import { assignLegs, boreFor, bundleDiameterMm, cheapestPaths, neededMm, segmentCostMm, type Segment } from './index.ts';

const segment = (id: string, from: string, to: string, lengthMm: number, part: Partial<Segment> = {}): Segment => ({ id, from, to, lengthMm, hazards: {}, ...part });

test('a segment costs its length and what lies along it: 1100 mm past heat of 2 are 3300', () => {
  expect(segmentCostMm(segment('a', 'x', 'y', 1100, { hazards: { heat: 2 } }))).toBe(3300);
  expect(segmentCostMm(segment('a', 'x', 'y', 1000, { hazards: { heat: 0.5, wet: 0.25, edge: 0 } }))).toBe(1750);
});

const NET = [
  segment('short', 'a', 'd', 1000, { hazards: { heat: 1.5 } }),
  segment('one', 'b', 'a', 700),
  segment('two', 'b', 'd', 900, { hazards: { edge: 0.1 } }),
  segment('shut', 'a', 'd', 100, { forbidden: 'The fan takes it.' }),
  segment('far', 'd', 'e', 400),
];

test('the cheapest path spares the heat although it is longer, takes a segment either way round, and never a forbidden one', () => {
  // 700 + 900 · 1.1 against 1000 · 2.5.
  expect(cheapestPaths(NET, 'a', 'd', 3)).toEqual([
    { segments: ['one', 'two'], places: ['a', 'b', 'd'], lengthMm: 1600, costMm: 1690, hazards: ['edge'] },
    { segments: ['short'], places: ['a', 'd'], lengthMm: 1000, costMm: 2500, hazards: ['heat'] },
  ]);
  expect(cheapestPaths(NET, 'a', 'e', 1)[0]).toMatchObject({ segments: ['one', 'two', 'far'], costMm: 2090 });
  expect(cheapestPaths(NET, 'a', 'nowhere', 2)).toEqual([]);
  expect(cheapestPaths(NET, 'a', 'a', 2)).toEqual([{ segments: [], places: ['a'], lengthMm: 0, costMm: 0, hazards: [] }]);
});

/** The costs of all paths without a place twice, cheapest first. */
function allCosts(segments: readonly Segment[], from: string, to: string): number[] {
  const costs: number[] = [];
  const walk = (at: string, been: readonly string[], cost: number) => {
    if (at === to) return void costs.push(cost);
    for (const entry of segments) {
      if (entry.forbidden !== undefined) continue;
      const next = entry.from === at ? entry.to : entry.to === at ? entry.from : undefined;
      if (next !== undefined && !been.includes(next)) walk(next, [...been, next], cost + segmentCostMm(entry));
    }
  };
  walk(from, [from], 0);
  return costs.sort((a, b) => a - b);
}

test('the paths are the cheapest of all that there are, in any net', () => {
  const place = fc.constantFrom('a', 'b', 'c', 'd', 'e');
  const any = fc.record({ from: place, to: place, lengthMm: fc.integer({ min: 1, max: 900 }), heat: fc.constantFrom(0, 0.5, 2), shut: fc.boolean() });
  fc.assert(
    fc.property(fc.array(any, { maxLength: 10 }), (list) => {
      const net = list
        .filter(({ from, to }) => from !== to)
        .map(({ from, to, lengthMm, heat, shut }, index) =>
          segment(`s${index}`, from, to, lengthMm, { hazards: { heat }, ...(shut && lengthMm % 3 === 0 ? { forbidden: 'x' } : {}) }),
        );
      const found = cheapestPaths(net, 'a', 'e', 4);
      expect(found.map(({ costMm }) => costMm)).toEqual(allCosts(net, 'a', 'e').slice(0, 4));
      for (const { places } of found) expect(new Set(places).size).toBe(places.length);
    }),
  );
});

test('a lamp needs its path, slack at both ends and the loop to lift it out', () => {
  expect(neededMm(2400, 150, 200)).toBe(2900);
});

/** Extension and surplus of the best of all assignments. */
function best(needs: readonly number[], legs: readonly number[]): [number, number] {
  let least: [number, number] = [Infinity, Infinity];
  const place = (index: number, used: readonly number[], extension: number, surplus: number) => {
    const need = needs[index];
    if (need === undefined) {
      if (extension < least[0] || (extension === least[0] && surplus < least[1])) least = [extension, surplus];
      return;
    }
    legs.forEach((leg, at) => {
      if (!used.includes(at)) place(index + 1, [...used, at], extension + Math.max(0, need - leg), surplus + Math.max(0, leg - need));
    });
  };
  place(0, [], 0, 0);
  return least;
}

test('legs go to lamps as the best of all assignments has it: least extension, then least surplus', () => {
  const lengths = fc.integer({ min: 100, max: 4000 });
  fc.assert(
    fc.property(fc.array(lengths, { minLength: 1, maxLength: 5 }), fc.array(lengths, { maxLength: 3 }), fc.array(lengths, { minLength: 5, maxLength: 5 }), (needs, more, legs) => {
      const all = [...legs, ...more];
      const uses = assignLegs(
        needs.map((needed, index) => ({ lamp: `l${index}`, neededMm: needed })),
        all.map((lengthMm, index) => ({ id: `g${index}`, lengthMm })),
      );
      expect(new Set(uses.map(({ leg }) => leg)).size).toBe(needs.length);
      const sum = (sign: number) => uses.reduce((total, { surplusMm }) => total + Math.max(0, sign * surplusMm), 0);
      expect([sum(-1), sum(1)]).toEqual(best(needs, all));
    }),
  );
});

test('fewer legs than lamps are assigned to nobody', () => {
  expect(
    assignLegs(
      [
        { lamp: 'a', neededMm: 1 },
        { lamp: 'b', neededMm: 1 },
      ],
      [{ id: 'x', lengthMm: 5 }],
    ),
  ).toEqual([]);
});

test('a bundle of 2.4, 2.4 and 1.7 mm is 4.37 mm: a loom of 4.5, and shrink that comes down to it', () => {
  expect(bundleDiameterMm([2.4, 2.4, 1.7])).toBeCloseTo(4.3655, 3);
  expect([boreFor(4.3655), boreFor(4.5), boreFor(4.51), boreFor(41)]).toEqual([4.5, 4.5, 6, undefined]);
  // Over 4.51 mm goes 6, which 4 to 3 comes down to 4.5 only; 2 to 1 to 3.
  expect([boreFor(4.51, 2), boreFor(4.51, 6 / 4.52)]).toEqual([6, undefined]);
});
