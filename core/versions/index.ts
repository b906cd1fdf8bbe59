export * from './differences.ts';
