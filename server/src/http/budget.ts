import type { FastifyReply, FastifyRequest } from 'fastify';
import { KnownProblem } from '../problem';

const WINDOW_MS = 60_000;
/** More callers than this at once share: the oldest is forgotten. */
const MOST_CALLERS = 10_000;

interface Spent {
  since: number;
  amount: number;
}

/** Counts what each caller spends of so much a minute: null within it, else in how many seconds there is some again. */
export function spendingOf(aMinute: number, now: () => number = Date.now) {
  const callers = new Map<string, Spent>();
  const spentBy = (ip: string): Spent => {
    const known = callers.get(ip);
    if (known && now() - known.since < WINDOW_MS) return known;
    callers.delete(ip);
    if (callers.size >= MOST_CALLERS) callers.delete(callers.keys().next().value ?? '');
    const fresh = { since: now(), amount: 0 };
    callers.set(ip, fresh);
    return fresh;
  };
  return (caller: string, amount: number): number | null => {
    const spent = spentBy(caller);
    spent.amount += amount;
    return spent.amount <= aMinute ? null : Math.ceil((spent.since + WINDOW_MS - now()) / 1_000);
  };
}

/** Lets each caller – an address, or whoever is named – spend so much a minute of whatever is counted; refuses what goes beyond. */
export function budgetOf(aMinute: number, now: () => number = Date.now) {
  const spend = spendingOf(aMinute, now);
  return ({ ip }: FastifyRequest, reply: FastifyReply, amount: number, caller = ip): void => {
    const wait = spend(caller, amount);
    if (wait === null) return;
    reply.header('retry-after', wait);
    throw new KnownProblem('too-many');
  };
}

/**
 * Lets each caller send so many bytes a minute, counted before anything of them is read: what costs work is how much is
 * sent, not how often. Small requests come through by the hundred, a flood of large ones does not.
 */
export function budget(bytesAMinute: number, now: () => number = Date.now) {
  const spend = budgetOf(bytesAMinute, now);
  return async (request: FastifyRequest, reply: FastifyReply): Promise<void> =>
    spend(request, reply, Number(request.headers['content-length'] ?? bytesAMinute) || 0);
}
