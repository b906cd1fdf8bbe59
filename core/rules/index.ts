export * from './rule-set.ts';
export * from './check.ts';
export * from './wire-table.ts';
