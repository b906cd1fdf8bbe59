export * from './read.ts';
export * from './floor.ts';
export * from './lamps.ts';
export * from './plug.ts';
export * from './slots.ts';
