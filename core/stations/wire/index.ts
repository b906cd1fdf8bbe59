export * from './wire.ts';
export * from './floor.ts';
