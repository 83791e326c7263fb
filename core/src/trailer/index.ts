/** Running gear, and positions on it. */
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
} from './part-life';
export {
  comparePositions,
  type Place,
  type Position,
  parsePosition,
  placeCode,
  placeRank,
  placeSchema,
  placeWords,
  positionCode,
} from './position';
export { FIRST_AXLES, type UnitForm, unitFormSchema } from './unit-form';
export { withChamber } from './with-chamber';
