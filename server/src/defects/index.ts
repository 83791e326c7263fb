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
  reportAsFound,
  reportDefect,
  reportNothing,
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
  lastCleanReport,
  openDefects,
} from './queries';
export { defectRoutes } from './routes';
export { certificate, defect } from './schema';
