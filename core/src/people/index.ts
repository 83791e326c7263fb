/** Who works here: sign-in and rights, hours and absences, the bays they work in. */

export {
  BAY_KINDS,
  type BayKind,
  type BayView,
  type BayWork,
  bayViewSchema,
  bayWorkSchema,
  type Holidays,
  holidaysSchema,
  isBayFor,
  NO_BAY_WORK,
} from './bays';
export { PEOPLE_COMMANDS } from './commands';
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
export * from './people';
export * from './session';
