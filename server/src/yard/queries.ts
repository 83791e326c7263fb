import {
  DUE_SOON_DAYS,
  dayAfter,
  type GonePage,
  OPEN_DEFECT_STATES,
  OPEN_JOB_STATES,
  type UnitPage,
  type YardAsked,
  type YardOrder,
  type YardPage,
  type YardRow,
  type YardTotal,
} from '@zealous-axle/core';
import { and, asc, count, eq, gt, ilike, isNull, lte, ne, or, type SQL, sql } from 'drizzle-orm';
import { defectViews, lastSigned, takenBackLately } from '../defects';
import { type Key, pageOf } from '../http';
import {
  countInspections,
  countPhotos,
  inspectionsBefore,
  openInspections,
  photosBefore,
  standingReadings,
} from '../inspection';
import { jobViews, livesOf, openRetorques } from '../repair';
import { type FleetStore, prepared } from '../store';
import { changesSince, combinationOf, findUnit, lastBehind, lastMeter, openHolds, paper, unit } from '../units';
import { actsBefore } from './acts';
import { yardRow } from './schema';

/** Rows of one page: two screens of the largest device. */
export const PAGE = 50;

const FIRST_INSPECTIONS = 12;
const FIRST_PHOTOS = 24;
const FIRST_ACTS = 5;

type Row = typeof yardRow.$inferSelect;

const walkedOf = ({ walkedAt, walkedBy }: Pick<Row, 'walkedAt' | 'walkedBy'>) =>
  walkedAt && walkedBy ? { at: walkedAt.toISOString(), by: walkedBy } : null;

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
  looked: row.looked,
  walked: walkedOf(row),
  inspecting:
    row.inspectingSince && row.inspectingBy ? { since: row.inspectingSince.toISOString(), by: row.inspectingBy } : null,
  judging: row.judging,
  helpSince: row.helpSince?.toISOString() ?? null,
});

const literal = (text: string): string => `%${text.replace(/[\\%_]/g, '\\$&')}%`;

/** Which rows are asked for, and the values that say so. `today` is the shop's date. */
function wanted({ text, show, verdict, site, body }: YardAsked, today: string) {
  const { placeholder } = sql;
  const where = and(
    text ? ilike(sql`${yardRow.number} || ' ' || ${yardRow.body}`, placeholder('text')) : undefined,
    show === 'held' ? yardRow.held : undefined,
    show === 'defects' ? or(gt(yardRow.openDefects, 0), gt(yardRow.toAcknowledge, 0)) : undefined,
    show === 'due' ? lte(yardRow.dueOn, placeholder('soon')) : undefined,
    verdict ? eq(yardRow.verdict, placeholder('verdict')) : undefined,
    site ? eq(yardRow.site, placeholder('site')) : undefined,
    body ? eq(yardRow.body, placeholder('body')) : undefined,
  );
  const values = { text: literal(text ?? ''), soon: dayAfter(today, DUE_SOON_DAYS), verdict, site, body };
  const form = [text && 'text', show, verdict && 'verdict', site && 'site', body && 'body'].filter(Boolean).join(' ');
  return { where, values, form };
}

/** What an order sorts by before the number; null sorts by the number alone. */
const SORTED = {
  urgency: yardRow.urgency,
  number: null,
  verdict: yardRow.verdictRank,
  due: yardRow.dueOn,
  measured: yardRow.lastMeasured,
} as const satisfies Record<YardOrder, unknown>;

const LAST = sql.placeholder('last');
const LAST_NUMBER = sql.placeholder('lastNumber');

/** Rows after a key, in an order whose unknown values come last. */
function after(order: YardOrder, value: Key[number]): SQL | undefined {
  const column = SORTED[order];
  if (!column) return gt(yardRow.number, LAST_NUMBER);
  if (value === null) return and(isNull(column), gt(yardRow.number, LAST_NUMBER));
  return or(sql`(${column}, ${yardRow.number}) > (${LAST}, ${LAST_NUMBER})`, isNull(column));
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
  const { where, values, form } = wanted(asked, today);
  const [last = null, lastNumber] = key ?? [];
  const from = key ? `after ${last === null ? 'unknown' : 'known'}` : '';
  const page = prepared(store, `yard ${order} ${from} ${form}`, () =>
    store
      .select()
      .from(yardRow)
      .where(and(where, key ? after(order, last) : undefined))
      .orderBy(...(column ? [asc(column)] : []), asc(yardRow.number))
      .limit(PAGE + 1),
  );
  const found = await page.execute({ ...values, last, lastNumber });
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
  const { where = sql`true`, values, form } = wanted(asked, today);
  const total = prepared(store, `yard total ${form}`, () =>
    store
      .select({
        units: count(),
        held: sql<number>`count(*) filter (where ${yardRow.held})`.mapWith(Number),
        judging: sql<number>`count(*) filter (where ${yardRow.judging})`.mapWith(Number),
        asked: sql<number>`count(*) filter (where ${where})`.mapWith(Number),
      })
      .from(yardRow),
  );
  const [counted, sites, bodies] = await Promise.all([
    total.execute(values),
    store.selectDistinct({ site: yardRow.site }).from(yardRow).orderBy(asc(yardRow.site)),
    store.selectDistinct({ body: yardRow.body }).from(yardRow).orderBy(asc(yardRow.body)),
  ]);
  return {
    ...(counted[0] ?? { units: 0, held: 0, judging: 0, asked: 0 }),
    sites: sites.map(({ site }) => site).filter(Boolean),
    bodies: bodies.map(({ body }) => body).filter(Boolean),
  };
}

const papersOf = (store: FleetStore, unitId: string) =>
  prepared(store, 'papers', () =>
    store
      .select({ paper: paper.paper, on: paper.dueOn })
      .from(paper)
      .where(eq(paper.unitId, sql.placeholder('unit')))
      .orderBy(asc(paper.dueOn)),
  ).execute({ unit: unitId });

/** How many there are of what a first page shows: they are counted only where the page does not hold them all. */
const totalOf = ({ rows, next }: { rows: readonly unknown[]; next: string | null }, all: () => Promise<number>) =>
  next ? all() : rows.length;

/** What the yard's row of a unit says beside its state: of a unit that is not in use there is none. */
async function rowParts(store: FleetStore, unitId: string) {
  const [row] = await prepared(store, 'row of a unit', () =>
    store
      .select()
      .from(yardRow)
      .where(eq(yardRow.unitId, sql.placeholder('unit'))),
  ).execute({ unit: unitId });
  return row
    ? {
        looked: row.looked,
        walked: walkedOf(row),
        judging: row.judging,
        helpSince: row.helpSince?.toISOString() ?? null,
      }
    : { looked: [], walked: null, judging: false, helpSince: null };
}

/** What the trailer page shows beside the unit itself, each as the page names it. */
async function pageParts(store: FleetStore, unitId: string, now: Date) {
  const combination = combinationOf(store, unitId);
  const behind = lastBehind(store, unitId, now);
  const asked = {
    papers: papersOf(store, unitId),
    signed: lastSigned(store, unitId),
    holds: openHolds(store, unitId),
    standing: standingReadings(store, unitId),
    inspecting: openInspections(store, unitId),
    defects: defectViews(store, { unitId, states: [...OPEN_DEFECT_STATES, 'certified'] }),
    takenBack: takenBackLately(store, unitId, now),
    jobs: jobViews(store, { unitId, states: OPEN_JOB_STATES }),
    retorques: openRetorques(store, unitId),
    lives: livesOf(store, unitId),
    combination,
    lastBehind: Promise.all([combination, behind]).then(([runs, last]) => (runs.length ? null : last)),
    meter: lastMeter(store, unitId),
    row: rowParts(store, unitId),
  };
  const { row, ...parts } = await allOf(asked);
  return { ...parts, ...row };
}

/** The answers of questions that were asked at once, each under its name. */
async function allOf<T extends Record<string, Promise<unknown>>>(asked: T): Promise<{ [K in keyof T]: Awaited<T[K]> }> {
  const answers = await Promise.all(Object.values(asked));
  return Object.fromEntries(Object.keys(asked).map((name, nth) => [name, answers[nth]])) as never;
}

/** Everything the trailer page shows, asked for at once; null when the fleet has no such unit. */
export async function unitPage(store: FleetStore, unitId: string, now: Date): Promise<UnitPage | null> {
  const [found, parts, inspections, photos, acts] = await Promise.all([
    findUnit(store, unitId),
    pageParts(store, unitId, now),
    inspectionsBefore(store, unitId, null, FIRST_INSPECTIONS),
    photosBefore(store, { unitId }, null, FIRST_PHOTOS),
    actsBefore(store, unitId, null, FIRST_ACTS),
  ]);
  if (!found) return null;
  const { id, number, body, kind, site, state, version, features, axles, notFitted } = found;
  const [heldSince] = parts.holds.map(({ at }) => at).sort();
  const [inspectionsTotal, photosTotal, changedSinceHeld] = await Promise.all([
    totalOf(inspections, () => countInspections(store, unitId)),
    totalOf(photos, () => countPhotos(store, unitId)),
    heldSince ? changesSince(store, unitId, new Date(heldSince)) : [],
  ]);
  return {
    id,
    number,
    body,
    kind,
    site,
    state,
    version,
    features,
    axles,
    notFitted,
    ...parts,
    inspections: inspections.rows,
    inspectionsTotal,
    acts: acts.acts,
    actsNext: acts.next,
    changedSinceHeld,
    photos: photos.rows,
    photosTotal,
  };
}

/** A page of the units sold or scrapped, whose number or body has `text` in it, by number. */
export async function goneUnits(store: FleetStore, text: string, key: Key | null): Promise<GonePage> {
  const rows = await store
    .select()
    .from(unit)
    .where(
      and(
        ne(unit.state, 'in-use'),
        text ? ilike(sql`${unit.number} || ' ' || ${unit.body}`, literal(text)) : undefined,
        key ? sql`(${unit.number}, ${unit.id}) > (${key[0]}, ${key[1]}::uuid)` : undefined,
      ),
    )
    .orderBy(asc(unit.number), asc(unit.id))
    .limit(PAGE + 1);
  const page = pageOf(rows, PAGE, (row) => [row.number, row.id]);
  return {
    units: page.rows.map(({ id, number, body, kind, state, stateReason, stateAt }) => ({
      id,
      number,
      body,
      kind,
      state,
      reason: stateReason,
      since: stateAt?.toISOString() ?? null,
    })),
    next: page.next,
  };
}
