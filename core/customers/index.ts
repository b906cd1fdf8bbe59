export * from './list.ts';
export * from './plate.ts';
export * from './remarks.ts';
