/** One command, done once, by one at a time. */
export type { Actor } from './actor';
export { type Changed, changed, type Doing, type Done, found, type Handler, nextState, sameVersion } from './doing';
export { LIVE_CHANNEL, tellLive } from './events';
export { jpegOf } from './jpeg';
export { runCommand, type SentCommand } from './run';
export { event, personKey, securityEntry } from './schema';
export { asTask, sealOf } from './seal';
export { noteSecurity } from './security';
export { signatureOf } from './signature';
export type { Clock } from './time';
