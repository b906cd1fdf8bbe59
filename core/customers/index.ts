export * from './join.ts';
export * from './list.ts';
export * from './plate.ts';
export * from './read.ts';
export * from './remarks.ts';
