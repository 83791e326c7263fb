/** Who is signed in, and in which fleet. */

export { noPassword } from './passwords';
export { fleet, person } from './schema';
export {
  asSession,
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
