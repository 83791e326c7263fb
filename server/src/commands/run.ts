import { createHash } from 'node:crypto';
import { COMMAND_ROLES, type CommandAnswer, type CommandBody, type CommandName } from '@zealous-axle/core';
import { eq, sql } from 'drizzle-orm';
import type { Actor } from '../access/actor';
import { KnownProblem } from '../http/problems';
import { type Database, inFleet } from '../store/connect';
import { writeEvent } from '../store/events';
import { command } from '../store/schema';
import type { Handler } from './doing';

export interface SentCommand<N extends CommandName> {
  id: string;
  at: string;
  body: CommandBody<N>;
}

const hashOf = (name: string, body: unknown): string =>
  createHash('sha256')
    .update(`${name} ${JSON.stringify(body)}`)
    .digest('hex');

/** When a command was done: the device's word, unless its clock runs ahead of ours. */
const doneAt = (at: string, now: Date): Date => (new Date(at) > now ? now : new Date(at));

/**
 * Does a command once: the fact, its derived rows, its event and its answer are written in one transaction.
 * The same id and body again answers the same; the same id with another body is refused.
 */
export async function runCommand<N extends CommandName>(
  db: Database,
  session: Actor,
  name: N,
  sent: SentCommand<N>,
  handler: Handler<N>,
  now: Date,
): Promise<CommandAnswer> {
  const hash = hashOf(name, sent.body);
  return inFleet(db, session.fleet.id, async (store) => {
    await store.execute(sql`select pg_advisory_xact_lock(hashtextextended(${sent.id}, 1))`);
    const [before] = await store.select().from(command).where(eq(command.id, sent.id));
    if (before) {
      if (before.hash === hash && before.personId === session.person.id) return before.answer;
      throw new KnownProblem('command-reused');
    }
    if (!COMMAND_ROLES[name].includes(session.person.role)) throw new KnownProblem('not-allowed');
    const at = doneAt(sent.at, now);
    const done = await handler({ store, session, command: sent.id, at, body: sent.body });
    const answer: CommandAnswer = { id: sent.id, changed: done.changed };
    await store.insert(command).values({
      fleetId: session.fleet.id,
      id: sent.id,
      name,
      hash,
      personId: session.person.id,
      answer,
    });
    await writeEvent(store, {
      fleetId: session.fleet.id,
      type: name,
      unitId: done.unitId,
      personId: session.person.id,
      commandId: sent.id,
      body: done.eventBody ?? sent.body,
      at,
    });
    return answer;
  });
}
