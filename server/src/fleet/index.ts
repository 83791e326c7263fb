/** The fleet: its units, rules, routes, papers and holds. */

export { changesBefore, changesSince, noteChange, noteFacts } from './changes';
export { combinationOf, drop, hook, keepMeter, lastBehind, lastMeter, readsNow } from './combination';
export { foundFleet, foundingSchema } from './found-fleet';
export {
  addFleetLimit,
  limitAt,
  setFitted,
  setFleetRules,
  setOwnUnits,
  withdrawFleetLimit,
} from './handlers';
export { endHold, holdFor, holdsOfInspection, openHolds, placeHold } from './holds';
export { ownRoutes } from './own-routes';
export { recordPaper, recordSticker } from './papers';
export { invitePerson, resetPerson, setPerson, setPersonLeft } from './people';
export { peopleRoutes } from './people-routes';
export { fleetBooks, fleetRules, holdRules, unitBook } from './queries';
export { bay, departure, hold, holdReleased, meter, paper, release, unit } from './schema';
export { sessionRoutes } from './session-routes';
export { baysOf, saveBay, setDeparture, setHolidays } from './set-up';
export { addUnit, freeNumber, setUnitState, unitAt, unitValues } from './unit-handlers';
export { findUnit, takeUnit, type UnitRow, unitNumbered } from './units';
export { removeRoute, saveRoute } from './walk-routes';
