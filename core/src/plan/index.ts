/** The shop plan: its wire form, the shop it is made for, and what is done with it. The solver stands in `solver/`. */
export { LONGEST_SEARCH, PLAN_COMMANDS } from './commands';
export { type Difference, type Move, planDifference } from './difference';
export { type Departure, departureLine, heldLine, type Odometer, odometerLine, parseDispatch } from './dispatch';
export { type JobParts, type PartsDays, partsDays, type Shortage, type Stock } from './parts-days';
export { PLAN_RUN_LIFE, type PlanRunState, RUN_STATES } from './run-life';
export { nextStep, SHUNT_MINUTES, type ShopFacts, type ShopJob, type ShopRequest, shopRequest } from './shop-request';
export {
  type Board,
  type BoardJob,
  boardSchema,
  type Calendars,
  calendarsSchema,
  type Dispatch,
  dispatchSchema,
  type KeptSlot,
  keptSlotSchema,
  type PartsNeeded,
  type PlanRun,
  partsNeededSchema,
  planRunSchema,
  type UnitPlan,
  unitPlanSchema,
} from './views';
export { PLAN_WEIGHTS, sumOf, weightsOf } from './weights';
export { type PlanWeights, planWeightsSchema } from './weights-form';
export {
  type Objective,
  objectiveSchema,
  type PlanAnswer,
  type PlanJob,
  type PlanRequest,
  PRIORITIES,
  type Priority,
  planReplySchema,
  planRequestSchema,
  type Slot,
  slotSchema,
} from './wire';
