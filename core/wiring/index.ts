export * from './plugs.ts';
export * from './load.ts';
export * from './legs.ts';
