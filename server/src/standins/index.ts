/** Simulated outside systems. */
export { gaugeRoutes } from './routes';
