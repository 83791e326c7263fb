import {
  claimSchema,
  newPasswordSchema,
  peopleSchema,
  SHOP,
  sessionSchema,
  setUpSchema,
  signInSchema,
} from '@zealous-axle/core';
import type { FastifyRequest } from 'fastify';
import { z } from 'zod';
import { changePassword, claim, SESSION_DAYS, signIn, signOut, slugOf } from '../access';
import { type App, ask, COOKIE, type Serving, signedIn } from '../http';
import { invalid, KnownProblem } from '../problem';
import { inFleet } from '../store';
import { peopleOf } from './people';
import { sessionOf } from './queries';
import { setUpOf } from './set-up';

/** Tries are counted by where they come from and by the name tried. */
const byName = {
  max: 10,
  timeWindow: '1 minute',
  keyGenerator: ({ ip, body }: FastifyRequest) => `${ip} ${String((body as { name?: unknown })?.name).toLowerCase()}`,
  hook: 'preHandler',
} as const;

/** Sign in, who am I, sign out; invitations and people. */
export function sessionRoutes(app: App, serving: Serving): void {
  const cookie = { httpOnly: true, sameSite: 'strict', path: '/', secure: serving.secure } as const;

  app.post(
    '/session',
    {
      schema: { tags: ['session'], summary: 'Sign in', body: signInSchema, response: { 200: sessionSchema } },
      config: { rateLimit: byName },
    },
    async (request, reply) => {
      const opened = await signIn(serving.db, request.body, serving.now(), sessionOf);
      if (!opened) throw new KnownProblem('wrong-sign-in');
      reply.setCookie(COOKIE, opened.token, { ...cookie, maxAge: SESSION_DAYS * 86_400 });
      return opened.answer;
    },
  );

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
      reply.setCookie(COOKIE, opened.token, { ...cookie, maxAge: SESSION_DAYS * 86_400 });
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

  app.get(
    '/session',
    {
      schema: {
        tags: ['session'],
        summary: 'Who is signed in, and what their fleet judges by',
        response: { 200: sessionSchema },
      },
    },
    (request) => ask(serving, request, sessionOf),
  );

  app.delete(
    '/session',
    { schema: { tags: ['session'], summary: 'Sign out', response: { 204: z.null() } } },
    async (request, reply) => {
      const token = request.cookies[COOKIE];
      if (token) await signOut(serving.db, token);
      return reply.clearCookie(COOKIE, cookie).code(204).send(null);
    },
  );
}
