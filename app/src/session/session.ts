import type { Session } from '@zealous-axle/core';
import { useSyncExternalStore } from 'react';
import { call } from '../server/client';

/** Counted up when a session's shape changes: one kept in an older shape asks for a new sign-in. */
const KEY = 'za-session-5';

function kept(): Session | null {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? 'null') as Session | null;
  } catch {
    return null;
  }
}

let known: Session | null | undefined;
/** Whether the server opened the session for this very window. */
let fresh = false;
const listeners = new Set<() => void>();

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Who is signed in as far as this device knows: the last known opens the program without a server. */
function sessionNow(): Session | null {
  if (known === undefined) known = kept();
  return known;
}

/** Keeps who is signed in, or that nobody is. */
export function keepSession(next: Session | null): void {
  if (next) localStorage.setItem(KEY, JSON.stringify(next));
  else localStorage.removeItem(KEY);
  if (JSON.stringify(next) === JSON.stringify(sessionNow())) return;
  known = next;
  for (const listener of listeners) listener();
}

/** Opens a session with the server. Throws what {@link call} throws. */
export async function signIn(written: { name: string; password: string; code?: string }): Promise<void> {
  const opened = await call<Session>('POST', '/session', written);
  fresh = true;
  keepSession(opened);
}

/** Takes up an invitation: the code once, and a password of one's own. Throws what {@link call} throws. */
export async function claimInvitation(written: { name: string; code: string; password: string }): Promise<void> {
  const opened = await call<Session>('POST', '/invitation', written);
  fresh = true;
  // The code is used: it does not stay in the address.
  window.history.replaceState(null, '', '/');
  keepSession(opened);
}

/** Opens another person's session in place of this one; what was kept of the one before is let go by `forget`. */
export async function changePerson(asked: { person: string; pin: string }, forget: () => Promise<void>): Promise<void> {
  const opened = await call<Session>('POST', '/session/person', asked);
  await forget();
  fresh = true;
  keepSession(opened);
}

/** Whether what is known of the session was kept from earlier. Asked once: from then on it may be old. */
export function isKept(): boolean {
  const kept = !fresh;
  fresh = false;
  return kept;
}

/** Who is signed in; null when nobody is, and where the page is drawn before a device opens it. */
export const useSessionState = (): Session | null => useSyncExternalStore(subscribe, sessionNow, () => null);

/** The session of a screen that is only shown to someone signed in. */
export function useSession(): Session {
  const session = useSessionState();
  if (!session) throw new Error('nobody is signed in');
  return session;
}
