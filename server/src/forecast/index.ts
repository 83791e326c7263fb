/** What is foreseen of the fleet: worked out by tasks of the queue, kept for the list, and made anew for one unit. */
export { bundleWork, declineWork } from './bundle';
export { doForecast, wishForecast } from './keep';
export { forecastRoutes } from './routes';
