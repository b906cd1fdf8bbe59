export * from './states.ts';
