import { claimSchema, peopleSchema, SHOP, sessionSchema, setUpSchema } from '@zealous-axle/core';
import { claim, SESSION_DAYS, slugOf } from '../access';
import { type App, ask, COOKIE, type Serving, sessionCookie } from '../http';
import { KnownProblem } from '../problem';
import { peopleOf } from './people';
import { sessionOf } from './session';
import { setUpOf } from './set-up';
import { triesOf } from './tries';

/** Coming in by a code, and what only a foreman sees: everybody, and what is still missing. */
export function peopleRoutes(app: App, serving: Serving): void {
  const tried = triesOf(serving);
  app.post(
    '/invitation',
    {
      schema: {
        tags: ['session'],
        summary: 'Take up an invitation: a code once, and a password of one’s own',
        body: claimSchema,
        response: { 200: sessionSchema },
      },
    },
    async (request, reply) => {
      const how = tried(request, reply, request.body.name, true);
      const opened = await claim(serving.db, request.body, how, sessionOf);
      if (!opened) throw how.proofOnly ? how.refuse() : new KnownProblem('wrong-code');
      reply.setCookie(COOKIE, opened.token, { ...sessionCookie(serving), maxAge: SESSION_DAYS * 86_400 });
      return opened.answer;
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
