export * from './rule-set.ts';
