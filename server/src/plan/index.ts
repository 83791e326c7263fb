/** The shop plan: threads that search, the plan people work by, and the tasks that look after it. */
export { boardRoutes } from './board-routes';
export { closeCalendar, openCalendar } from './calendar';
export { calendarRoutes, ownCalendarRoutes } from './calendar-routes';
export { askPlan, cancelPlan, publishPlan, putPlanAside, setPlanWeights } from './handlers';
export { planRoutes } from './plan-routes';
export { bestOf, openPlanner, type Planner } from './planner';
export { openProver } from './prove';
export { provePlan } from './prove-task';
export { provingPlanner } from './proving-planner';
export { type Searching, searchPlan } from './search-task';
export { watchPlan } from './watch';
export { watchPlan as doWatchPlan } from './watch-task';
