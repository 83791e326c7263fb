import type { FastifyRequest } from 'fastify';
import { type Actor, noteSecurity } from '../run';
import { inFleet } from '../store';
import { type Serving, signedIn } from './serving';

/** What leaves as a file stands in the security log. Gives whoever took it. */
export async function noteExport(serving: Serving, request: FastifyRequest, what: string): Promise<Actor> {
  const actor = await signedIn(serving, request);
  const noted = { kind: 'exported' as const, person: actor.person.id, what, from: actor.from, at: serving.now() };
  await inFleet(serving.db, actor.fleet.id, (store) => noteSecurity(store, actor.fleet.id, noted));
  return actor;
}
