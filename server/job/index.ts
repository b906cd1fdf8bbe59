export * from './chain.ts';
export * from './log.ts';
export * from './open.ts';
export * from './pins.ts';
export * from './routes.ts';
export * from './summary.ts';
export * from './view.ts';
