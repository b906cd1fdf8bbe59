export * from './fields.ts';
export * from './check.ts';
