/** Who is signed in, and in which fleet. */

export { noPassword } from './passwords';
export { changePerson, changersOf, setPin } from './pin';
export { fleet, person } from './schema';
export { confirmFactor, endFactor, NO_FACTOR, offerFactor } from './second-factor';
export {
  actorFor,
  asSession,
  type Coming,
  changePassword,
  claim,
  endOthers,
  endSessions,
  fleetBySlug,
  inviteBy,
  ownSessions,
  SESSION_DAYS,
  signIn,
  signOut,
  slugOf,
} from './sessions';
