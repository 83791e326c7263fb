/** The fleet: its people, its rules, its routes and papers. */

export {
  BAY_KINDS,
  type BayKind,
  type BayView,
  type BayWork,
  bayViewSchema,
  bayWorkSchema,
  type Holidays,
  holidaysSchema,
  NO_BAY_WORK,
} from './bays';
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
export {
  type Away,
  awaySchema,
  dayBegins,
  hourText,
  instantAt,
  type Shift,
  type Span,
  shiftSchema,
  spansOf,
  type WeeklyHours,
} from './hours';
export * from './outside';
export { PAPER_NAMES, PAPERS, type PaperKind, papersUnder, weeksAllowed } from './papers';
export * from './people';
export * from './views';
