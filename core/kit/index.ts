export * from './kit.ts';
export * from './check.ts';
export * from './tests.ts';
export * from './contents-list.ts';
export * from './new-kit.ts';
