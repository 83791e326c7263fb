import { commandOf, type PublicKey, type Session } from '@zealous-axle/core';
import { useEffect, useState } from 'react';
import { clearOldDrafts } from '../device/drafts';
import { onAnswered, openOutbox, outboxState, pagesRead, watchConnection } from '../device/outbox';
import { enrolKey } from '../device/signing';
import type { Waiting } from '../device/waiting';
import { forgetAnswers, keepAnswers } from '../server/answers';
import { call, Refused } from '../server/client';
import { followLive } from '../server/live';
import { postCommand } from '../server/post-command';
import { type Happened, refresh } from '../server/refresh';
import { askYard } from '../server/yard';
import { changePerson, isKept, keepSession } from './session';

/** What changes what a fleet judges by, or how a person reads it. */
const changesRules = ({ type }: Happened): boolean =>
  type === 'read-again' || (type !== 'plan' && ['fleet', 'self'].includes(commandOf(type).about));

/** Asks the server who is signed in and what the fleet judges by; without a server the last known stands. */
export const renewSession = () =>
  call<Session>('GET', '/session').then(keepSession, (error) => {
    if (error instanceof Refused) keepSession(null);
  });

/** Own commands that these events tell of: all that was taken so far where anything may have been missed. */
function ownOf(events: readonly Happened[]): Set<string> {
  const { entries, taken } = outboxState();
  if (events.some(({ type }) => type === 'read-again')) return new Set(taken.map(({ id }) => id));
  const told = new Set(events.flatMap(({ command }) => command ?? []));
  return new Set([...entries, ...taken].flatMap(({ id }) => (told.has(id) ? id : [])));
}

/** Told of, and not on every page yet: another event has had the same pages asked for once more. The oldest are given up. */
let unread: { own: ReadonlySet<string>; isRead: () => boolean }[] = [];
const MOST_UNREAD = 200;

const again = (events: readonly Happened[]) => {
  const own = ownOf(events);
  const rules = events.some(changesRules) ? renewSession() : undefined;
  void Promise.all([refresh(events), rules]).then(([isRead]) => {
    if (own.size) unread.push({ own, isRead });
    for (const each of unread) if (each.isRead()) pagesRead(each.own);
    unread = unread.filter((each) => !each.isRead()).slice(-MOST_UNREAD);
  });
};

/** The server takes up a key by which somebody signs here; null where it no longer does. */
const takeUpKey = (key: PublicKey): Promise<string | null> =>
  call<{ id: string }>('POST', '/session/key', key).then(
    ({ id }) => id,
    (error) => {
      if (error instanceof Refused && error.problem.type.endsWith(':wrong-key')) return null;
      throw error;
    },
  );

/** While a person is signed in: their answers are kept, what they enter is sent, and what happens elsewhere arrives. */
export function useFollowing({ person: { id, name }, fleet }: Session): void {
  useState(() => {
    // Before the first question is asked: its answer may be on the device.
    keepAnswers(id);
    if (location.pathname === '/') askYard(fleet.zone);
  });
  useEffect(() => {
    if (isKept()) void renewSession();
    void openOutbox(id, postCommand, { person: name, fleet: fleet.name });
    void enrolKey(id, takeUpKey).catch(() => undefined);
    void clearOldDrafts(Date.now());
    const live = followLive(again);
    const answered = ({ id: command, name, body }: Waiting) =>
      live.answered(command, { type: name, unit: (body as { unit?: string }).unit });
    const stops = [live.close, watchConnection(), onAnswered(answered)];
    return () => {
      for (const stop of stops) stop();
      void openOutbox(null, postCommand);
    };
  }, [id, name, fleet.name]);
}

export async function signOut(): Promise<void> {
  await call('DELETE', '/session').catch(() => undefined);
  await forgetAnswers();
  keepSession(null);
}

/** Another person takes over this device by their PIN. Throws what {@link call} throws. */
export async function takeOver(asked: { person: string; pin: string }): Promise<void> {
  await changePerson(asked, forgetAnswers);
}
