/** Routes and their steps, an inspection as it is walked, and what is judged together. */
export { INSPECTION_COMMANDS, PHOTO_CHARS } from './commands';
export * from './draft';
export { causesOf, type FoundDefect, foundDefects, holdReason, ownFindings } from './found';
export {
  type Frame,
  frameKey,
  frameLine,
  GAUGE_KINDS,
  GAUGE_STEP,
  type GaugeKind,
  type GaugeSource,
  gaugeSourceSchema,
  gaugeWords,
  MADE_UP_SERIAL,
  parseFrame,
  type Taken,
  takeFrame,
} from './gauge';
export * from './life';
export {
  AREA_WORDS,
  AREAS,
  type Area,
  headVerdict,
  type LookedAt,
  lookedAt,
  lookedAtSchema,
  unreadWords,
  unseenAreas,
} from './looked';
export type { Note } from './note';
export { checksAsked, codesOffered } from './offered';
export {
  type Asked,
  endSteps,
  fittedSteps,
  isDriversWalk,
  mayLack,
  measuresAll,
  measuringRoute,
  ROUTES,
  ROUTES_VERSION,
  type Route,
  routeSchema,
  routeSteps,
  routesFor,
  type Section,
  WALK_WORDS,
  WALKS,
  wholeSteps,
} from './route';
export {
  type Correction,
  type Settled,
  type SettledReading,
  type StandingFacts,
  settle,
  type ToldDefect,
  takenBack,
} from './settle';
export { type Claim, type NewClaim, standingVerdict, whichStands } from './stands';
export {
  judgedTogether,
  judgeStanding,
  judgeTogether,
  ofFittedParts,
  type StandingThere,
  type Together,
} from './together';
export * from './views';
