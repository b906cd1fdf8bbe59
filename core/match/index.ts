export * from './condition.ts';
export * from './verdict.ts';
export * from './check.ts';
