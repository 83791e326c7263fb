import type { UnitPage, YardRow } from '@zealous-axle/core';
import { asc, eq, sql } from 'drizzle-orm';
import { defectViews } from '../defects';
import { findUnit, openHolds, paper } from '../fleet';
import { photo, photoViews, recentInspections, standingReadings } from '../inspection';
import { jobViews } from '../repair';
import type { FleetStore } from '../store';

const iso = (date: Date | string | null): string | null => (date === null ? null : new Date(date).toISOString());

/** Every unit with its derived state, in one statement. */
export async function yardRows(store: FleetStore): Promise<YardRow[]> {
  const { rows } = await store.execute<{
    id: string;
    number: string;
    body: string;
    kind: YardRow['kind'];
    held: boolean;
    open_defects: number;
    to_acknowledge: number;
    last_measured: string | null;
    verdict: YardRow['verdict'];
    due: YardRow['due'];
  }>(sql`
    select u.id, u.number, u.body, u.kind,
      exists (select 1 from hold h where h.fleet_id = u.fleet_id and h.unit_id = u.id and not exists
        (select 1 from hold_released r where r.fleet_id = h.fleet_id and r.hold_id = h.id)) as held,
      coalesce(d.open, 0)::int as open_defects, coalesce(d.certified, 0)::int as to_acknowledge,
      i.closed_at as last_measured, i.verdict,
      (select json_build_object('paper', p.paper, 'on', p.due_on) from paper p
        where p.fleet_id = u.fleet_id and p.unit_id = u.id order by p.due_on limit 1) as due
    from unit u
    left join (select fleet_id, unit_id,
        count(*) filter (where state in ('reported', 'triaged', 'planned', 'done')) as open,
        count(*) filter (where state = 'certified') as certified
      from defect where state not in ('acknowledged', 'dismissed') group by fleet_id, unit_id) d
      on d.fleet_id = u.fleet_id and d.unit_id = u.id
    left join lateral (select closed_at, verdict from inspection
      where fleet_id = u.fleet_id and unit_id = u.id and closed_at is not null
      order by started_at desc limit 1) i on true
    order by u.number`);
  return rows.map((row) => ({
    id: row.id,
    number: row.number,
    body: row.body,
    kind: row.kind,
    held: row.held,
    openDefects: row.open_defects,
    toAcknowledge: row.to_acknowledge,
    lastMeasured: iso(row.last_measured),
    verdict: row.verdict,
    due: row.due,
  }));
}

/** Everything the trailer page shows; null when the fleet has no such unit. */
export async function unitPage(store: FleetStore, unitId: string): Promise<UnitPage | null> {
  const found = await findUnit(store, unitId);
  if (!found) return null;
  const papers = await store
    .select({ paper: paper.paper, on: paper.dueOn })
    .from(paper)
    .where(eq(paper.unitId, unitId))
    .orderBy(asc(paper.dueOn));
  return {
    id: found.id,
    number: found.number,
    body: found.body,
    kind: found.kind,
    axles: found.axles,
    holds: await openHolds(store, unitId),
    papers,
    standing: await standingReadings(store, unitId),
    defects: await defectViews(store, { unitId }),
    jobs: await jobViews(store, { unitId }),
    inspections: await recentInspections(store, unitId),
    photos: await photoViews(store, eq(photo.unitId, unitId)),
  };
}
