export * from './load.ts';
export * from './routes.ts';
