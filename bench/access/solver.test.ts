import loadHighs from 'highs';
import { solveAccess } from '@jade/core/access';
import { formulate } from './formulation.ts';
import { generateVehicle } from '../../core/access/test/generated.ts';

const SEEDS = Array.from({ length: 40 }, (_, index) => index + 1);

test('the least-labour way in is the optimum of an independent solver on forty generated vehicles', async () => {
  const highs = await loadHighs();
  let solved = 0;
  for (const seed of SEEDS) {
    const problem = generateVehicle(8 + (seed % 8), 1 + (seed % 3), seed);
    const choice = solveAccess(problem);
    if (choice.problems.length > 0) continue;
    const answer = highs.solve(formulate(problem), { mip_rel_gap: 0, mip_abs_gap: 0, output_flag: false });
    expect([seed, answer.Status, Math.round(answer.ObjectiveValue), choice.proved]).toEqual([seed, 'Optimal', choice.total, true]);
    solved++;
  }
  expect(solved).toBeGreaterThan(25);
}, 120_000);
