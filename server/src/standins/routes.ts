import { GAUGE_KINDS, lengthText } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, openStream, type Serving, signedIn } from '../http';
import { openGauges } from './gauges';

const pressed = z.strictObject({
  kind: z.enum(GAUGE_KINDS),
  value: lengthText,
  /** The last line once more. */
  again: z.boolean().optional(),
});

/** The simulated gauges: a stream of their lines, and a press. Each person hears their own gauges. */
export function gaugeRoutes(app: App, serving: Serving): void {
  const gauges = openGauges();
  const stream = openStream(app);
  app.get('/gauges/stream', { schema: { tags: ['gauges'], hide: true } }, async (request, reply) => {
    const { person } = await signedIn(serving, request);
    const { write, end } = stream(request, reply, () => leave());
    const leave = gauges.listen(person.id, (line) => write(`data: ${line}\n\n`), end);
  });
  app.post(
    '/gauges/press',
    { schema: { tags: ['gauges'], body: pressed, response: { 200: z.strictObject({ line: z.string() }) } } },
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
