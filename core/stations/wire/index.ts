export * from './wire.ts';
export * from './floor.ts';
export * from './legs.ts';
export * from './feeds.ts';
export * from './capture.ts';
