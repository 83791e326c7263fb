import type { FastifyReply } from 'fastify';
import type { App } from './serving';

/** Streams that stand open for as long as somebody listens: ended first when the server stops, so that it can. */
export function openStreams(app: App): (reply: FastifyReply) => void {
  const open = new Set<FastifyReply>();
  app.addHook('preClose', async () => {
    for (const reply of open) reply.sse.close();
  });
  return (reply) => {
    open.add(reply);
    reply.sse.onClose(() => open.delete(reply));
  };
}
