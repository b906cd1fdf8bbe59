export * from './problem.ts';
export * from './solve.ts';
export * from './sequence.ts';
export * from './lanes.ts';
export * from './plan.ts';
