import type { SecurityKind, SecurityPage } from '@zealous-axle/core';
import { and, desc, eq, lt } from 'drizzle-orm';
import { person } from '../access';
import { type Key, pageOf } from '../http';
import { securityEntry } from '../run';
import type { FleetStore } from '../store';

const PAGE = 50;

/** The security log, the newest first: of everything, of a kind, or of a person. */
export async function securityLog(
  store: FleetStore,
  { kind, by, before }: { kind: SecurityKind | undefined; by: string | undefined; before: Key | null },
): Promise<SecurityPage> {
  const rows = await store
    .select({ entry: securityEntry, by: person.name })
    .from(securityEntry)
    .leftJoin(person, and(eq(person.fleetId, securityEntry.fleetId), eq(person.id, securityEntry.personId)))
    .where(
      and(
        kind ? eq(securityEntry.kind, kind) : undefined,
        by ? eq(securityEntry.personId, by) : undefined,
        before ? lt(securityEntry.id, Number(before[0])) : undefined,
      ),
    )
    .orderBy(desc(securityEntry.id))
    .limit(PAGE + 1);
  const page = pageOf(rows, PAGE, ({ entry }) => [entry.id]);
  return {
    entries: page.rows.map(({ entry: { id, at, kind: its, what, address }, by: who }) => ({
      id,
      at: at.toISOString(),
      kind: its,
      by: who,
      what,
      from: address,
    })),
    next: page.next,
  };
}
