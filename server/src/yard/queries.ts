import {
  DUE_SOON_DAYS,
  dayAfter,
  OPEN_DEFECT_STATES,
  OPEN_JOB_STATES,
  type UnitPage,
  type YardAsked,
  type YardOrder,
  type YardPage,
  type YardRow,
  type YardTotal,
} from '@zealous-axle/core';
import { and, asc, count, eq, gt, ilike, isNull, lte, or, type SQL, sql } from 'drizzle-orm';
import { defectViews } from '../defects';
import { findUnit, openHolds, paper } from '../fleet';
import { type Key, pageOf } from '../http';
import { countInspections, countPhotos, inspectionsBefore, photosBefore, standingReadings } from '../inspection';
import { jobViews } from '../repair';
import type { FleetStore } from '../store';
import { yardRow } from './schema';

/** Rows of one page: two screens of the largest device. */
export const PAGE = 50;

const FIRST_INSPECTIONS = 12;
const FIRST_PHOTOS = 24;

type Row = typeof yardRow.$inferSelect;

const rowView = (row: Row): YardRow => ({
  id: row.unitId,
  number: row.number,
  body: row.body,
  kind: row.kind,
  site: row.site,
  held: row.held,
  openDefects: row.openDefects,
  toAcknowledge: row.toAcknowledge,
  lastMeasured: row.lastMeasured?.toISOString() ?? null,
  verdict: row.verdict,
  due: row.duePaper && row.dueOn ? { paper: row.duePaper, on: row.dueOn } : null,
});

const literal = (text: string): string => `%${text.replace(/[\\%_]/g, '\\$&')}%`;

/** The rows that were asked for. `today` is the shop's date. */
function wanted({ text, show, verdict, site, body }: YardAsked, today: string): SQL | undefined {
  const soon = dayAfter(today, DUE_SOON_DAYS);
  return and(
    text ? ilike(sql`${yardRow.number} || ' ' || ${yardRow.body}`, literal(text)) : undefined,
    show === 'held' ? yardRow.held : undefined,
    show === 'defects' ? or(gt(yardRow.openDefects, 0), gt(yardRow.toAcknowledge, 0)) : undefined,
    show === 'due' ? lte(yardRow.dueOn, soon) : undefined,
    verdict ? eq(yardRow.verdict, verdict) : undefined,
    site ? eq(yardRow.site, site) : undefined,
    body ? eq(yardRow.body, body) : undefined,
  );
}

/** What an order sorts by before the number; null sorts by the number alone. */
const SORTED = {
  urgency: yardRow.urgency,
  number: null,
  verdict: yardRow.verdictRank,
  due: yardRow.dueOn,
  measured: yardRow.lastMeasured,
} as const satisfies Record<YardOrder, unknown>;

/** Rows after a key, in an order whose unknown values come last. */
function after(order: YardOrder, [value, number]: Key): SQL | undefined {
  const column = SORTED[order];
  if (!column) return gt(yardRow.number, String(number));
  if (value === null) return and(isNull(column), gt(yardRow.number, String(number)));
  return or(sql`(${column}, ${yardRow.number}) > (${value}, ${number})`, isNull(column));
}

const keyOf = (order: YardOrder, row: Row): Key => {
  const { urgency, verdictRank: verdict, dueOn: due, lastMeasured } = row;
  const measured = lastMeasured?.toISOString() ?? null;
  return [{ urgency, number: null, verdict, due, measured }[order], row.number];
};

/** One page of the yard: one indexed read, however large the fleet. */
export async function yardPage(
  store: FleetStore,
  asked: YardAsked,
  { order, key, today }: { order: YardOrder; key: Key | null; today: string },
): Promise<YardPage> {
  const column = SORTED[order];
  const found = await store
    .select()
    .from(yardRow)
    .where(and(wanted(asked, today), key ? after(order, key) : undefined))
    .orderBy(...(column ? [asc(column)] : []), asc(yardRow.number))
    .limit(PAGE + 1);
  const { rows, next } = pageOf(found, PAGE, (row) => keyOf(order, row));
  return { today, units: rows.map(rowView), next };
}

/** One row of the yard, as it stands now. */
export async function yardRowOf(store: FleetStore, unitId: string): Promise<YardRow | null> {
  const [row] = await store.select().from(yardRow).where(eq(yardRow.unitId, unitId));
  return row ? rowView(row) : null;
}

/** How many there are, and which sites and bodies may be asked for. */
export async function yardTotal(store: FleetStore, asked: YardAsked, today: string): Promise<YardTotal> {
  const fits = wanted(asked, today) ?? sql`true`;
  const [counted] = await store
    .select({
      units: count(),
      held: sql<number>`count(*) filter (where ${yardRow.held})`.mapWith(Number),
      asked: sql<number>`count(*) filter (where ${fits})`.mapWith(Number),
    })
    .from(yardRow);
  const sites = await store.selectDistinct({ site: yardRow.site }).from(yardRow).orderBy(asc(yardRow.site));
  const bodies = await store.selectDistinct({ body: yardRow.body }).from(yardRow).orderBy(asc(yardRow.body));
  return {
    ...(counted ?? { units: 0, held: 0, asked: 0 }),
    sites: sites.map(({ site }) => site).filter(Boolean),
    bodies: bodies.map(({ body }) => body).filter(Boolean),
  };
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
    defects: await defectViews(store, { unitId, states: [...OPEN_DEFECT_STATES, 'certified'] }),
    jobs: await jobViews(store, { unitId, states: OPEN_JOB_STATES }),
    inspections: (await inspectionsBefore(store, unitId, null, FIRST_INSPECTIONS)).rows,
    inspectionsTotal: await countInspections(store, unitId),
    photos: (await photosBefore(store, { unitId }, null, FIRST_PHOTOS)).rows,
    photosTotal: await countPhotos(store, unitId),
  };
}
