import { createHash, randomBytes } from 'node:crypto';
import { availableParallelism } from 'node:os';
import { hash, verify } from '@node-rs/argon2';

/** Hashes that are worked out at once, so that what else is asked is answered meanwhile; and those that may wait for their turn. */
const AT_ONCE = Math.max(1, Math.floor(availableParallelism() / 2));
const MOST_WAITING = 40;

/** More people come in at this moment than are looked at: they are told to come again. */
class Crowded extends Error {
  readonly statusCode = 503;
}

let running = 0;
const waiting: (() => void)[] = [];

async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (running >= AT_ONCE) {
    if (waiting.length >= MOST_WAITING) throw new Crowded();
    await new Promise<void>((resolve) => waiting.push(resolve));
  } else running++;
  try {
    return await work();
  } finally {
    const next = waiting.shift();
    if (next) next();
    else running--;
  }
}

/** An argon2id hash of a password, with the library's recommended cost. */
export const hashPassword = (password: string): Promise<string> => inTurn(() => hash(password));

/** A hash that no password has: of who was invited, or whose password was ended. */
export const noPassword = (): Promise<string> => hashPassword(randomBytes(32).toString('base64'));

// Hash of a random password: verified against when nobody has the name, so that both answers take as long.
let decoy: Promise<string> | undefined;

/** Whether the password is right. Takes as long when there is no such person. */
export async function passwordFits(stored: string | null, password: string): Promise<boolean> {
  decoy ??= hashPassword(Math.random().toString(36));
  const kept = stored ?? (await decoy);
  const fits = await inTurn(() => verify(kept, password));
  return stored !== null && fits;
}

/** What is kept of a secret that was drawn at random and is long: a plain hash gives nothing away. */
export const secretHash = (secret: string): string => createHash('sha256').update(secret).digest('hex');
