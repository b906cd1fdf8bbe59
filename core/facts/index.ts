export * from './condition.ts';
export * from './check.ts';
