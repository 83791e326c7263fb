import {
  beginFactorSchema,
  changePersonSchema,
  changersSchema,
  confirmFactorSchema,
  endFactorSchema,
  factorOfferSchema,
  keptCodesSchema,
  mayHaveFactor,
  newPasswordSchema,
  ownPinSchema,
  ownSessionsSchema,
  publicKeySchema,
  type SecurityKind,
  sessionSchema,
} from '@zealous-axle/core';
import type { FastifyRequest } from 'fastify';
import { z } from 'zod';
import {
  changePassword,
  changePerson,
  changersOf,
  confirmFactor,
  endFactor,
  endOthers,
  offerFactor,
  ownSessions,
  SESSION_DAYS,
  setPin,
} from '../access';
import { type App, ask, COOKIE, type Serving, sessionCookie, signedIn } from '../http';
import { invalid, KnownProblem } from '../problem';
import { type Actor, noteSecurity } from '../run';
import { type FleetStore, inFleet } from '../store';
import { enrolKey } from './keys';
import { sessionOf } from './session';

const tokenOf = (request: FastifyRequest) => request.cookies[COOKIE] ?? '';
/** What asks for a password, a PIN or a code again: tried by hand, not by the thousand. */
const BY_HAND = { rateLimit: { max: 10, timeWindow: '1 minute', keyGenerator: tokenOf } };

/** Does something as whoever asks, in their fleet. */
async function asSender<T>(
  serving: Serving,
  request: FastifyRequest,
  work: (store: FleetStore, actor: Actor) => Promise<T>,
): Promise<T> {
  const actor = await signedIn(serving, request);
  return inFleet(serving.db, actor.fleet.id, (store) => work(store, actor));
}

/** The same, and what was done stands in the security log. */
const asSenderNoted = <T>(
  serving: Serving,
  request: FastifyRequest,
  kind: SecurityKind,
  work: (store: FleetStore, actor: Actor) => Promise<T>,
): Promise<T> =>
  asSender(serving, request, async (store, actor) => {
    const done = await work(store, actor);
    const noted = { kind, person: actor.person.id, from: actor.from, at: serving.now() };
    if (done !== false && done !== null) await noteSecurity(store, actor.fleet.id, noted);
    return done;
  });
const wrongPassword = () => invalid('body.current', 'current-password');

/** One’s password, and where one is signed in. */
function signInRoutes(app: App, serving: Serving): void {
  app.post(
    '/session/password',
    {
      schema: {
        tags: ['session'],
        summary: 'Another password of one’s own; one’s other sessions end',
        body: newPasswordSchema,
        response: { 204: z.null() },
      },
      config: BY_HAND,
    },
    async (request, reply) => {
      const done = await asSenderNoted(serving, request, 'password-changed', (store, actor) =>
        changePassword(store, actor, tokenOf(request), request.body),
      );
      if (!done) throw wrongPassword();
      return reply.code(204).send(null);
    },
  );

  app.get(
    '/session/all',
    { schema: { tags: ['session'], summary: 'Where one is signed in', response: { 200: ownSessionsSchema } } },
    (request) => ask(serving, request, (store, actor) => ownSessions(store, actor, tokenOf(request), serving.now())),
  );

  app.delete(
    '/session/others',
    { schema: { tags: ['session'], summary: 'End one’s other sessions', response: { 204: z.null() } } },
    async (request, reply) => {
      await asSenderNoted(serving, request, 'sessions-ended', (store, actor) =>
        endOthers(store, actor, tokenOf(request)),
      );
      return reply.code(204).send(null);
    },
  );
}

/** The PIN, and another person on a shared device. */
function pinRoutes(app: App, serving: Serving): void {
  app.post(
    '/session/pin',
    {
      schema: {
        tags: ['session'],
        summary: 'A PIN for a quick change of person, or none any more',
        body: ownPinSchema,
        response: { 204: z.null() },
      },
      config: BY_HAND,
    },
    async (request, reply) => {
      const kind = request.body.pin === null ? 'pin-removed' : 'pin-set';
      const done = await asSenderNoted(serving, request, kind, (store, actor) => setPin(store, actor, request.body));
      if (!done) throw wrongPassword();
      return reply.code(204).send(null);
    },
  );

  app.get(
    '/session/person',
    {
      schema: {
        tags: ['session'],
        summary: 'Who may take over this device by a PIN',
        response: { 200: changersSchema },
      },
    },
    (request) => ask(serving, request, (store, actor) => changersOf(store, actor, tokenOf(request), serving.now())),
  );

  app.post(
    '/session/person',
    {
      schema: {
        tags: ['session'],
        summary: 'Another person takes over this device by their PIN',
        body: changePersonSchema,
        response: { 200: sessionSchema },
      },
      config: BY_HAND,
    },
    async (request, reply) => {
      const actor = await signedIn(serving, request);
      const came = await changePerson(serving.db, actor, tokenOf(request), request.body, serving.now(), sessionOf);
      if ('refused' in came) throw new KnownProblem(came.refused);
      reply.setCookie(COOKIE, came.opened.token, { ...sessionCookie(serving), maxAge: SESSION_DAYS * 86_400 });
      return came.opened.answer;
    },
  );
}

function factorRoutes(app: App, serving: Serving): void {
  app.post(
    '/session/factor',
    {
      schema: {
        tags: ['session'],
        summary: 'A secret for a device that shows codes: the first step to a second factor',
        body: beginFactorSchema,
        response: { 200: factorOfferSchema },
      },
      config: BY_HAND,
    },
    async (request) => {
      const offer = await asSender(serving, request, async (store, actor) => {
        if (!mayHaveFactor(actor.person.role)) throw new KnownProblem('not-allowed');
        return offerFactor(store, actor, request.body.current);
      });
      if (!offer) throw wrongPassword();
      return offer;
    },
  );

  app.post(
    '/session/factor/confirm',
    {
      schema: {
        tags: ['session'],
        summary: 'A code of that device: from now on one is asked for at each sign-in',
        body: confirmFactorSchema,
        response: { 200: keptCodesSchema },
      },
      config: BY_HAND,
    },
    async (request) => {
      const codes = await asSenderNoted(serving, request, 'factor-on', (store, actor) =>
        confirmFactor(store, actor, request.body.code, serving.now()),
      );
      if (!codes) throw invalid('body.code', 'device-code');
      return { codes };
    },
  );

  app.post(
    '/session/factor/end',
    {
      schema: {
        tags: ['session'],
        summary: 'No second factor any more',
        body: endFactorSchema,
        response: { 204: z.null() },
      },
      config: BY_HAND,
    },
    async (request, reply) => {
      const done = await asSenderNoted(serving, request, 'factor-off', (store, actor) =>
        endFactor(store, actor, request.body, serving.now()),
      );
      if (!done) throw invalid('body.code', 'password-or-code');
      return reply.code(204).send(null);
    },
  );
}

/** A key by which one signs on this device: the server keeps what anybody may know of it. */
function keyRoutes(app: App, serving: Serving): void {
  app.post(
    '/session/key',
    {
      schema: {
        tags: ['session'],
        summary: 'The public half of a key by which one signs on this device',
        body: publicKeySchema,
        response: { 200: z.strictObject({ id: z.string() }) },
      },
      config: BY_HAND,
    },
    async (request) => {
      const id = await asSender(serving, request, (store, actor) =>
        enrolKey(store, actor, request.body, serving.now()),
      );
      if (!id) throw new KnownProblem('wrong-key');
      return { id };
    },
  );
}

/** One’s own ways in: password, PIN, second factor, sessions; and another person on a shared device. */
export function ownRoutes(app: App, serving: Serving): void {
  signInRoutes(app, serving);
  pinRoutes(app, serving);
  factorRoutes(app, serving);
  keyRoutes(app, serving);
}
