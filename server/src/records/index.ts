/** Files in and out, and print. */
export { importReadings } from './handlers';
export { moveInParts, moveInPeople, moveInReadings, moveInRepairs, moveInUnits, undoMoveIn } from './moving';
export { printRoutes } from './print-routes';
export { fileRoutes, movingRoutes } from './routes';
export { importUnits } from './units-csv';
