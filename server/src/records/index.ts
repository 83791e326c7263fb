/** Files in and out, and print. */
export { importReadings } from './handlers';
export { moveInUnits, undoMoveIn } from './move-in';
export { printRoutes } from './print-routes';
export { fileRoutes } from './routes';
export { importUnits } from './units-csv';
