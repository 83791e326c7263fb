import { type App, openStream, type Serving, signedIn } from '../http';
import type { Live } from './live';

/** Server-sent events: what changed in the sender's fleet, by type and unit, so that the app reads it again. */
export function liveRoutes(app: App, serving: Serving, live: Live): void {
  const stream = openStream(app);
  app.get('/live', { schema: { tags: ['live'], hide: true } }, async (request, reply) => {
    const session = await signedIn(serving, request);
    const { write } = stream(request, reply, () => leave());
    const leave = live.subscribe(session.fleet.id, ({ id, type, unit }) =>
      write(`id: ${id}\ndata: ${JSON.stringify({ type, unit })}\n\n`),
    );
  });
}
