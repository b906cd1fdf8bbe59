import { solveAccess, type AccessChoice } from '../../access/index.ts';
import { taughtProblem, type SeenJob } from '../index.ts';
import { without } from './simulated.ts';

/** The least way in that jobs teach, on a vehicle that lacks some pieces. */
export const taughtPlan = (jobs: readonly SeenJob[], lacks: readonly string[] = []): AccessChoice => solveAccess(without(taughtProblem(jobs), lacks));
