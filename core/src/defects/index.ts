/** What was reported, and the life of a report. */
export { DEFECT_COMMANDS } from './commands';
export {
  breaksLaw,
  byDaylight,
  cannotWait,
  holdsByLaw,
  holdsFromReport,
  onTheSpot,
  ownRuleOf,
  ownSignRefusal,
  type SignRules,
} from './holding';
export * from './life';
export {
  COME_BACK_DAYS,
  comeBackCode,
  FIRST_DEFERRAL_DAYS,
  type Proposal,
  partOf,
  proposalFor,
  type Repaired,
  type Reported,
  sameFault,
  URGENCIES,
  type Urgency,
  urgencyOf,
} from './propose';
export { compareQueuePlaces, type QueuePlace, queueOf, type Waiting } from './queue';
export * from './seen';
export * from './views';
