export * from './verdict.ts';
