import { noteSecurity } from '../run';
import { type Database, everyFleet, inFleet } from '../store';

/** Something that concerns every fleet of a database, written into the security log of each. */
export async function noteForAll(
  ownerUrl: string,
  db: Database,
  noted: { kind: 'backed-up' | 'backup-failed' | 'restored'; what: string; at: Date },
): Promise<void> {
  for (const { id } of await everyFleet(ownerUrl)) await inFleet(db, id, (store) => noteSecurity(store, id, noted));
}
