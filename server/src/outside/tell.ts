import type { OutsideThing } from '@zealous-axle/core';
import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { addTask, type Database, type FleetStore, inFleet, type Tasks } from '../store';
import { connectionTo } from './connections';
import { outsideMessage } from './schema';
import { SIGNATURE, SIGNATURE_BEFORE, signatureOf } from './sign';

/** How long an answer is waited for. */
const PATIENCE_MS = 8_000;
/** After this many tries a message is given up, and said to be. */
const MOST_TRIES = 12;
const FIRST_WAIT = 5;
const LONGEST_WAIT = 900;

const waitAfter = (tries: number): number => Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** (tries - 1));

const wish = (store: FleetStore, fleet: string, message: string, seconds = 0) =>
  addTask(store, 'tell-outside', { fleet, message }, message, { seconds });

/**
 * Tells a thing outside something, in the caller's transaction: it is kept, and sent by the queue until it is taken. Gives the
 * message's id.
 */
export async function tellOutside(
  store: FleetStore,
  fleetId: string,
  thing: OutsideThing,
  body: object,
  about: string | null = null,
): Promise<string> {
  const id = uuidv7();
  await store.insert(outsideMessage).values({ fleetId, id, thing, about, body });
  await wish(store, fleetId, id);
  return id;
}

/**
 * Sends a body signed with a secret, and with the one before it where the secret is being turned over. Null when it was taken,
 * else why not.
 */
export async function postSigned(
  url: string,
  body: string,
  [secret, before = null]: readonly [string, (string | null)?],
  now: Date,
): Promise<string | null> {
  const signed = {
    [SIGNATURE]: signatureOf(secret, body, now),
    ...(before ? { [SIGNATURE_BEFORE]: signatureOf(before, body, now) } : {}),
  };
  try {
    const answer = await fetch(url, {
      method: 'POST',
      redirect: 'error',
      signal: AbortSignal.timeout(PATIENCE_MS),
      headers: { 'content-type': 'application/json', ...signed },
      body,
    });
    await answer.body?.cancel();
    return answer.ok ? null : `it answered ${answer.status}`;
  } catch (error) {
    const { cause, name } = error as { cause?: { code?: string }; name?: string };
    return name === 'TimeoutError' ? 'it did not answer in time' : `it could not be reached (${cause?.code ?? name})`;
  }
}

/** The task: sends one message, and has it sent again later where it was not taken. */
export async function sendMessage(
  { db, now }: { db: Database; now: () => Date },
  { fleet, message }: Tasks['tell-outside'],
): Promise<void> {
  const read = await inFleet(db, fleet, async (store) => {
    const [row] = await store.select().from(outsideMessage).where(eq(outsideMessage.id, message));
    if (!row || row.deliveredAt || row.givenUpAt) return null;
    return { row, to: await connectionTo(store, row.thing) };
  });
  if (!read) return;
  const { row, to } = read;
  const body = JSON.stringify({ id: row.id, ...row.body });
  const problem =
    to?.way === 'protocol' && to.url && to.secret
      ? await postSigned(to.url, body, [to.secret], now())
      : 'it is not connected any more';
  await inFleet(db, fleet, async (store) => {
    const tries = row.tries + 1;
    const over = problem !== null && (tries >= MOST_TRIES || to?.way !== 'protocol');
    await store
      .update(outsideMessage)
      .set({ tries, problem, deliveredAt: problem ? null : now(), givenUpAt: over ? now() : null })
      .where(eq(outsideMessage.id, row.id));
    if (problem && !over) await wish(store, fleet, row.id, waitAfter(tries));
  });
}
