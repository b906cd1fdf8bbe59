export * from './first-run.ts';
export * from './pairing.ts';
export * from './roles.ts';
export * from './shop.ts';
export * from './warnings.ts';
