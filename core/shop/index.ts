export * from './first-run.ts';
export * from './shop.ts';
