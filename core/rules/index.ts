export * from './rule-set.ts';
export * from './check.ts';
