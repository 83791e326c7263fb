/** What changes, told live. */
export { type Live, openLive } from './live';
export { liveRoutes } from './routes';
