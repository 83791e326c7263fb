/** Readings, inspections and what they are judged to be. */
export { correctEnds, judgedAgain, setMakerLimit, setUnit } from './correct-unit';
export {
  closeInspection,
  dropInspection,
  settleInspection,
  skipReading,
  startInspection,
  takeReading,
} from './handlers';
export { judgeRoutes } from './judge-routes';
export { attachPhoto } from './photo-handler';
export { countPhotos, photosBefore } from './photos';
export {
  countInspections,
  findInspection,
  inspectionsBefore,
  judgementSeal,
  openInspections,
  sheetOf,
  standingOfUnits,
  standingReadings,
} from './queries';
export { inspectionRoutes } from './routes';
export { inspection, reading } from './schema';
export { reportNothing, seeHeld } from './sign-walk';
export { keepStanding, standingJudged } from './standing';
