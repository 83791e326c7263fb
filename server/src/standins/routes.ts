import { GAUGE_KINDS, lengthText } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, openStreams, type Serving, signedIn } from '../http';
import { openGauges } from './gauges';

const pressed = z.strictObject({
  kind: z.enum(GAUGE_KINDS),
  value: lengthText,
  /** The last line once more. */
  again: z.boolean().optional(),
});

/** How soon a device looks for a receiver again that was lost. */
const RETRY_MS = 2_000;

/** The simulated gauges: a stream of their lines, and a press. Each person hears their own gauges. */
export function gaugeRoutes(app: App, serving: Serving): void {
  const gauges = openGauges();
  const opened = openStreams(app);
  app.get('/gauges/stream', { schema: { tags: ['gauges'], hide: true }, sse: 'only' }, async (request, reply) => {
    const { person } = await signedIn(serving, request);
    const hear = (line: string) => void reply.sse.send({ data: line }).catch(() => undefined);
    const leave = gauges.listen(person.id, hear, () => reply.sse.close());
    reply.sse.onClose(leave);
    opened(reply);
    reply.sse.keepAlive();
    await reply.sse.send({ event: 'ready', retry: RETRY_MS, data: '' });
  });
  app.post(
    '/gauges/press',
    {
      schema: {
        tags: ['gauges'],
        summary: 'Press a simulated gauge',
        body: pressed,
        response: { 200: z.strictObject({ line: z.string() }) },
      },
    },
    async (request) => {
      const { person } = await signedIn(serving, request);
      const { kind, value, again } = request.body;
      return { line: gauges.press(person.id, kind, value, again) };
    },
  );
  app.post(
    '/gauges/fault',
    {
      schema: {
        tags: ['gauges'],
        summary: 'Make a simulated gauge fail',
        body: z.strictObject({ fault: z.enum(['cut', 'noise']) }),
        response: { 204: z.null() },
      },
    },
    async (request, reply) => {
      const { person } = await signedIn(serving, request);
      if (request.body.fault === 'cut') gauges.cut(person.id);
      else gauges.send(person.id, 'ZG1 stroke SG-104 0000?? --.-- mm*00');
      return reply.code(204).send(null);
    },
  );
}
