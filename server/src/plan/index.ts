/** The shop plan: threads that search, and the stateless call. */
export { planRoutes } from './plan-routes';
export { bestOf, openPlanner, type Planner } from './planner';
