import { GAUGE_KINDS, lengthText, OUTSIDE_WAYS, type OutsideWay, temperatureText } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, openStreams, type Serving, type signedIn } from '../http';
import { KnownProblem } from '../problem';
import { connectionTo } from './connections';
import type { Gauges } from './made-up-gauges';

const pressed = z.strictObject({
  kind: z.enum(GAUGE_KINDS),
  value: z.union([lengthText, temperatureText]),
  /** The last line once more. */
  again: z.boolean().optional(),
});

/** How soon a device looks for a receiver again that was lost. */
const RETRY_MS = 2_000;

/** Lines of gauges, for whoever they are of: from a receiver that is connected, or from stand-ins that are pressed. */
export function gaugeRoutes(app: App, serving: Serving, gauges: Gauges): void {
  const opened = openStreams(app);
  /** Whoever asks, where gauges are used in one of these ways. */
  const usedBy = async (request: Parameters<typeof signedIn>[1], ...ways: OutsideWay[]) => {
    const { way, person } = await ask(serving, request, async (store, actor) => ({
      way: (await connectionTo(store, 'gauges'))?.way ?? 'none',
      person: actor.person,
    }));
    if (!ways.includes(way)) throw new KnownProblem('not-set-up');
    return person;
  };

  app.get(
    '/gauges',
    {
      schema: {
        tags: ['gauges'],
        summary: 'Whether gauges are connected, made up, or not set up',
        response: { 200: z.strictObject({ way: z.enum(OUTSIDE_WAYS) }) },
      },
    },
    (request) =>
      ask(serving, request, async (store) => ({ way: (await connectionTo(store, 'gauges'))?.way ?? 'none' })),
  );

  app.get('/gauges/stream', { schema: { tags: ['gauges'], hide: true }, sse: 'only' }, async (request, reply) => {
    const person = await usedBy(request, 'protocol', 'made-up');
    const hear = (line: string) => void reply.sse.send({ data: line }).catch(() => undefined);
    const leave = gauges.listen(person.id, hear, () => reply.sse.close());
    reply.sse.onClose(leave);
    opened(reply);
    reply.sse.keepAlive();
    await reply.sse.send({ event: 'ready', retry: RETRY_MS, data: 'listening' });
  });

  app.post(
    '/gauges/press',
    {
      schema: {
        tags: ['gauges'],
        summary: 'Press a made-up gauge, where the fleet chose the stand-in',
        body: pressed,
        response: { 200: z.strictObject({ line: z.string() }) },
      },
    },
    async (request) => {
      const person = await usedBy(request, 'made-up');
      const { kind, value, again } = request.body;
      return { line: gauges.press(person.id, kind, value, again) };
    },
  );

  app.post(
    '/gauges/fault',
    {
      schema: {
        tags: ['gauges'],
        summary: 'Make a made-up gauge fail',
        body: z.strictObject({ fault: z.enum(['cut', 'noise']) }),
        response: { 204: z.null() },
      },
    },
    async (request, reply) => {
      const person = await usedBy(request, 'made-up');
      if (request.body.fault === 'cut') gauges.cut(person.id);
      else gauges.send(person.id, 'ZG1 stroke SG-104 0000?? --.-- mm*00');
      return reply.code(204).send(null);
    },
  );
}
