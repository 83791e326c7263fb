/** Who is signed in, and in which fleet. */
export { fleet, person } from './schema';
export { asSession, fleetBySlug, SESSION_DAYS, signIn, signOut } from './sessions';
