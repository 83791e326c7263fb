/** A shop's own lists, moved in: read by their own heads and words, line by line. */

export { guessed, type PlacedColumn, placedColumns } from './columns';
export { DAY_FIELDS, type Mapping, MOVE_FIELDS, MOVE_LISTS, type MoveField, type MoveList } from './fields';
export { byUnitAndDay, type Known, type MeantIn, type MovedLine, type MovedRows, movedLines, namedIn } from './lines';
export { type BlankPart, type MovedPart, movedPartSchema } from './parts';
export { invitedPersonSchema, type MovedPerson } from './people';
export type { Wrong } from './reader';
export { type KnownUnit, type LengthIn, type MovedReadings, movedReadingsSchema } from './readings';
export { type MovedRepair, movedRepairSchema } from './repairs';
export { type Cell, type Table, type TableLine, tableOf } from './table';
export { MOVED_PAPERS, type MovedUnit, movedUnitSchema, writtenChamber } from './units';
export { DAY_ORDERS, type DayOrder, orderOf, writtenDay } from './written-day';
