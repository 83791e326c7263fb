import type { MoveIn, PastRepairs } from '@zealous-axle/core';
import { and, desc, eq, sql } from 'drizzle-orm';
import { person } from '../../access';
import { type Key, pageOf } from '../../http';
import type { FleetStore } from '../../store';
import { moveIn, pastRepair } from './schema';

/** Moves told of. */
const MOST_TOLD = 20;
/** Repairs of before on one page. */
const PAGE = 20;

/** What moved in lately, the newest first. */
export async function movesIn(store: FleetStore): Promise<MoveIn[]> {
  const rows = await store
    .select({ move: moveIn, by: person.name })
    .from(moveIn)
    .innerJoin(person, eq(person.id, moveIn.movedBy))
    .orderBy(desc(moveIn.recordedAt))
    .limit(MOST_TOLD);
  return rows.map(({ move, by }) => ({
    id: move.id,
    list: move.list,
    name: move.name,
    rows: move.brought.length,
    by,
    at: move.movedAt.toISOString(),
    undoneAt: move.undoneAt?.toISOString() ?? null,
  }));
}

/** Repairs of before of one unit, newest first. */
export async function pastRepairsOf(store: FleetStore, unitId: string, key: Key | null): Promise<PastRepairs> {
  const { day, id } = pastRepair;
  const rows = await store
    .select({ repair: pastRepair, list: moveIn.name, movedBy: person.name })
    .from(pastRepair)
    .innerJoin(moveIn, and(eq(moveIn.fleetId, pastRepair.fleetId), eq(moveIn.id, pastRepair.moveId)))
    .innerJoin(person, and(eq(person.fleetId, moveIn.fleetId), eq(person.id, moveIn.movedBy)))
    .where(
      and(eq(pastRepair.unitId, unitId), key ? sql`(${day}, ${id}) < (${key[0]}::date, ${key[1]}::uuid)` : undefined),
    )
    .orderBy(desc(day), desc(id))
    .limit(PAGE + 1);
  const told = rows.map(({ repair, list, movedBy }) => ({
    id: repair.id,
    day: repair.day,
    work: repair.work,
    by: repair.who,
    meter: repair.meter,
    cost: repair.cost,
    list,
    movedBy,
  }));
  const { rows: repairs, next } = pageOf(told, PAGE, (each) => [each.day, each.id]);
  return { repairs, next };
}
