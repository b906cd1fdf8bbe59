import fc from 'fast-check';
import { levelRank, searchAccess } from '@jade/core/access';
import { generateVehicle, tangled } from '../../core/access/test/generated.ts';

/** Whether the moves of a plan can be made one after the other and hold every target in the end. */
function works(
  problem: ReturnType<typeof generateVehicle>,
  choice: { moves: { piece: string; level: string; way: string }[]; targetWays: { target: string; way: string }[] },
): boolean {
  const at = new Map(problem.present.map((entry) => [entry.piece, levelRank(entry.level)]));
  const holds = (needs: { piece: string; level: Parameters<typeof levelRank>[0] }[]) => needs.every((need) => (at.get(need.piece) ?? 0) >= levelRank(need.level));
  for (const move of choice.moves) {
    const level = problem.pieces.find((piece) => piece.id === move.piece)?.levels.find((entry) => entry.level === move.level);
    const taken = level?.ways.find((entry) => entry.id === move.way);
    if (!level || !taken || !holds(taken.needs)) return false;
    at.set(move.piece, levelRank(level.level));
  }
  return choice.targetWays.every(({ target, way: id }) => holds(problem.targets.find((entry) => entry.id === target)?.ways.find((entry) => entry.id === id)?.needs ?? []));
}

function least(problem: ReturnType<typeof generateVehicle>) {
  const search = searchAccess(problem);
  let step = search.next();
  while (!step.done) step = search.next();
  return step.value;
}

test('any plan is a valid way in, and planning again from half way never costs more than finishing the plan', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 6, max: 16 }), fc.double({ min: 0, max: 1, noNaN: true }), (seed, size, share) => {
      const problem = generateVehicle(size, 2, seed);
      const plan = least(problem);
      if (plan.problems.length > 0 || !works(problem, plan)) return plan.problems.length > 0;
      const done = plan.moves.slice(0, Math.floor(plan.moves.length * share));
      const present = [...new Map(done.map((move) => [move.piece, move.level]))].map(([piece, level]) => ({ piece, level }));
      const again = least({ ...problem, present });
      const cost = (move: (typeof done)[number]) => {
        const levels = problem.pieces.find((piece) => piece.id === move.piece)?.levels ?? [];
        const [from, to] = [levels.find((entry) => entry.level === move.from), levels.find((entry) => entry.level === move.level)];
        return (to?.open ?? 0) - (from?.open ?? 0) + (to?.ways.find((entry) => entry.id === move.way)?.extra ?? 0);
      };
      const spent = done.reduce((sum, move) => sum + cost(move), 0);
      return works({ ...problem, present }, again) && again.total <= plan.total - spent;
    }),
    { numRuns: 60, seed: 17 },
  );
});

test('stopped early, the best plan so far comes with a bound that holds', () => {
  const problem = generateVehicle(60, 3, 1003);
  const search = searchAccess(problem);
  let step = search.next();
  if (!step.done) step = search.next(true);
  if (!step.done) throw new Error('it did not stop');
  const proved = least(problem);
  expect(step.value.total).toBeGreaterThanOrEqual(proved.total);
  expect(step.value.lowerBound).toBeLessThanOrEqual(proved.total);
});

test('a vehicle of five hundred pieces is planned, or stopped at once with the best so far', () => {
  const problem = generateVehicle(500, 4, 1);
  const plan = least(problem);
  expect([plan.proved, plan.problems, works(problem, plan)]).toEqual([true, [], true]);
  const hard = searchAccess(generateVehicle(500, 4, 3));
  let step = hard.next();
  if (!step.done) step = hard.next(true);
  if (!step.done) throw new Error('it did not stop');
  expect(step.value.moves.length).toBeGreaterThan(0);
  expect(step.value.lowerBound).toBeLessThanOrEqual(step.value.total);
}, 60_000);

test('a tangled vehicle has a plan that works from the first look on; it only gets better and the bound only rises', () => {
  const search = searchAccess(tangled(120, 3));
  const seen: { best: number; bound: number }[] = [];
  let step = search.next();
  for (let look = 0; look < 40 && !step.done; look++) {
    seen.push(step.value);
    step = search.next();
  }
  if (!step.done) step = search.next(true);
  if (!step.done) throw new Error('it did not stop');
  const { value } = step;
  expect([value.proved, value.problems, works(tangled(120, 3), value)]).toEqual([false, [], true]);
  for (const [index, { best, bound }] of seen.entries()) {
    expect(bound).toBeLessThanOrEqual(best);
    expect(best).toBeLessThanOrEqual(seen[index - 1]?.best ?? Infinity);
    expect(bound).toBeGreaterThanOrEqual(seen[index - 1]?.bound ?? 0);
  }
  expect(seen.at(-1)?.best).toBeLessThan(seen[0]?.best ?? 0);
  expect(value.total).toBeLessThanOrEqual(seen.at(-1)?.best ?? 0);
}, 60_000);

test.each([1, 2, 4, 7])('what is proved of a tangled vehicle (seed %i) never falls again while it is searched', (seed) => {
  const search = searchAccess(tangled(24, seed));
  const bounds: number[] = [];
  for (let step = search.next(); !step.done; step = search.next()) bounds.push(step.value.bound);
  expect(bounds.length).toBeGreaterThan(10);
  expect(bounds).toEqual([...bounds].sort((a, b) => a - b));
});

test.each([1, 2, 3, 5, 8, 13])(
  'a small tangled vehicle (seed %i): stopped at once its plan works, between a bound that holds and what is proved later',
  (seed) => {
    const problem = tangled(18, seed);
    const proved = least(problem);
    const search = searchAccess(problem);
    let step = search.next();
    if (!step.done) step = search.next(true);
    if (!step.done) throw new Error('it did not stop');
    expect([proved.proved, works(problem, proved), works(problem, step.value)]).toEqual([true, true, true]);
    expect(step.value.total).toBeGreaterThanOrEqual(proved.total);
    expect(step.value.lowerBound).toBeLessThanOrEqual(proved.total);
  },
  60_000,
);
