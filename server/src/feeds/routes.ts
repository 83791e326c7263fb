import type { FastifyReply } from 'fastify';
import { type App, ask, openStreams, type Serving, signedIn } from '../http';
import type { Live, Notice } from './live';
import { missedSince } from './missed';

const AGAIN: Notice = { fleet: '', id: 0, type: 'read-again', unit: null, command: null };
/** How soon a reader that was cut off comes back. */
const RETRY_MS = 2_000;

const message = ({ id, type, unit, command }: Notice) => ({
  ...(id ? { id: String(id) } : {}),
  data: { type, unit, command },
});

/** Sends notices in the order of their ids, each once, however they come in. */
function sender(reply: FastifyReply, after: number) {
  let last = after;
  return (notice: Notice): void => {
    if (notice.id && notice.id <= last) return;
    last = Math.max(last, notice.id);
    void reply.sse.send(message(notice)).catch(() => undefined);
  };
}

/**
 * Server-sent events: what changed in the sender's fleet, by type and unit, so that the app reads it again. A reader
 * that comes back names the last event it heard and is told what it missed, or to read all again where that is too much.
 */
export function liveRoutes(app: App, serving: Serving, live: Live): void {
  const opened = openStreams(app);
  app.get('/live', { schema: { tags: ['live'], hide: true }, sse: 'only' }, async (request, reply) => {
    const { fleet } = await signedIn(serving, request);
    const heard = Number(request.headers['last-event-id'] ?? 0) || 0;
    const waiting: Notice[] = [];
    let send = (notice: Notice): void => void waiting.push(notice);
    const leave = live.subscribe(fleet.id, (notice) => send(notice));
    reply.sse.onClose(leave);
    opened(reply);
    reply.sse.keepAlive();
    // Without data a browser would not tell of it.
    await reply.sse.send({ event: 'ready', retry: RETRY_MS, data: 'ready' });
    const missed = heard ? await ask(serving, request, (store) => missedSince(store, heard)) : [];
    const now = sender(reply, heard);
    for (const notice of [...(missed === 'too much' ? [AGAIN] : missed), ...waiting]) now(notice);
    send = now;
  });
}
