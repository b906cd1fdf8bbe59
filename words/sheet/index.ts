export * from './new-lamps.ts';
export * from './content.ts';
