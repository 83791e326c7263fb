import type { FastifyReply } from 'fastify';
import type { App } from './serving';

/** Streams of one person at once; the oldest ends where one more is opened. */
const MOST_OF_ONE = 5;

/** Streams that stand open for as long as somebody listens: ended first when the server stops, so that it can. */
export function openStreams(app: App): (reply: FastifyReply, person?: string) => void {
  const open = new Map<FastifyReply, string | undefined>();
  let closing = false;
  app.addHook('preClose', async () => {
    closing = true;
    for (const reply of open.keys()) reply.sse.close();
  });
  return (reply, person) => {
    // Its request was under way when the server began to stop.
    if (closing) return reply.sse.close();
    const own = [...open].filter(([, whose]) => person !== undefined && whose === person);
    if (own.length >= MOST_OF_ONE) own[0]?.[0].sse.close();
    open.set(reply, person);
    reply.sse.onClose(() => open.delete(reply));
  };
}
