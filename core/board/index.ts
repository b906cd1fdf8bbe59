export * from './groups.ts';
