/** Limit books as data, the fleet's rules on top, and which limit applies where. */
export * from './book';
export { BOOK_IDS, BOOKS, type BookId } from './books';
export {
  bookFor,
  type FleetLimit,
  type FleetRules,
  fleetLimitRefusal,
  fleetLimitSchema,
  plainBook,
} from './fleet';
export {
  SCHOOLS,
  type School,
  type Schools,
  schoolChoice,
  schoolSchema,
  schoolsSchema,
  stickerLastDay,
} from './schools';
export { type Asking, keeps, limitFor, limitNm, limitsFor, marginOf, meantFor } from './which';
