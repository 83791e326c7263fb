import { useMemo, useSyncExternalStore } from 'react';
import { type OutboxState, outboxState, subscribeOutbox } from './outbox';
import type { Waiting } from './waiting';

/** What waits to be sent, live. */
export const useOutbox = (): OutboxState => useSyncExternalStore(subscribeOutbox, outboxState, outboxState);

/** What was done on this device and no page that was read tells of yet, live: sent or not. */
export function useDoneHere(): readonly Waiting[] {
  const { entries, taken } = useOutbox();
  return useMemo(() => {
    const waiting = new Set(entries.map(({ id }) => id));
    return [...taken.filter(({ id }) => !waiting.has(id)), ...entries.filter(({ refused }) => !refused)];
  }, [entries, taken]);
}
