/** What leaves the program and comes in: print and files. */

export { guessed, type Mapping, UNIT_FIELDS, type UnitField } from './columns';
export { RECORD_COMMANDS } from './commands';
export {
  type MeantIn,
  MOVED_PAPERS,
  type MovedLine,
  type MovedUnit,
  movedLines,
  movedUnitSchema,
  type Wrong,
  writtenChamber,
} from './moved-unit';
export { type InspectionPrintout, inspectionPrintout, type PrintedFinding } from './printout';
export { READING_COLUMNS, type ReadingRow, readingCells, rowReading } from './readings-csv';
export { type Cell, type Table, type TableLine, tableOf } from './table';
export { rowUnit, UNIT_COLUMNS, type UnitRow, unitCells, unitColumnWords } from './units-csv';
export * from './views';
export { DAY_ORDERS, type DayOrder, orderOf, writtenDay } from './written-day';
