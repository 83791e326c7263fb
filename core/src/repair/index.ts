/** Jobs, measuring again, torque and release: what may follow what. */
export { REPAIR_COMMANDS } from './commands';
export * from './hold-life';
export * from './job-life';
export * from './release';
export * from './remeasure';
export { torqueSchema } from './torque';
export * from './views';
