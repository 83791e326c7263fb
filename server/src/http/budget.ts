import type { FastifyReply, FastifyRequest } from 'fastify';
import { KnownProblem } from '../problem';

const WINDOW_MS = 60_000;
/** More callers than this at once share: the oldest is forgotten. */
const MOST_CALLERS = 10_000;

interface Spent {
  since: number;
  bytes: number;
}

/**
 * Lets each caller send so many bytes a minute, counted before anything of them is read: what costs work is how much is
 * sent, not how often. Small requests come through by the hundred, a flood of large ones does not.
 */
export function budget(bytesAMinute: number, now: () => number = Date.now) {
  const callers = new Map<string, Spent>();
  const spentBy = (ip: string): Spent => {
    const known = callers.get(ip);
    if (known && now() - known.since < WINDOW_MS) return known;
    callers.delete(ip);
    if (callers.size >= MOST_CALLERS) callers.delete(callers.keys().next().value ?? '');
    const fresh = { since: now(), bytes: 0 };
    callers.set(ip, fresh);
    return fresh;
  };
  return async ({ ip, headers }: FastifyRequest, reply: FastifyReply): Promise<void> => {
    const spent = spentBy(ip);
    spent.bytes += Number(headers['content-length'] ?? bytesAMinute) || 0;
    if (spent.bytes <= bytesAMinute) return;
    reply.header('retry-after', Math.ceil((spent.since + WINDOW_MS - now()) / 1_000));
    throw new KnownProblem('too-many');
  };
}
