export * from './fields.ts';
export * from './check.ts';
export * from './drift.ts';
