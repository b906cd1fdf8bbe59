export * from './bodies.ts';
export * from './electrics.ts';
export * from './profile.ts';
export * from './layers.ts';
export * from './route.ts';
export * from './present.ts';
export * from './number.ts';
export * from './check.ts';
