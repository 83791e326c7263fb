/** Simulated outside systems. */

export { roadService } from './road-service';
export { gaugeRoutes } from './routes';
