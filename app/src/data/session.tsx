import type { Role, Session } from '@zealous-axle/core';
import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';
import { call, Refused } from './client';
import { followLive } from './live';
import { onAnswered, openOutbox, watchConnection } from './outbox';
import { forgetAnswers, keepAnswers, readAgain, restoreAnswers } from './queries';

interface SessionState {
  /** `undefined` while the device is still being asked. */
  session: Session | null | undefined;
  signIn: (name: string, password: string) => Promise<void>;
  signOut: () => Promise<void>;
}

const KEY = 'za-session';
const Context = createContext<SessionState | null>(null);

function kept(): Session | null {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? 'null') as Session | null;
  } catch {
    return null;
  }
}
const keep = (session: Session | null) =>
  session ? localStorage.setItem(KEY, JSON.stringify(session)) : localStorage.removeItem(KEY);

/** Who is signed in. The last known session opens the program without a server; the server then confirms or ends it. */
export function SessionProvider({ children }: { children: ReactNode }) {
  const [session, setSession] = useState<Session | null | undefined>(undefined);

  useEffect(() => {
    const known = kept();
    if (!known) return setSession(null);
    void restoreAnswers(known)
      .catch(() => undefined)
      .then(() => setSession(known));
    call<Session>('GET', '/session').catch((error) => {
      if (!(error instanceof Refused)) return;
      keep(null);
      setSession(null);
    });
  }, []);

  useEffect(() => {
    if (session === undefined) return;
    void openOutbox(session?.person.id ?? null);
    if (!session) return;
    const stops = [keepAnswers(session), followLive(), watchConnection(), onAnswered(() => void readAgain())];
    return () => {
      for (const stop of stops) stop();
    };
  }, [session]);

  const value = useMemo<SessionState>(
    () => ({
      session,
      async signIn(name, password) {
        const opened = await call<Session>('POST', '/session', { name, password });
        keep(opened);
        setSession(opened);
      },
      async signOut() {
        await call('DELETE', '/session').catch(() => undefined);
        keep(null);
        await forgetAnswers();
        setSession(null);
      },
    }),
    [session],
  );
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

export function useSessionState(): SessionState {
  const value = useContext(Context);
  if (!value) throw new Error('outside of SessionProvider');
  return value;
}

/** The session of a screen that is only shown to someone signed in. */
export function useSession(): Session {
  const { session } = useSessionState();
  if (!session) throw new Error('nobody is signed in');
  return session;
}

/** Whether the signed-in person has one of these roles. */
export const useMay = (roles: readonly Role[]): boolean => {
  const { session } = useSessionState();
  return session ? roles.includes(session.person.role) : false;
};
