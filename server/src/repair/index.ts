/** Jobs, certificates and the release. */
export { cancelJob, certifyJob, finishJob, makeJob, placeJob, reopenJob, startJob } from './handlers';
export { holdTrailer, releaseTrailer } from './holds';
export { jobViews } from './queries';
export { shopRoutes } from './routes';
