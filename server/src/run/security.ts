import type { SecurityKind } from '@zealous-axle/core';
import type { FleetStore } from '../store';
import { securityEntry } from './schema';

/** What the security log keeps of something that happened. No secret, code or password is ever among it. */
export interface Noted {
  kind: SecurityKind;
  person?: string | null;
  what?: string | null;
  from?: string | null | undefined;
  at: Date;
}

const LONGEST = 200;

/** Writes one line of a fleet's security log, in the caller's transaction. */
export const noteSecurity = (
  store: FleetStore,
  fleetId: string,
  { kind, person = null, what = null, from = null, at }: Noted,
): Promise<unknown> =>
  store
    .insert(securityEntry)
    .values({ fleetId, kind, personId: person, what: what?.slice(0, LONGEST) ?? null, address: from, at })
    .execute();
