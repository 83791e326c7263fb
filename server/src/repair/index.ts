/** Jobs, certificates and the release. */

export { livesOf, livesOfUnits, noteRenewed } from './fitted';
export { cancelJob, certifyJob, finishJob, makeJob, placeJob, reopenJob, startJob } from './handlers';
export { holdTrailer, releaseTrailer } from './holds';
export { makeJobs } from './make-jobs';
export { jobPage } from './page';
export { orderPart, receivePart, takePart } from './parts';
export { comingParts, jobViews, openRetorques } from './queries';
export { askRoad, makeUpRoad, noteRoad, roadAnswered, setRoadCosts, takeRoadReport } from './road';
export { shopRoutes } from './routes';
export { job, jobTime, part, partUse } from './schema';
export { addPart, countPart, saveTemplate, setPart, templatesOf } from './shop-data';
export { clockOff, clockOn, doRetorque, lapseRetorque, tickStep, torqueWheel } from './work';
