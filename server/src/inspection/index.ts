/** Readings, inspections and what they are judged to be. */
export { closeInspection, skipReading, startInspection, takeReading } from './handlers';
export { judgeRoutes } from './judge-routes';
export { attachPhoto } from './photo-handler';
export { photoViews } from './photos';
export { recentInspections, sheetOf, standingReadings } from './queries';
export { inspectionRoutes } from './routes';
export { inspection, photo, reading } from './schema';
export { keepStanding } from './standing';
