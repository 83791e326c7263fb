import { useSyncExternalStore } from 'react';
import { type OutboxState, outboxState, subscribeOutbox } from './outbox';

/** What waits to be sent, live. */
export const useOutbox = (): OutboxState => useSyncExternalStore(subscribeOutbox, outboxState, outboxState);
