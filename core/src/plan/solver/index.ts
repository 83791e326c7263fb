/** The shop plan: its wire form, the solver, proven bounds, and the checker that every plan passes. */

export { sumOf, weightsOf } from '../weights';
export {
  type Objective,
  type PlanAnswer,
  type PlanJob,
  type PlanRequest,
  PRIORITIES,
  type Priority,
  planAnswerSchema,
  planRequestSchema,
  type Slot,
  slotSchema,
} from '../wire';
export { type Bound, boundOf } from './bound';
export { type Breach, checkPlan } from './check';
export { type Binding, type Explanation, explain, type Gain, gains } from './explain';
export type { Model } from './figures';
export { instantOf, modelOf } from './model';
export { withoutBrokenPins } from './pins';
export { type Planned, type PlanOptions, plan } from './plan';
export { PlanRefused } from './refused';
export { type Replanned, replan } from './replan';
export { objectiveOf } from './terms';
export { PlanTooLate } from './too-late';
export { PlanUnsound } from './unsound';
