import { type App, openStreams, type Serving, signedIn } from '../http';
import type { Live, Notice } from './live';

/** How soon a reader that was cut off comes back. */
const RETRY_MS = 2_000;

/** How often is looked whether its session still stands; and after what at once. */
const LOOK_MS = 15_000;
const ENDS = new Set(['set-person-left', 'reset-person', 'set-person']);

const message = ({ type, unit, command }: Notice) => ({ data: { type, unit, command } });

/**
 * Server-sent events: what changed in the sender's fleet, by type and unit, so that the app reads it again. Who was cut
 * off reads everything again when the stream opens: what was committed meanwhile has no order that could be resumed.
 */
export function liveRoutes(app: App, serving: Serving, live: Live): void {
  const opened = openStreams(app);
  app.get('/live', { schema: { tags: ['live'], hide: true }, sse: 'only' }, async (request, reply) => {
    const { fleet, person } = await signedIn(serving, request);
    const waiting: Notice[] = [];
    const send = (notice: Notice) => void reply.sse.send(message(notice)).catch(() => undefined);
    let hear = (notice: Notice): void => void waiting.push(notice);
    // Whoever left, or signed out, is told nothing more.
    // Where the database does not answer nobody knows: the stream stands until it is known to have ended.
    const look = () =>
      void signedIn(serving, request).catch(({ code }: { code?: string }) => {
        if (code === 'not-signed-in') reply.sse.close();
      });
    const looking = setInterval(look, LOOK_MS);
    const leave = live.subscribe(fleet.id, (notice) => {
      if (ENDS.has(notice.type)) look();
      hear(notice);
    });
    reply.sse.onClose(() => {
      clearInterval(looking);
      leave();
    });
    opened(reply, person.id);
    reply.sse.keepAlive();
    // Without data a browser would not tell of it.
    await reply.sse.send({ event: 'ready', retry: RETRY_MS, data: 'ready' });
    for (const notice of waiting) send(notice);
    hear = send;
  });
}
