import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** An argon2id hash of a password, with the library's recommended cost. */
export const hashPassword = (password: string): Promise<string> => hash(password);

/** A hash that no password has: of who was invited, or whose password was ended. */
export const noPassword = (): Promise<string> => hashPassword(randomBytes(32).toString('base64'));

// Hash of a random password: verified against when nobody has the name, so that both answers take as long.
let decoy: Promise<string> | undefined;

/** Whether the password is right. Takes as long when there is no such person. */
export async function passwordFits(stored: string | null, password: string): Promise<boolean> {
  decoy ??= hashPassword(Math.random().toString(36));
  const fits = await verify(stored ?? (await decoy), password);
  return stored !== null && fits;
}

/** What is kept of a secret that was drawn at random and is long: a plain hash gives nothing away. */
export const secretHash = (secret: string): string => createHash('sha256').update(secret).digest('hex');
