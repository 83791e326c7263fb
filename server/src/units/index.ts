/** Units: what they are, what they run with, their papers, departures and holds. */

export { changesBefore, changesSince, noteChange, noteFacts } from './changes';
export { combinationOf, drop, hook, keepMeter, lastBehind, lastMeter, readsNow } from './combination';
export { setDeparture } from './departure';
export { limitAt, setFitted } from './fitted';
export { addUnit, freeNumber, setUnitState, unitAt, unitValues } from './handlers';
export { endHold, holdFor, holdsOfInspection, openHolds, placeHold } from './holds';
export { recordPaper, recordSticker } from './papers';
export { departure, hold, holdReleased, meter, paper, release, unit } from './schema';
export { findUnit, takeUnit, type UnitRow, unitNumbered } from './units';
