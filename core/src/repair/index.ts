/** Jobs, measuring again, torque and release: what may follow what. */
export { REPAIR_COMMANDS } from './commands';
export * from './hold-life';
export * from './job-life';
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
