/** What leaves the program and comes in: print and files. */

export { plainCell, wordsCell } from './cells';
export { RECORD_COMMANDS } from './commands';
export * from './moving';
export { type InspectionPrintout, inspectionPrintout, type PrintedFinding } from './printout';
export { READING_COLUMNS, type ReadingRow, readingCells, rowReading } from './readings-csv';
export { rowUnit, UNIT_COLUMNS, type UnitRow, unitCells, unitColumnWords } from './units-csv';
export * from './views';
