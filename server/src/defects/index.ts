/** What was reported, and the life of a report. */
export { acknowledgeRepair, dismissDefect, moveDefect, reportDefect, reportNothing, triageDefect } from './handlers';
export {
  countDefects,
  defectPlace,
  defectsOfJob,
  defectViews,
  findDefect,
  lastCleanReport,
  openDefects,
} from './queries';
export { defectRoutes } from './routes';
export { certificate, defect } from './schema';
