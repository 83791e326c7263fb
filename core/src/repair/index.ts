/** Jobs, measuring again, torque and release: what may follow what. */
export { REPAIR_COMMANDS } from './commands';
export * from './hold-life';
export * from './job-life';
export { type JobPrintout, jobPrintout } from './job-printout';
export {
  CLOCK_REASONS,
  type ClockReason,
  LEFT_ON_HOURS,
  type PartForm,
  type PartNeed,
  type Parts,
  partFormSchema,
  partsMissing,
  partsSchema,
} from './parts';
export * from './release';
export * from './remeasure';
export {
  COST_WORDS,
  type Road,
  type RoadCall,
  type RoadCosts,
  type RoadWay,
  roadCostsSchema,
  roadSchema,
  roadWays,
} from './road';
export {
  type End,
  type JobWork,
  jobOf,
  NO_WORK_KNOWN,
  RETORQUE,
  SET_UPS,
  TEMPLATES,
  type Template,
  templateFor,
  templateSchema,
  type Work,
  workFor,
} from './templates';
export { starOrder, TORQUE_STAGES, type TorqueStage, torqueSchema } from './torque';
export * from './views';
