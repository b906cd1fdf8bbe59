export * from './seen.ts';
export * from './ways.ts';
export * from './levels.ts';
export * from './worth.ts';
export * from './propose.ts';
export * from './order.ts';
export * from './log.ts';
export * from './plan.ts';
