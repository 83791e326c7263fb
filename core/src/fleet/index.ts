/** The fleet: its people, its rules, its routes and papers. */

export {
  COUPLING_LIFE,
  type CoupledUnit,
  coupledUnitSchema,
  type Meter,
  meterDoubt,
  meterSchema,
  PROPOSE_DAYS,
  whyNotBehind,
} from './combination';
export { FLEET_COMMANDS } from './commands';
export { PAPER_NAMES, PAPERS, type PaperKind, papersUnder, weeksAllowed } from './papers';
export * from './people';
export * from './views';
