/** Simulated outside systems. */

export { dispatchRoutes } from './dispatch-routes';
export { roadService } from './road-service';
export { gaugeRoutes } from './routes';
