import type { Session } from '@zealous-axle/core';

/** Whoever acts, as every request needs them: a session without what is only judged by. */
export interface Actor {
  person: Session['person'];
  fleet: Omit<Session['fleet'], 'limits' | 'routes'>;
  /** The address of the network they act from, where that is known. */
  from?: string;
}
