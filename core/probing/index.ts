export * from './proof.ts';
export * from './functions.ts';
export * from './run.ts';
export * from './infer.ts';
export * from './status.ts';
export * from './next.ts';
export * from './finder.ts';
export * from './simulate.ts';
