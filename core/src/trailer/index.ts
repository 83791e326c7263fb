/** Running gear, and positions on it. */
export {
  changedFacts,
  changePhotoKey,
  changeWords,
  type Fact,
  type FactChange,
  factChangeSchema,
  isJudgedBy,
  type UnitChange,
  unitChangeSchema,
} from './changes';
export {
  type AxleEnd,
  becauseSchema,
  correctedEnds,
  type EndFacts,
  endFactsSchema,
  endSchema,
  SEEN_BY,
  SEEN_WORDS,
  type SeenBy,
} from './correct';
export * from './gear';
export {
  axleSchema,
  chamberSchema,
  featuresSchema,
  makerLimitSchema,
  unitHeadSchema,
  unitIdSchema,
  unitSchema,
  wireUnitSchema,
} from './gear-schema';
export {
  type FittedForm,
  fittedFormSchema,
  LIMITED_BY,
  lifeOf,
  ofPresentLives,
  type PartLife,
  partLifeSchema,
  RENEWED_PARTS,
  type Renewal,
  type RenewedPart,
  renewalSchema,
  renewedBy,
} from './part-life';
export {
  comparePositions,
  type Place,
  type Position,
  parseAxleCode,
  parsePosition,
  placeCode,
  placeRank,
  placeSchema,
  placeShort,
  placeWords,
  positionCode,
} from './position';
export { factSays, QUOTED_FACTS, type QuotedFact, sizeWords } from './quoted';
export { FIRST_AXLES, type UnitForm, unitFormSchema } from './unit-form';
