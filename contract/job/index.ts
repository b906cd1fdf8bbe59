export * from './payloads.ts';
export * from './event.ts';
export * from './answers.ts';
