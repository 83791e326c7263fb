/** What was reported, and the life of a report. */
export { DEFECT_COMMANDS } from './commands';
export * from './life';
export * from './seen';
export * from './views';
