/** What was reported, and the life of a report. */
export {
  acknowledgeRepair,
  bringBackMeasured,
  deferDefect,
  dismissDefect,
  findNoFault,
  joinDefect,
  measureDefect,
  moveDefect,
  reportAsFound,
  reportDefect,
  reportNothing,
  takeBackAnswer,
  triageDefect,
} from './handlers';
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
