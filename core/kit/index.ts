export * from './kit.ts';
export * from './check.ts';
