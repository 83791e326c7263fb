import { sessionSchema, signInSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { SESSION_DAYS, signIn, signOut } from '../access';
import { type App, ask, COOKIE, type Serving, sessionCookie } from '../http';
import { KnownProblem } from '../problem';
import { sessionOf } from './session';
import { byName, coming, triesOfAnyName } from './tries';

/** Sign in, who am I, sign out. */
export function sessionRoutes(app: App, serving: Serving): void {
  const cookie = sessionCookie(serving);
  const anyName = triesOfAnyName();

  app.post(
    '/session',
    {
      schema: { tags: ['session'], summary: 'Sign in', body: signInSchema, response: { 200: sessionSchema } },
      config: { rateLimit: byName },
      preHandler: anyName,
    },
    async (request, reply) => {
      const came = await signIn(serving.db, request.body, coming(serving, request), sessionOf);
      if ('refused' in came) throw new KnownProblem(came.refused);
      reply.setCookie(COOKIE, came.opened.token, { ...cookie, maxAge: SESSION_DAYS * 86_400 });
      return came.opened.answer;
    },
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
      if (token) await signOut(serving.db, token, coming(serving, request));
      return reply.clearCookie(COOKIE, cookie).code(204).send(null);
    },
  );
}
