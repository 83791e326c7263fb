import {
  type MeterAt,
  must,
  parseDistance,
  type Reading,
  type TakenReading,
  type UnitFacts,
  WEARING,
} from '@zealous-axle/core';
import { asc, eq, inArray, sql } from 'drizzle-orm';
import { fleet, person } from '../access';
import { reading } from '../inspection';
import { livesOfUnits } from '../repair';
import { fleetBooks } from '../rules';
import type { FleetStore } from '../store';
import { meter, unit } from '../units';

/** Kinds that something is foreseen or found of. */
const KINDS = [...WEARING, 'hub-oil'];
const FORESEEN: ReadonlySet<string> = new Set(KINDS);

interface ReadingRow extends Record<string, unknown> {
  id: string;
  unitId: string;
  supersedes: string | null;
  at: string;
  by: string;
  value: Reading;
}

const byUnit = <T extends { unitId: string }>(rows: readonly T[]): Map<string, T[]> => {
  const units = new Map<string, T[]>();
  for (const row of rows) {
    const own = units.get(row.unitId);
    if (own) own.push(row);
    else units.set(row.unitId, [row]);
  }
  return units;
};

/** What the forecasts of some units follow from: every reading that stands, by whom, what was fitted, how far they ran. */
export async function factsOf(store: FleetStore, ids: readonly string[]): Promise<Map<string, UnitFacts>> {
  if (ids.length === 0) return new Map();
  const wanted = sql.param([...ids]);
  const [[ours], units, { rows: readings }, meters, lives] = await Promise.all([
    store
      .select({
        zone: fleet.zone,
        book: fleet.book,
        policies: fleet.policies,
        signs: fleet.signs,
        checks: fleet.checks,
      })
      .from(fleet),
    store
      .select({ id: unit.id, kind: unit.kind, axles: unit.axles, features: unit.features })
      .from(unit)
      .where(inArray(unit.id, [...ids])),
    // Many rows: they are taken as the driver reads them. A correction may be of another place than what it corrects.
    store.execute<ReadingRow>(
      sql`select id, unit_id as "unitId", supersedes, taken_by as "by", value,
          to_char(taken_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "at" from ${reading}
        where unit_id = any(${wanted}::uuid[])
          and (split_part(key, '@', 1) = any(${sql.param(KINDS)}::text[]) or supersedes is not null)`,
    ),
    store
      .select({ unitId: meter.unitId, at: meter.readAt, value: meter.value })
      .from(meter)
      .where(sql`${meter.unitId} = any(${wanted}::uuid[])`)
      .orderBy(asc(meter.readAt)),
    livesOfUnits(store, ids),
  ]);
  if (!ours) return new Map();
  const people = await namesOf(store, readings);
  const corrected = new Set(readings.flatMap(({ supersedes }) => supersedes ?? []));
  const bookOf = await fleetBooks(store, ours);
  const [ownReadings, ownMeters] = [byUnit(readings), byUnit(meters)];
  return new Map(
    units.map((each) => [
      each.id,
      {
        unit: each,
        book: bookOf(each),
        zone: ours.zone,
        readings: (ownReadings.get(each.id) ?? [])
          .filter(({ id, value }) => FORESEEN.has(value.kind) && !corrected.has(id))
          .map(({ at, by, value }): TakenReading => ({ at, by: people.get(by) ?? '', value }))
          .sort((one, other) => (one.at < other.at ? -1 : one.at > other.at ? 1 : 0)),
        fitted: lives.get(each.id) ?? [],
        meters: forward(
          (ownMeters.get(each.id) ?? []).map(({ at, value }) => ({
            at: at.toISOString(),
            metres: must(parseDistance(value)),
          })),
        ),
      },
    ]),
  );
}

/** A meter that was exchanged or misread runs backwards: only what goes on from the newest reading says how far it ran. */
function forward(meters: readonly MeterAt[]): MeterAt[] {
  const out: MeterAt[] = [];
  for (const each of [...meters].reverse()) {
    const next = out[0];
    if (next && each.metres > next.metres) break;
    out.unshift(each);
  }
  return out;
}

async function namesOf(store: FleetStore, readings: readonly { by: string }[]): Promise<Map<string, string>> {
  const ids = [...new Set(readings.map(({ by }) => by))];
  if (ids.length === 0) return new Map();
  const rows = await store.select({ id: person.id, name: person.name }).from(person).where(inArray(person.id, ids));
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/** The unit itself, where there is one of this id. */
export const unitHead = async (store: FleetStore, id: string) =>
  (
    await store
      .select({ id: unit.id, number: unit.number, body: unit.body, kind: unit.kind })
      .from(unit)
      .where(eq(unit.id, id))
  )[0] ?? null;
