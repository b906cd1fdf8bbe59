export * from './estimate.ts';
