import { sessionSchema, signInSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { SESSION_DAYS, signIn, signOut } from '../access';
import { type App, ask, COOKIE, type Serving, sessionCookie } from '../http';
import { KnownProblem } from '../problem';
import { sessionOf } from './session';
import { coming, triesOf } from './tries';

/** Sign in, who am I, sign out. */
export function sessionRoutes(app: App, serving: Serving): void {
  const cookie = sessionCookie(serving);
  const tried = triesOf(serving);

  app.post(
    '/session',
    {
      schema: { tags: ['session'], summary: 'Sign in', body: signInSchema, response: { 200: sessionSchema } },
    },
    async (request, reply) => {
      const { name, code } = request.body;
      const how = tried(request, reply, name, code !== undefined);
      const came = await signIn(serving.db, request.body, how, sessionOf);
      if ('refused' in came) throw came.refused === 'no-proof' ? how.refuse() : new KnownProblem(came.refused);
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
