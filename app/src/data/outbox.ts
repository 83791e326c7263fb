import type { CommandBody, CommandName } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { call, Refused } from './client';
import { device } from './device';
import type { Waiting } from './waiting';

export interface OutboxState {
  entries: readonly Waiting[];
  sending: boolean;
  /** The last try found no server. */
  offline: boolean;
  /** The server asks for a sign-in before it takes more. */
  signedOut: boolean;
}

type Listener = () => void;

const FIRST_WAIT_MS = 1_500;
const LONGEST_WAIT_MS = 30_000;
const LOCK = 'za-outbox';

let state: OutboxState = { entries: [], sending: false, offline: false, signedOut: false };
const listeners = new Set<Listener>();
const answered = new Set<(name: CommandName) => void>();
let person: string | null = null;
let wait = FIRST_WAIT_MS;
let timer: ReturnType<typeof setTimeout> | undefined;

const set = (change: Partial<OutboxState>) => {
  state = { ...state, ...change };
  for (const listener of listeners) listener();
};

export const outboxState = (): OutboxState => state;
export const subscribeOutbox = (listener: Listener): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
/** Calls back after each command the server has answered. */
export const onAnswered = (listener: (name: CommandName) => void): (() => void) => {
  answered.add(listener);
  return () => answered.delete(listener);
};

async function readBack(): Promise<readonly Waiting[]> {
  const entries = await (await device()).getAll('outbox');
  set({ entries });
  return entries;
}

/** Opens the outbox for whoever is signed in: only their own commands are sent. */
export async function openOutbox(who: string | null): Promise<void> {
  person = who;
  clearTimeout(timer);
  set({ signedOut: false, offline: false });
  await readBack();
  void flush();
}

/** Keeps a command on the device, and sends it in its turn. Resolves once it is kept. */
export async function send<N extends CommandName>(name: N, body: CommandBody<N>, label: string): Promise<void> {
  if (!person) throw new Error('Sign in first.');
  const entry: Waiting = { id: uuidv7(), person, name, at: new Date().toISOString(), body, label };
  await (await device()).add('outbox', entry);
  await readBack();
  void flush();
}

/** Gives up a refused command. */
export async function discard(seq: number): Promise<void> {
  await (await device()).delete('outbox', seq);
  await readBack();
}

/** Puts a refused command back in the line. */
export async function retry(seq: number): Promise<void> {
  const db = await device();
  const entry = await db.get('outbox', seq);
  if (!entry) return;
  const { refused: _, ...again } = entry;
  await db.put('outbox', again);
  await readBack();
  void flush();
}

async function sendOne(entry: Waiting): Promise<'sent' | 'refused' | 'signed-out' | 'unreachable'> {
  const db = await device();
  try {
    await call('POST', `/commands/${entry.name}`, { id: entry.id, at: entry.at, body: entry.body });
    await db.delete('outbox', entry.seq ?? -1);
    return 'sent';
  } catch (error) {
    if (!(error instanceof Refused)) return 'unreachable';
    if (error.problem.status === 401) return 'signed-out';
    await db.put('outbox', { ...entry, refused: error.problem });
    return 'refused';
  }
}

/** Sends what waits, oldest first, until nothing is left or the server cannot be reached. */
async function sendAll(): Promise<void> {
  for (;;) {
    const next = (await readBack()).find((entry) => entry.person === person && !entry.refused);
    if (!next) {
      wait = FIRST_WAIT_MS;
      return set({ offline: false });
    }
    const outcome = await sendOne(next);
    if (outcome === 'signed-out') return set({ signedOut: true });
    if (outcome === 'unreachable') {
      set({ offline: true });
      timer = setTimeout(() => void flush(), wait);
      wait = Math.min(wait * 2, LONGEST_WAIT_MS);
      return;
    }
    await readBack();
    for (const listener of answered) listener(next.name);
  }
}

/** Tries to send now. Only one window of the program sends at a time, so that the order is kept. */
export async function flush(): Promise<void> {
  if (!person || state.sending) return;
  clearTimeout(timer);
  set({ sending: true });
  const work = () => sendAll().catch(() => set({ offline: true }));
  await (navigator.locks ? navigator.locks.request(LOCK, work) : work());
  set({ sending: false });
  // A command kept while the last look at the line was being taken is not left behind.
  if (!state.offline && !state.signedOut && state.entries.some((entry) => entry.person === person && !entry.refused))
    void flush();
}

/** Tries again at once when the device is back on the network or the program back in front. */
export function watchConnection(): () => void {
  const again = () => {
    wait = FIRST_WAIT_MS;
    void flush();
  };
  const seen = () => {
    if (document.visibilityState === 'visible') again();
  };
  window.addEventListener('online', again);
  document.addEventListener('visibilitychange', seen);
  return () => {
    window.removeEventListener('online', again);
    document.removeEventListener('visibilitychange', seen);
  };
}
