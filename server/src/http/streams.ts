import type { FastifyReply } from 'fastify';
import type { App } from './serving';

/** Streams that stand open for as long as somebody listens: ended first when the server stops, so that it can. */
export function openStreams(app: App): (reply: FastifyReply) => void {
  const open = new Set<FastifyReply>();
  let closing = false;
  app.addHook('preClose', async () => {
    closing = true;
    for (const reply of open) reply.sse.close();
  });
  return (reply) => {
    // Its request was under way when the server began to stop.
    if (closing) return reply.sse.close();
    open.add(reply);
    reply.sse.onClose(() => open.delete(reply));
  };
}
