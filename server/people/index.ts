export * from './door.ts';
export * from './routes.ts';
export { authorOf, fromThisMachine, hashOf, proxiesOf, requirePerson, requireRight, requireRightOrFirstSetUp, type Session } from './session.ts';
