import { createHash } from 'node:crypto';
import {
  type CommandAnswer,
  type CommandBody,
  type CommandName,
  commandOf,
  mayEverSend,
  type Signature,
} from '@zealous-axle/core';
import { eq, sql } from 'drizzle-orm';
import { KnownProblem } from '../problem';
import { type Behind, type Database, type FleetStore, inFleet } from '../store';
import type { Actor } from './actor';
import { actsBeside, type Counted } from './device-acts';
import type { Doing, Done, Handler } from './doing';
import { writeEvent } from './events';
import { takeRows } from './locks';
import { command } from './schema';
import { actIs } from './seal';
import { noteSecurity } from './security';
import { keepSignature } from './signature';
import { type Clock, type When, whenDone } from './time';

export interface SentCommand<N extends CommandName> {
  id: string;
  at: string;
  sent?: string | undefined;
  contact?: string | undefined;
  counted?: Counted | undefined;
  signature?: Signature | undefined;
  body: CommandBody<N>;
}

/** What a command is done with: its handler, and what is kept in step with what it did. */
export interface Doer<N extends CommandName> {
  name: N;
  handler: Handler<N>;
  /** Brings the derived rows of these units up to date, in the same transaction. */
  derive: (store: FleetStore, unitIds: readonly string[]) => Promise<void>;
}

const hashOf = (name: string, body: unknown): string =>
  createHash('sha256')
    .update(`${name} ${JSON.stringify(body)}`)
    .digest('hex');

/** What PostgreSQL gives up when two transactions wait for each other, or saw the same row in two states. */
const CROSSED = new Set(['40P01', '40001']);
const MOST_TRIES = 4;

/** Does work again when it crossed with another's; whoever still does not get through is asked to come again. */
async function tryAgain<T>(work: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++)
    try {
      return await work();
    } catch (error) {
      const { code, cause } = error as { code?: string; cause?: { code?: string } };
      if (!CROSSED.has(cause?.code ?? code ?? '')) throw error;
      if (tries === MOST_TRIES) throw new KnownProblem('busy');
    }
}

/** What was answered before to a command of this id; null when it is new. */
async function answered(store: FleetStore, session: Actor, id: string, hash: string): Promise<CommandAnswer | null> {
  const [lock, rows] = await Promise.allSettled([
    // What this transaction writes from here on is this command's.
    store.execute(sql`select pg_advisory_xact_lock(hashtextextended(${id}, 1)), ${actIs(id)}`).execute(),
    store.select().from(command).where(eq(command.id, id)).execute(),
  ]);
  // Of two that fail the first says why: the second only that the first did.
  if (lock.status === 'rejected') throw lock.reason;
  if (rows.status === 'rejected') throw rows.reason;
  const [before] = rows.value;
  if (!before) return null;
  if (before.hash === hash && before.personId === session.person.id) return before.answer;
  throw new KnownProblem('command-reused');
}

/** Does a command; one older than a device may go without us is kept as an event, and does nothing. */
const whereItDecides = <N extends CommandName>(
  name: N,
  { tooOld }: When,
  doing: Doing<N>,
  handler: Handler<N>,
): Promise<Done> =>
  tooOld && commandOf(name).late === 'nothing' ? Promise.resolve({ unitId: null, changed: [] }) : handler(doing);

const touched = ({ unitId, unitIds = [] }: Done): string[] => [...new Set([...(unitId ? [unitId] : []), ...unitIds])];

/**
 * Does a command once, by one at a time: the rows it decides about are taken first; the fact, its derived rows, its
 * event and its answer are written in one transaction. The same id and body again answers the same; the same id with
 * another body is refused.
 */
export async function runCommand<N extends CommandName>(
  db: Database,
  session: Actor,
  { name, handler, derive }: Doer<N>,
  sent: SentCommand<N>,
  clock: Clock,
): Promise<CommandAnswer> {
  const hash = hashOf(name, sent.body);
  const once = async (store: FleetStore, behind: Behind): Promise<CommandAnswer> => {
    const before = await answered(store, session, sent.id, hash);
    if (before) return before;
    if (!mayEverSend(name, session.person.role)) throw new KnownProblem('not-allowed');
    const [beside] = await Promise.all([actsBeside(store, sent.counted), takeRows(store, name, sent.body)]);
    await keepSignature(store, session, name, sent, clock.now);
    const when = whenDone(sent, clock, beside);
    const doing = { store, session, command: sent.id, at: when.at, when, now: clock.now, body: sent.body };
    const done = await whereItDecides(name, when, doing, handler);
    const units = touched(done);
    await derive(store, units);
    const answer: CommandAnswer = { id: sent.id, changed: done.changed, ...(when.tooOld ? { tooOld: true } : {}) };
    const own = { fleetId: session.fleet.id, personId: session.person.id };
    behind(
      store
        .insert(command)
        .values({ ...own, id: sent.id, name, hash, answer })
        .execute(),
    );
    if (commandOf(name).logged)
      behind(
        noteSecurity(store, own.fleetId, {
          kind: 'did',
          person: own.personId,
          what: name,
          from: session.from,
          at: clock.now,
        }),
      );
    const happened = {
      ...own,
      type: name,
      unitId: done.unitId,
      commandId: sent.id,
      body: done.eventBody ?? sent.body,
      at: when.at,
      saidAt: when.said,
      tooOld: when.tooOld,
      deviceId: sent.counted?.device ?? null,
      deviceCount: sent.counted?.count ?? null,
    };
    writeEvent(store, behind, happened, units);
    return answer;
  };
  return tryAgain(() => inFleet(db, session.fleet.id, once));
}
