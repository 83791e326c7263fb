import type { ToldEvent } from '@zealous-axle/core';
import { and, asc, desc, eq, gt, lt } from 'drizzle-orm';
import { person } from '../access';
import { type Key, pageOf } from '../http';
import { event } from '../run';
import type { FleetStore } from '../store';
import { recordChain } from './schema';

const PAGE = 100;

const chosen = (store: FleetStore) =>
  store
    .select({ event, nr: recordChain.nr, hash: recordChain.hash, name: person.name })
    .from(event)
    .innerJoin(recordChain, and(eq(recordChain.fleetId, event.fleetId), eq(recordChain.eventId, event.id)))
    .innerJoin(person, and(eq(person.fleetId, event.fleetId), eq(person.id, event.personId)));

type Row = Awaited<ReturnType<typeof chosen>>[number];

const toldOf = ({ event: row, nr, hash, name }: Row): ToldEvent => ({
  nr,
  hash: hash.toString('hex'),
  type: row.type,
  unit: row.unitId,
  person: { id: row.personId, name },
  command: row.commandId,
  at: row.at.toISOString(),
  recorded: row.recordedAt.toISOString(),
  tooOld: row.tooOld,
  body: row.body,
});

/** Events after an entry of the chain, the oldest first. */
export async function eventsAfter(store: FleetStore, nr: number, most: number): Promise<ToldEvent[]> {
  const rows = await chosen(store).where(gt(recordChain.nr, nr)).orderBy(asc(recordChain.nr)).limit(most);
  return rows.map(toldOf);
}

export interface EventsAsked {
  unit: string | undefined;
  person: string | undefined;
  type: string | undefined;
}

/** Events of the fleet, the newest first: of everything, of a unit, a person or a kind. */
export async function eventsBefore(
  store: FleetStore,
  { unit, person: who, type }: EventsAsked,
  before: Key | null,
): Promise<{ events: ToldEvent[]; next: string | null }> {
  const rows = await chosen(store)
    .where(
      and(
        unit ? eq(event.unitId, unit) : undefined,
        who ? eq(event.personId, who) : undefined,
        type ? eq(event.type, type) : undefined,
        before ? lt(event.id, Number(before[0])) : undefined,
      ),
    )
    .orderBy(desc(event.id))
    .limit(PAGE + 1);
  const page = pageOf(rows, PAGE, (row) => [row.event.id]);
  return { events: page.rows.map(toldOf), next: page.next };
}
