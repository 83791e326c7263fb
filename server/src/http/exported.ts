import type { FastifyRequest } from 'fastify';
import { type Actor, noteSecurity } from '../run';
import { inFleet } from '../store';
import { type Serving, signedIn } from './serving';

/** What leaves as a file stands in the security log, with the sum of what it held where that is known. */
export async function noteTaken(serving: Serving, actor: Actor, file: string, sha256?: string): Promise<void> {
  const what = sha256 ? `${file}, SHA-256 ${sha256}` : file;
  const noted = { kind: 'exported' as const, person: actor.person.id, what, from: actor.from, at: serving.now() };
  await inFleet(serving.db, actor.fleet.id, (store) => noteSecurity(store, actor.fleet.id, noted));
}

/** The same of a request. Gives whoever took it. */
export async function noteExport(serving: Serving, request: FastifyRequest, file: string, sha256?: string) {
  const actor = await signedIn(serving, request);
  await noteTaken(serving, actor, file, sha256);
  return actor;
}
