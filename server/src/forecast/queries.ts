import {
  type Day,
  type Due,
  dayAfter,
  type ForecastPage,
  forecastOf,
  metresPerDay,
  type UnitForecastView,
  type WeeksAhead,
  weeksAhead,
} from '@zealous-axle/core';
import { and, asc, count, eq, lte, sql } from 'drizzle-orm';
import { type Key, pageOf } from '../http';
import { part, templatesOf } from '../repair';
import type { FleetStore } from '../store';
import { unit } from '../units';
import { factsOf, unitHead } from './facts';
import { forecast, forecastUnit } from './schema';

const PAGE = 60;
/** Weeks whose parts and hours are summed up. */
const WEEKS = 8;

interface Asked {
  within?: number | undefined;
  kind?: ForecastPage['rows'][number]['kind'] | undefined;
  site?: string | undefined;
}

const inUse = eq(unit.state, 'in-use');
const joined = and(eq(unit.fleetId, forecast.fleetId), eq(unit.id, forecast.unitId), inUse);
const asked = ({ within, kind, site }: Asked, today: Day) =>
  and(
    within ? lte(forecast.dueOn, dayAfter(today, within)) : undefined,
    kind ? eq(forecast.kind, kind) : undefined,
    site ? sql`${unit.site} ilike ${`${site.replaceAll(/[%_\\]/g, '\\$&')}%`}` : undefined,
  );

/** How many units are in use, and how many of them are worked out. */
async function knownUnits(store: FleetStore): Promise<{ units: number; known: number }> {
  const [row] = await store
    .select({ units: count(), known: count(forecastUnit.unitId) })
    .from(unit)
    .leftJoin(forecastUnit, and(eq(forecastUnit.fleetId, unit.fleetId), eq(forecastUnit.unitId, unit.id)))
    .where(inUse);
  return row ?? { units: 0, known: 0 };
}

/** A page of what reaches its limit by when, the first before. */
export async function forecastPage(store: FleetStore, what: Asked, today: Day, key: Key | null): Promise<ForecastPage> {
  const filter = asked(what, today);
  const after = key
    ? sql`(${forecast.dueOn}, ${forecast.unitId}, ${forecast.key}) > (${key[0]}::date, ${key[1]}::uuid, ${key[2]})`
    : undefined;
  const [known, [all], rows] = await Promise.all([
    knownUnits(store),
    store.select({ n: count() }).from(forecast).innerJoin(unit, joined).where(filter),
    store
      .select({ row: forecast, unit })
      .from(forecast)
      .innerJoin(unit, joined)
      .where(and(filter, after))
      .orderBy(asc(forecast.dueOn), asc(forecast.unitId), asc(forecast.key))
      .limit(PAGE + 1),
  ]);
  const page = pageOf(rows, PAGE, ({ row }) => [row.dueOn, row.unitId, row.key]);
  return {
    today,
    ...known,
    total: all?.n ?? 0,
    rows: page.rows.map(({ row, unit: its }) => ({
      unit: { id: its.id, number: its.number, body: its.body, kind: its.kind, site: its.site },
      key: row.key,
      kind: row.kind,
      axle: row.axle,
      side: row.side,
      tyre: row.tyre,
      state: row.state,
      whose: row.whose,
      value: row.value,
      on: row.state === 'past' ? null : row.dueOn,
      earliest: row.earliest,
      latest: row.latest,
    })),
    next: page.next,
  };
}

/** What the weeks ahead ask for, over all that is foreseen in them. */
export async function weeksOf(store: FleetStore, what: Asked, today: Day): Promise<WeeksAhead> {
  const until = dayAfter(today, WEEKS * 7);
  const [rows, templates, room] = await Promise.all([
    store
      .select({ row: forecast, axles: unit.axles })
      .from(forecast)
      .innerJoin(unit, joined)
      .where(and(asked(what, today), lte(forecast.dueOn, until))),
    templatesOf(store),
    store.select({ id: part.id, name: part.name }).from(part),
  ]);
  const dues = rows.flatMap(({ row, axles }): Due[] =>
    row.axle && row.side
      ? [{ unit: { id: row.unitId, axles }, kind: row.kind, axle: row.axle, side: row.side, on: row.dueOn }]
      : [],
  );
  const names = new Map(room.map(({ id, name }) => [id, name]));
  const weeks = weeksAhead(
    dues,
    templates.map(({ definition }) => definition),
    today,
    WEEKS,
  );
  return {
    weeks: weeks.map(({ from, positions, minutes, parts }) => ({
      from,
      positions,
      minutes,
      parts: [...parts].map(([id, n]) => ({ part: id, name: names.get(id) ?? id.replaceAll('-', ' '), count: n })),
    })),
  };
}

/** Everything foreseen of one unit, from its readings as they stand. */
export async function unitForecast(store: FleetStore, id: string, today: Day): Promise<UnitForecastView | null> {
  const head = await unitHead(store, id);
  if (!head) return null;
  const facts = (await factsOf(store, [id])).get(id);
  if (!facts) return null;
  return { unit: head, today, perDay: metresPerDay(facts.meters), ...forecastOf(facts) };
}
