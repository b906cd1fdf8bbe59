export * from './events.ts';
export * from './state.ts';
export * from './fold.ts';
export * from './context.ts';
export * from './wire.ts';
export * from './aim.ts';
export * from './standing.ts';
