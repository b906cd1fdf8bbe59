export * from './door.ts';
export * from './routes.ts';
export { proxiesOf, requirePerson, requireRight, requireRightOrFirstSetUp, type Session } from './session.ts';
