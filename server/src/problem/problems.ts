import type { Problem } from '@zealous-axle/core';
import { type Said, type SentenceCode, sentence } from './sentences';

/** Every error the server can answer with: its status and its sentence. Nothing else writes error text. */
const PROBLEMS = {
  invalid: [400, 'Check your entries', 'The errors name what was expected, and where.'],
  'not-signed-in': [401, 'Not signed in', 'Sign in to go on.'],
  'wrong-sign-in': [401, 'Sign-in refused', 'The name or the password is wrong.'],
  'wrong-code': [401, 'Code refused', 'Wrong name or code, or the code was used or expired.'],
  'second-factor': [401, 'A code is asked for', 'Enter the code from your device, or a backup code.'],
  'wrong-second-factor': [401, 'Code refused', 'The code is wrong, expired or used. Wait for the next one.'],
  'sign-in-first': [
    401,
    'Sign in first',
    'A PIN works only on a device where someone signed in with a password today.',
  ],
  'wrong-signature': [
    401,
    'Not signed as agreed',
    'This fleet is not connected so, or the signature is wrong or too old: sign the text as it is sent.',
  ],
  'wrong-key': [
    401,
    'Signature refused',
    'Your signing key on this device is not valid. Sign in again here, then send it again.',
  ],
  'wrong-pin': [
    401,
    'PIN refused',
    'Wrong PIN. After five wrong tries it is locked until you sign in with your password.',
  ],
  'not-allowed': [403, 'Not for this role', 'Your role may not do this.'],
  'not-set-up': [409, 'Not set up', 'Your fleet is not connected to this. A manager sets it up under Outside.'],
  'not-found': [404, 'Not found', 'Nothing at this address, or it belongs to another fleet.'],
  'not-now': [409, 'Not possible now', 'The state it is in does not allow this.'],
  changed: [409, 'Changed in the meantime', 'Someone else changed this first. The newer state is shown.'],
  'command-reused': [409, 'Command used twice', 'This was already sent with different contents.'],
  'too-large': [413, 'Too large', 'The request is larger than this address takes.'],
  'too-slow': [503, 'Took too long', 'The request was stopped. Send a smaller one, or try again.'],
  'too-many': [429, 'Too many tries', 'Wait a minute, then try again.'],
  'too-many-tries': [
    429,
    'Too many tries',
    'Wait a minute, then try again. With two-step sign-in, enter your second code now. Or ask another manager for a new invite code.',
  ],
  broken: [500, 'Something went wrong', 'The error was logged. Nothing was saved.'],
  busy: [503, 'Busy', 'Someone else changed this at the same time. Send it again.'],
  unavailable: [503, 'Not ready', 'The database does not answer. Try again shortly.'],
  full: [503, 'No room', 'The database disk is full. Nothing was saved.'],
  unsure: [503, 'Not known', 'Connection lost while saving. Send it again; it will be applied only once.'],
} as const satisfies Record<string, readonly [status: number, title: string, detail: string]>;

export type ProblemCode = keyof typeof PROBLEMS;
type More = Partial<Pick<Problem, 'detail' | 'errors' | 'current'>>;

/** A known error on its way to the client. */
export class KnownProblem extends Error {
  constructor(
    readonly code: ProblemCode,
    readonly more: More = {},
  ) {
    super(more.detail ?? PROBLEMS[code][2]);
  }
}

/** The RFC 9457 document of a problem. */
export function problem(code: ProblemCode, more: More = {}): Problem {
  const [status, title, detail] = PROBLEMS[code];
  return { type: `urn:zealous-axle:problem:${code}`, title, status, detail, errors: [], ...more };
}

/** A refusal because of the state something is in. */
export const notNow = <C extends SentenceCode>(code: C, ...args: Said<C>): KnownProblem =>
  new KnownProblem('not-now', { detail: sentence(code, ...args) });

/** A refusal because of who asks. */
export const notAllowed = <C extends SentenceCode>(code: C, ...args: Said<C>): KnownProblem =>
  new KnownProblem('not-allowed', { detail: sentence(code, ...args) });

/** A refusal because of one field of what was sent. */
export const invalid = <C extends SentenceCode>(path: string, code: C, ...args: Said<C>): KnownProblem =>
  invalidWith(path, sentence(code, ...args));

/** The same with a sentence that `core` brings along. */
export const invalidWith = (path: string, message: string): KnownProblem =>
  new KnownProblem('invalid', { errors: [{ path, message }] });
