import { type CommandBody, type CommandName, commandOf, type Problem } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { lastContact } from './contact';
import { device } from './device';
import { forgetKey, signAct } from './signing';
import { thisWindow } from './this-window';
import { restsOn, type Waiting } from './waiting';

export interface OutboxState {
  entries: readonly Waiting[];
  /** What the server took of this person, until the pages that it changes have been read again: on this device it counts. */
  taken: readonly Waiting[];
  sending: boolean;
  /** The last try found no server. */
  offline: boolean;
  /** The server asks for a sign-in before it takes more. */
  signedOut: boolean;
}

type Listener = () => void;

/** What came of sending a command: `broken` when the server answered that it could not do it. */
type Posted = 'sent' | 'signed-out' | 'unreachable' | { refused: Problem } | { broken: Problem };
/** The device, and which of its acts a command is. */
type Counted = { device: string; count: number };
/** Sends one command to the server. */
export type Post = (entry: Waiting, counted: Counted | undefined) => Promise<Posted>;

const FIRST_WAIT_MS = 1_500;
const LONGEST_WAIT_MS = 30_000;
const LOCK = 'za-outbox';
/** A command the server breaks on is tried so often, then set aside for the person to decide. */
const MOST_TRIES = 3;
/** So many of what was taken count beside the pages: a device is seldom further ahead of what it reads. */
const MOST_TAKEN = 200;

/** What the device's storage did not take, each in the place where it would stand. */
const here = thisWindow<Waiting>();

let state: OutboxState = { entries: [], taken: [], sending: false, offline: false, signedOut: false };
const listeners = new Set<Listener>();
const answered = new Set<(entry: Waiting) => void>();
let person: string | null = null;
/** Who signs, in words. */
let signer = { person: '', fleet: '' };
let post: Post = async () => 'unreachable';
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
export const onAnswered = (listener: (entry: Waiting) => void): (() => void) => {
  answered.add(listener);
  return () => answered.delete(listener);
};

async function readBack(): Promise<readonly Waiting[]> {
  const stored = await device()
    .then((db) => db.getAll('outbox'))
    .catch(() => state.entries.filter(({ onlyHere }) => !onlyHere));
  const entries = [
    ...stored.map((entry) => here.get(entry.id) ?? entry),
    ...here.all().filter(({ onlyHere }) => onlyHere),
  ].sort((one, other) => (one.seq ?? 0) - (other.seq ?? 0));
  set({ entries });
  return entries;
}

/** Writes a command to the device; where its storage takes nothing, it stands in this window alone, behind those that wait. */
async function write(entry: Waiting): Promise<void> {
  if (entry.onlyHere) return here.keep(entry.id, entry);
  try {
    await (await device()).put('outbox', entry);
    here.drop(entry.id);
  } catch {
    here.keep(entry.id, entry.seq ? entry : { ...entry, seq: state.entries.at(-1)?.seq ?? 0, onlyHere: true });
  }
}

async function remove(entry: Waiting): Promise<void> {
  if (entry.seq && !entry.onlyHere) await (await device()).delete('outbox', entry.seq);
  here.drop(entry.id);
}

const waiting = (id: string) => state.entries.find((entry) => entry.id === id);

/** What the pages tell of before its own answer came: it need not count beside them any more. */
const readFirst = new Set<string>();

/** The pages that these commands change have been read again: they tell of them now. */
export function pagesRead(commands: ReadonlySet<string>): void {
  for (const { id } of state.entries) if (commands.has(id)) readFirst.add(id);
  if (state.taken.some(({ id }) => commands.has(id))) set({ taken: state.taken.filter(({ id }) => !commands.has(id)) });
}

/** Opens the outbox for whoever is signed in: only their own commands are sent, by `by`. */
export async function openOutbox(who: string | null, by: Post, named = { person: '', fleet: '' }): Promise<void> {
  if (person !== who) {
    readFirst.clear();
    set({ taken: [] });
  }
  person = who;
  signer = named;
  post = by;
  clearTimeout(timer);
  set({ signedOut: false, offline: false });
  await readBack();
  void flush();
}

/** Keeps a command on the device, and sends it in its turn. Resolves once it is kept; `onlyHere` says where the device cannot. */
export async function send<N extends CommandName>(name: N, body: CommandBody<N>, label: string): Promise<void> {
  if (!person) throw new Error('Sign in first.');
  const act = { id: uuidv7(), name, at: new Date().toISOString(), body, label };
  const signature = commandOf(name).signed ? await signAct(person, { ...act, ...signer }) : undefined;
  await write({ ...act, person, contact: lastContact(), ...(signature ? { signature } : {}) });
  await readBack();
  void flush();
}

/** Gives up a refused command. */
export async function discard(id: string): Promise<void> {
  const entry = waiting(id);
  if (entry) await remove(entry);
  await readBack();
}

/** Puts a refused command back in the line. */
export async function retry(id: string): Promise<void> {
  const entry = waiting(id);
  if (!entry) return;
  const { refused, tries: _, ...fresh } = entry;
  // A key that no longer holds signs nothing: sent again, it is signed by the session.
  if (refused?.type.endsWith(':wrong-key')) {
    delete fresh.signature;
    await forgetKey(entry.person);
  }
  await write(fresh);
  await readBack();
  void flush();
}

/** Which of this device's acts a command is; not known of what its storage did not take. */
async function countedAs({ seq, onlyHere }: Waiting): Promise<Counted | undefined> {
  if (!seq || onlyHere) return undefined;
  const own = await device()
    .then((db) => db.get('own', 'id'))
    .catch(() => undefined);
  return own ? { device: own, count: seq } : undefined;
}

async function sendOne(entry: Waiting): Promise<'sent' | 'refused' | 'broken' | 'signed-out' | 'unreachable'> {
  const posted = await post(entry, await countedAs(entry));
  if (posted === 'sent') {
    if (!readFirst.delete(entry.id)) set({ taken: [...state.taken, entry].slice(-MOST_TAKEN) });
    await remove(entry);
  }
  if (typeof posted === 'string') return posted;
  if ('refused' in posted) {
    await write({ ...entry, refused: posted.refused });
    return 'refused';
  }
  const tries = (entry.tries ?? 0) + 1;
  await write({ ...entry, tries, ...(tries < MOST_TRIES ? {} : { refused: posted.broken }) });
  return 'broken';
}

/** The next command to send: none that rests on one before it which was set aside, or which just broke. */
function nextOf(entries: readonly Waiting[], broke: ReadonlySet<string>): Waiting | undefined {
  const stuck: Waiting[] = [];
  for (const entry of entries) {
    if (entry.person !== person) continue;
    if (entry.refused || broke.has(entry.id)) stuck.push(entry);
    else if (!stuck.some((before) => restsOn(entry, before))) return entry;
    else stuck.push(entry);
  }
  return undefined;
}

function again(): void {
  timer = setTimeout(() => void flush(), wait);
  wait = Math.min(wait * 2, LONGEST_WAIT_MS);
}

/** Sends what waits, oldest first, until nothing is left or the server cannot be reached. */
async function sendAll(): Promise<void> {
  const broke = new Set<string>();
  for (;;) {
    const next = nextOf(await readBack(), broke);
    if (!next) {
      set({ offline: false });
      if (state.entries.some((entry) => broke.has(entry.id) && !entry.refused)) again();
      else wait = FIRST_WAIT_MS;
      return;
    }
    const outcome = await sendOne(next);
    if (outcome === 'signed-out') return set({ signedOut: true });
    if (outcome === 'unreachable') {
      set({ offline: true });
      return again();
    }
    if (outcome === 'broken') broke.add(next.id);
    await readBack();
    if (outcome !== 'broken') for (const listener of answered) listener(next);
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
  // A command kept while the last look at the line was being taken is not left behind; what broke waits for its time.
  const broke = new Set(state.entries.flatMap(({ id, tries }) => (tries ? id : [])));
  if (!state.offline && !state.signedOut && nextOf(state.entries, broke)) void flush();
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
