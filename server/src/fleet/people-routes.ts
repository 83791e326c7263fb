import {
  claimSchema,
  newPasswordSchema,
  ownSessionsSchema,
  peopleSchema,
  SHOP,
  sessionSchema,
  setUpSchema,
} from '@zealous-axle/core';
import { z } from 'zod';
import { changePassword, claim, endOthers, ownSessions, SESSION_DAYS, slugOf } from '../access';
import { type App, ask, COOKIE, type Serving, sessionCookie, signedIn } from '../http';
import { invalid, KnownProblem } from '../problem';
import { inFleet } from '../store';
import { peopleOf } from './people';
import { sessionOf } from './queries';
import { setUpOf } from './set-up';
import { byName } from './tries';

/** Coming in by a code, another password of one's own, and what only a foreman sees: everybody, and what is still missing. */
export function peopleRoutes(app: App, serving: Serving): void {
  app.post(
    '/invitation',
    {
      schema: {
        tags: ['session'],
        summary: 'Take up an invitation: a code once, and a password of one’s own',
        body: claimSchema,
        response: { 200: sessionSchema },
      },
      config: { rateLimit: byName },
    },
    async (request, reply) => {
      const opened = await claim(serving.db, request.body, serving.now(), sessionOf);
      if (!opened) throw new KnownProblem('wrong-code');
      reply.setCookie(COOKIE, opened.token, { ...sessionCookie(serving), maxAge: SESSION_DAYS * 86_400 });
      return opened.answer;
    },
  );

  app.post(
    '/session/password',
    {
      schema: {
        tags: ['session'],
        summary: 'Another password of one’s own; one’s other sessions end',
        body: newPasswordSchema,
        response: { 204: z.null() },
      },
      config: { rateLimit: { max: 10, timeWindow: '1 minute' } },
    },
    async (request, reply) => {
      const actor = await signedIn(serving, request);
      const token = request.cookies[COOKIE] ?? '';
      const done = await inFleet(serving.db, actor.fleet.id, (store) =>
        changePassword(store, actor, token, request.body),
      );
      if (!done) throw invalid('body.current', 'current-password');
      return reply.code(204).send(null);
    },
  );

  app.get(
    '/session/all',
    {
      schema: { tags: ['session'], summary: 'Where one is signed in', response: { 200: ownSessionsSchema } },
    },
    (request) =>
      ask(serving, request, (store, actor) => ownSessions(store, actor, request.cookies[COOKIE] ?? '', serving.now())),
  );

  app.delete(
    '/session/others',
    { schema: { tags: ['session'], summary: 'End one’s other sessions', response: { 204: z.null() } } },
    async (request, reply) => {
      const actor = await signedIn(serving, request);
      await inFleet(serving.db, actor.fleet.id, (store) => endOthers(store, actor, request.cookies[COOKIE] ?? ''));
      return reply.code(204).send(null);
    },
  );

  app.get(
    '/people',
    { schema: { tags: ['fleet'], summary: 'Everybody of the fleet', response: { 200: peopleSchema } } },
    (request) =>
      ask(serving, request, async (store, { person, fleet }) => {
        if (!SHOP.includes(person.role)) throw new KnownProblem('not-allowed');
        return { slug: await slugOf(store, fleet.id), people: await peopleOf(store) };
      }),
  );

  app.get(
    '/set-up',
    {
      schema: {
        tags: ['fleet'],
        summary: 'What the fleet has of what it needs to begin',
        response: { 200: setUpSchema },
      },
    },
    (request) => ask(serving, request, setUpOf),
  );
}
