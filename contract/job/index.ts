export * from './payloads.ts';
export * from './event.ts';
