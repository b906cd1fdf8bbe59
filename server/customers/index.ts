export { jobsNamed, vehicleNow } from './find.ts';
export { makeVehicle, vehicleRow } from './keep.ts';
export * from './routes.ts';
