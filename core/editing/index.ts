export * from './forms.ts';
export * from './places.ts';
export * from './references.ts';
