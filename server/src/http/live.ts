import type { Live } from '../feeds/live';
import { type App, type Serving, signedIn } from './serving';

const PULSE_MS = 25_000;

/** Server-sent events: what changed in the sender's fleet, by type and unit, so that the app reads it again. */
export function liveRoutes(app: App, serving: Serving, live: Live): void {
  const open = new Set<() => void>();
  app.addHook('preClose', async () => {
    for (const end of open) end();
  });

  app.get('/live', { schema: { tags: ['live'], hide: true } }, async (request, reply) => {
    const session = await signedIn(serving, request);
    reply.hijack();
    const stream = reply.raw;
    stream.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      'x-accel-buffering': 'no',
    });
    stream.write('retry: 2000\n\n');
    const pulse = setInterval(() => stream.write(': still here\n\n'), PULSE_MS);
    const leave = live.subscribe(session.fleet.id, ({ id, type, unit }) =>
      stream.write(`id: ${id}\ndata: ${JSON.stringify({ type, unit })}\n\n`),
    );
    const end = () => {
      clearInterval(pulse);
      leave();
      open.delete(end);
      stream.end();
    };
    open.add(end);
    request.raw.on('close', end);
  });
}
