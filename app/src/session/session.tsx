import { type CommandName, commandOf, type Role, type Session } from '@zealous-axle/core';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { clearOldDrafts } from '../device/drafts';
import { onAnswered, openOutbox, watchConnection } from '../device/outbox';
import type { Waiting } from '../device/waiting';
import { forgetAnswers, keepAnswers } from '../server/answers';
import { call, Refused } from '../server/client';
import { followLive } from '../server/live';
import { postCommand } from '../server/post-command';
import { type Happened, refresh } from '../server/refresh';

interface SessionState {
  /** `undefined` while the device is still being asked. */
  session: Session | null | undefined;
  signIn: (name: string, password: string) => Promise<void>;
  signOut: () => Promise<void>;
}

/** What changes what a fleet judges by, or how a person reads it. */
const changesRules = ({ type }: Happened): boolean =>
  type === 'read-again' || ['fleet', 'self'].includes(commandOf(type).about);

/** Counted up when a session's shape changes: one kept in an older shape asks for a new sign-in. */
const KEY = 'za-session-3';
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

  /** Asks the server who is signed in and what the fleet judges by; without a server the last known stands. */
  const renew = useCallback(
    () =>
      call<Session>('GET', '/session').then(
        (now) => {
          keep(now);
          setSession((known) => (JSON.stringify(known) === JSON.stringify(now) ? known : now));
        },
        (error) => {
          if (!(error instanceof Refused)) return;
          keep(null);
          setSession(null);
        },
      ),
    [],
  );

  useEffect(() => {
    const known = kept();
    if (!known) return setSession(null);
    keepAnswers(known.person.id);
    setSession(known);
    void renew();
  }, [renew]);

  const who = session === undefined ? undefined : (session?.person.id ?? null);
  useEffect(() => {
    if (who === undefined) return;
    void openOutbox(who, postCommand);
    if (!who) return;
    void clearOldDrafts(Date.now());
    const again = (events: readonly Happened[]) => {
      refresh(events);
      if (events.some(changesRules)) void renew();
    };
    const sent = ({ name, body }: Waiting) => again([{ type: name, unit: (body as { unit?: string }).unit }]);
    const stops = [followLive(again), watchConnection(), onAnswered(sent)];
    return () => {
      for (const stop of stops) stop();
    };
  }, [who, renew]);

  const value = useMemo<SessionState>(
    () => ({
      session,
      async signIn(name, password) {
        const opened = await call<Session>('POST', '/session', { name, password });
        keep(opened);
        keepAnswers(opened.person.id);
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

/** Whether the signed-in person may ever send a command; its life-cycle table asks again, with the state. */
export const useMaySend = (name: CommandName): boolean => useMay(commandOf(name).roles);

/** Whether the signed-in person has one of these roles. */
export const useMay = (roles: readonly Role[]): boolean => {
  const { session } = useSessionState();
  return session ? roles.includes(session.person.role) : false;
};
