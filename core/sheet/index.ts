export * from './sheet.ts';
export * from './sheet-of.ts';
export { entriesOf } from './entries.ts';
