export * from './check.ts';
