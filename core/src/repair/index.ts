/** Jobs, measuring again, torque and release: what may follow what. */
export { REPAIR_COMMANDS } from './commands';
export * from './job-life';
export { type JobPrintout, jobPrintout } from './job-printout';
export {
  CLOCK_REASONS,
  type ClockReason,
  LEFT_ON_HOURS,
  type PartNeed,
  type PartOrder,
  type Parts,
  partFormSchema,
  partNeedState,
  partOrderSchema,
  partsMissing,
  partsSchema,
  stockSchema,
} from './parts';
export * from './release';
export * from './remeasure';
export { RETORQUE, retorqueDue, retorqueLapsed } from './retorque';
export {
  COST_WORDS,
  ROAD_ANSWERS,
  ROAD_STATES,
  type Road,
  type RoadAnswer,
  type RoadCall,
  type RoadCosts,
  type RoadReport,
  type RoadState,
  type RoadWay,
  roadAnswerSchema,
  roadCostsSchema,
  roadPhotoKey,
  roadReportSchema,
  roadSchema,
  roadWays,
} from './road';
export {
  type End,
  type JobWork,
  jobOf,
  type Moved,
  NO_WORK_KNOWN,
  SET_UPS,
  TEMPLATE_AT,
  TEMPLATES,
  type Template,
  templateFor,
  templateSchema,
  type Work,
  workFor,
} from './templates';
export {
  SNUG_TORQUE,
  starOrder,
  TORQUE_STAGES,
  type TorqueStage,
  torqueDoubt,
  torqueSchema,
  WHEEL_KINDS,
} from './torque';
export * from './views';
