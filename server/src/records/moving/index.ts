/** A shop's own lists moved in, and taken back whole. */
export { knownOf } from './known';
export { moveInParts, moveInPeople, moveInRepairs } from './lists';
export { moveInReadings } from './readings';
export { movesIn, pastRepairsOf } from './told';
export { undoMoveIn } from './undo';
export { moveInUnits } from './units';
