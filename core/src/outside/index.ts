/** What stands outside of the program and may be connected to it: road service, dispatch, gauges. */

export { OUTSIDE_COMMANDS } from './commands';
export * from './outside';
