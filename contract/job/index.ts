export * from './event.ts';
export * from './answers.ts';
