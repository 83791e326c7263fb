/** Who is signed in, and in which fleet. */

export { noPassword } from './passwords';
export { fleet, person } from './schema';
export {
  asSession,
  changePassword,
  claim,
  codeHash,
  endSessions,
  fleetBySlug,
  SESSION_DAYS,
  signIn,
  signOut,
  slugOf,
} from './sessions';
