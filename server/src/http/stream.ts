import type { FastifyReply, FastifyRequest } from 'fastify';
import type { App } from './serving';

const PULSE_MS = 25_000;

export interface Stream {
  write: (text: string) => void;
  end: () => void;
}

/** Opens server-sent event streams that end when their reader leaves or the server stops. */
export function openStream(app: App) {
  const open = new Set<() => void>();
  app.addHook('preClose', async () => {
    for (const end of open) end();
  });
  return (request: FastifyRequest, reply: FastifyReply, onEnd: () => void): Stream => {
    reply.hijack();
    const stream = reply.raw;
    stream.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      'x-accel-buffering': 'no',
    });
    stream.write('retry: 2000\n\n');
    const pulse = setInterval(() => stream.write(': still here\n\n'), PULSE_MS);
    const end = () => {
      if (!open.delete(end)) return;
      clearInterval(pulse);
      onEnd();
      stream.end();
    };
    open.add(end);
    request.raw.on('close', end);
    return { write: (text) => stream.write(text), end };
  };
}
