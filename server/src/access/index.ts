/** Who is signed in, and in which fleet. */

export { noPassword } from './passwords';
export { fleet, person } from './schema';
export {
  asSession,
  changePassword,
  claim,
  codeHash,
  endOthers,
  endSessions,
  fleetBySlug,
  ownSessions,
  SESSION_DAYS,
  signIn,
  signOut,
  slugOf,
} from './sessions';
