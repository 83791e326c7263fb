import {
  judgeStanding,
  type LookedAt,
  lookedAt,
  ofFittedParts,
  type ReportedDefect,
  type Verdict,
} from '@zealous-axle/core';
import { and, asc, gt, inArray } from 'drizzle-orm';
import { defect, OPEN_DEFECTS } from '../defects';
import { standingOfUnits } from '../inspection';
import { livesOfUnits } from '../repair';
import { fleetBooks, fleetRules } from '../rules';
import type { FleetStore } from '../store';
import { unit } from '../units';

/** What a unit meets and what of it was looked at, worked out from its facts by the judge. */
export interface Judged {
  unit: string;
  /** Null where nothing is known of it. */
  verdict: Verdict | null;
  looked: LookedAt[];
}

/** Units of the fleet in the order of their ids, after one of them. */
export async function unitsAfter(store: FleetStore, after: string | null, most: number): Promise<string[]> {
  const rows = await store
    .select({ id: unit.id })
    .from(unit)
    .where(after ? gt(unit.id, after) : undefined)
    .orderBy(asc(unit.id))
    .limit(most);
  return rows.map(({ id }) => id);
}

/** What some units meet as they stand, by the rules that now hold, and what of them was looked at. */
export async function judgedUnits(store: FleetStore, ids: readonly string[]): Promise<Judged[]> {
  const wanted = [...ids];
  const [units, standing, lives, defects, rules] = await Promise.all([
    store.select().from(unit).where(inArray(unit.id, wanted)),
    standingOfUnits(store, wanted),
    livesOfUnits(store, wanted),
    store
      .select({
        unit: defect.unitId,
        code: defect.code,
        axle: defect.axle,
        side: defect.side,
        tyre: defect.tyre,
        state: defect.state,
      })
      .from(defect)
      .where(and(inArray(defect.unitId, wanted), OPEN_DEFECTS)),
    fleetRules(store),
  ]);
  const bookOf = await fleetBooks(store, rules);
  return units.map((row) => {
    const stands = ofFittedParts(lives.get(row.id) ?? [], standing.get(row.id) ?? []);
    const open: ReportedDefect[] = defects.filter((each) => each.unit === row.id);
    const looked: LookedAt[] = lookedAt(row, stands);
    if (stands.length === 0 && open.length === 0) return { unit: row.id, verdict: null, looked };
    const answer = judgeStanding(bookOf(row), row, { standing: stands, defects: open });
    return { unit: row.id, verdict: answer.units[0]?.verdict ?? null, looked };
  });
}
