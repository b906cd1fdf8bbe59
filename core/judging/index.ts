export * from './judging.ts';
