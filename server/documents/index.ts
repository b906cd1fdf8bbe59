export * from './canonical.ts';
export * from './store.ts';
export * from './routes.ts';
export * from './kept.ts';
