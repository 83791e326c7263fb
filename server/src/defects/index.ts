/** What was reported, and the life of a report. */
export { recordMeter } from './driven';
export {
  acknowledgeRepair,
  addToReport,
  bringBackMeasured,
  deferDefect,
  dismissDefect,
  findNoFault,
  joinDefect,
  measureDefect,
  putRightHere,
  reportAsFound,
  reportDefect,
  runByDaylight,
  takeBackAnswer,
  triageDefect,
} from './handlers';
export { moveDefect } from './move';
export {
  countDefects,
  defectPlace,
  defectsOfJob,
  defectsWith,
  defectViews,
  findDefect,
  lastSigned,
  OPEN_DEFECTS,
  openDefects,
  takenBackLately,
  walksBefore,
} from './queries';
export { defectRoutes } from './routes';
export { certificate, cleanReport, defect, reportNote } from './schema';
