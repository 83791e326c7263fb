/** What was reported, and the life of a report. */
export { acknowledgeRepair, dismissDefect, moveDefect, reportDefect, triageDefect } from './handlers';
export { defectPlace, defectsOfJob, defectViews, findDefect, openDefects } from './queries';
export { certificate, defect } from './schema';
