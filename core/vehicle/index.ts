export * from './profile.ts';
export * from './check.ts';
export * from './number.ts';
