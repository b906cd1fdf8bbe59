export * from './steps.ts';
export * from './plan.ts';
