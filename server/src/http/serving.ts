import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Session } from '@zealous-axle/core';
import type { FastifyBaseLogger, FastifyInstance, FastifyRequest, RawServerDefault } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import { sessionFor } from '../access/sessions';
import { type Database, type FleetStore, inFleet } from '../store/connect';
import { KnownProblem } from './problems';

/** What every route may need. The clock is an argument, so that tests can set it. */
export interface Serving {
  db: Database;
  now: () => Date;
  secure: boolean;
}

export type App = FastifyInstance<
  RawServerDefault,
  IncomingMessage,
  ServerResponse,
  FastifyBaseLogger,
  ZodTypeProvider
>;

export const COOKIE = 'za_session';

/** Whoever sent the request; a 401 when nobody is signed in. */
export async function signedIn({ db, now }: Serving, request: FastifyRequest): Promise<Session> {
  const token = request.cookies[COOKIE];
  const session = token ? await sessionFor(db, token, now()) : null;
  if (!session) throw new KnownProblem('not-signed-in');
  request.log = request.log.child({ person: session.person.id, fleet: session.fleet.id });
  return session;
}

/** Answers a question about the sender's own fleet. */
export async function ask<T>(
  serving: Serving,
  request: FastifyRequest,
  question: (store: FleetStore, session: Session) => Promise<T | null>,
): Promise<T> {
  const session = await signedIn(serving, request);
  const answer = await inFleet(serving.db, session.fleet.id, (store) => question(store, session));
  if (answer === null) throw new KnownProblem('not-found');
  return answer;
}

/** The date of an instant in the shop's zone, as `2026-11-24`. */
export const dayIn = (zone: string, at: Date): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(at);
