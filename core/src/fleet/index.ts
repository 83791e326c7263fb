/** The fleet: its people, its rules, its routes and papers. */
export { FLEET_COMMANDS } from './commands';
export * from './people';
export * from './views';
