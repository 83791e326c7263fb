/** What a unit is, what it runs with, and the papers it carries. */

export {
  type CoupledUnit,
  coupledUnitSchema,
  type Meter,
  meterDoubt,
  meterSchema,
  PROPOSE_DAYS,
  whyNotBehind,
} from './combination';
export { UNIT_COMMANDS } from './commands';
export { PAPER_NAMES, PAPERS, type PaperKind, papersUnder, weeksAllowed } from './papers';
