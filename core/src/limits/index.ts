/** Limit books as data, the fleet's rules on top, and which limit applies where. */
export * from './book';
export { BOOK_IDS, BOOKS, type BookId, DEFAULT_BOOK, isBookId } from './books';
export { CHAMBERS, chamberSizes, chambersLike, type KnownChamber } from './chambers';
export {
  allSigns,
  bookFor,
  bookIdOf,
  type FleetLimit,
  type FleetRules,
  fleetLimitRefusal,
  fleetLimitSchema,
  plainBook,
  rulesFor,
} from './fleet';
export {
  CHECK_PRESSES,
  checkSigns,
  type KeptCheck,
  keptCheckSchema,
  OWN_CHECK_AT,
  type OwnCheck,
  ownCheckOf,
  ownCheckSchema,
  ownChecksSchema,
  ownCode,
  parseOwnCode,
} from './own-checks';
export { OWN_PRESSES, type OwnSign, ownSignOf, ownSignSchema } from './own-signs';
export {
  POLICIES,
  type Policies,
  type Policy,
  policiesSchema,
  policyChoice,
  policyMinutes,
  policySays,
  policySchema,
  STICKER_MEANS,
  type StickerMeans,
  stickerLastDay,
  stickerMonth,
} from './policies';
export { type Asking, keeps, limitFor, limitNm, limitsFor, marginOf, meantFor, otherSideFor } from './which';
export { JUDGES_WORDS, LIMIT_IS_WORDS, limitWords, sourceWords, whereWords } from './words';
