import type { IncomingMessage, ServerResponse } from 'node:http';
import type { FastifyBaseLogger, FastifyInstance, FastifyRequest, RawServerDefault } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import { asSession } from '../access';
import { KnownProblem } from '../problem';
import type { Actor } from '../run';
import type { Database, FleetStore } from '../store';
import { mayRead } from './readers';

/** What every route may need. The clock is an argument, so that tests can set it. */
export interface Serving {
  db: Database;
  now: () => Date;
  secure: boolean;
  /** How many days a device may go without the server. */
  offlineDays: number;
  /** Whether the program makes backups by itself. */
  backsUp?: boolean;
  /** A fleet nobody comes into: the demo's, where it is not being shown. */
  closedFleet?: string | undefined;
}

export type App = FastifyInstance<
  RawServerDefault,
  IncomingMessage,
  ServerResponse,
  FastifyBaseLogger,
  ZodTypeProvider
>;

export const COOKIE = 'za_session';
/** How the session's cookie is set: kept from scripts and other sites. */
export const sessionCookie = ({ secure }: Pick<Serving, 'secure'>) =>
  ({ httpOnly: true, sameSite: 'strict', path: '/', secure }) as const;

/** Answers a question about the sender's own fleet; a 401 when nobody is signed in, a 404 when there is no answer. */
export async function ask<T>(
  { db, now, closedFleet }: Serving,
  request: FastifyRequest,
  question: (store: FleetStore, session: Actor) => Promise<T | null>,
): Promise<T> {
  const token = request.cookies[COOKIE] ?? '';
  if (closedFleet && token.startsWith(closedFleet)) throw new KnownProblem('not-signed-in');
  const done = await asSession(db, token, now(), (store, session) => {
    if (!mayRead({ method: request.method, url: request.routeOptions.url }, session.person.role))
      throw new KnownProblem('not-allowed');
    request.log = request.log.child({ person: session.person.id, fleet: session.fleet.id });
    return question(store, { ...session, from: request.ip });
  });
  if (!done) throw new KnownProblem('not-signed-in');
  if (done.answer === null) throw new KnownProblem('not-found');
  return done.answer;
}

/** Whoever sent the request; a 401 when nobody is signed in. */
export const signedIn = (serving: Serving, request: FastifyRequest): Promise<Actor> =>
  ask(serving, request, async (_, session) => session);
