import {
  type FittedForm,
  type JobWork,
  LIMITED_BY,
  must,
  type PartLife,
  parseLength,
  type Unit,
  wheelEnd,
} from '@zealous-axle/core';
import { and, asc, eq, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { person } from '../access';
import { judgedAgain } from '../inspection';
import { invalid, notNow } from '../problem';
import { type Changed, changed, type Doing, found, type Handler } from '../run';
import { type FleetStore, prepared } from '../store';
import { findUnit, limitAt, noteFacts } from '../units';
import { fittedPart } from './schema';

function lives(store: FleetStore) {
  return store
    .select({ fitted: fittedPart, by: person.name })
    .from(fittedPart)
    .innerJoin(person, and(eq(person.fleetId, fittedPart.fleetId), eq(person.id, fittedPart.fittedBy)));
}

const lifeOf = ({ fitted, by }: Awaited<ReturnType<typeof lives>>[number]): PartLife => ({
  part: fitted.part,
  axle: fitted.axle,
  side: fitted.side,
  tyre: fitted.tyre,
  number: fitted.number,
  limit: fitted.makerLimit,
  since: fitted.fittedAt.toISOString(),
  by,
  job: fitted.jobId,
});

/** Every life of a part that is known to have begun on a unit, the oldest first. */
export async function livesOf(store: FleetStore, unitId: string): Promise<PartLife[]> {
  const asked = prepared(store, 'lives', () =>
    lives(store)
      .where(eq(fittedPart.unitId, sql.placeholder('unit')))
      .orderBy(asc(fittedPart.fittedAt)),
  );
  return (await asked.execute({ unit: unitId })).map(lifeOf);
}

/** The same for many units. */
export async function livesOfUnits(store: FleetStore, units: readonly string[]): Promise<Map<string, PartLife[]>> {
  const rows = await lives(store)
    .where(sql`${fittedPart.unitId} = any(${sql.param([...units])}::uuid[])`)
    .orderBy(asc(fittedPart.fittedAt));
  const all = new Map<string, PartLife[]>();
  for (const row of rows) all.set(row.fitted.unitId, [...(all.get(row.fitted.unitId) ?? []), lifeOf(row)]);
  return all;
}

export const fittedIn = async (store: FleetStore, jobId: string): Promise<PartLife[]> =>
  (await lives(store).where(eq(fittedPart.jobId, jobId)).orderBy(asc(fittedPart.fittedAt), asc(fittedPart.id))).map(
    lifeOf,
  );

/** A part found to have been renewed: its life begins now, and nobody here did it. */
export const noteRenewed: Handler<'note-renewed'> = async (doing) => {
  const { store, session, at, body } = doing;
  const { life, unit: unitId, ...place } = body;
  const unit = found(await findUnit(store, unitId));
  if (!wheelEnd(unit, place.axle, place.side)) throw invalid('body.axle', 'no-axle', unit.number, unit.axles.length);
  const row = { ...place, number: '', makerLimit: null, jobId: null };
  await store
    .insert(fittedPart)
    .values({ fleetId: session.fleet.id, id: life, unitId, ...row, fittedBy: session.person.id, fittedAt: at });
  const { axle, side, part, tyre } = place;
  const renewed = { fact: 'renewed' as const, axle, side, from: null, to: [tyre, part].filter(Boolean).join(' ') };
  await noteFacts(doing, unitId, [renewed], { reason: 'Said at the pad, of a reading better than the last' });
  return { unitId, changed: [changed('unit', unitId)] };
};

/** Both tyres of a dual end go by one limit: a looser one of the new tyre does not loosen the tyre beside it. */
function loosensItsMate(unit: Unit, { part, axle, side, tyre }: Omit<FittedForm, 'limit'>, limit: string): boolean {
  const now = wheelEnd(unit, axle, side)?.maker?.tread;
  if (part !== 'tyre' || tyre === null || tyre === 'single' || !now) return false;
  return must(parseLength(limit, 'none')) < must(parseLength(now.value, 'none'));
}

/**
 * Begins the lives of what a job fitted. A maker's limit read off a part takes the place of the old part's at that end;
 * where none was read, the old one stays.
 */
export async function fitParts(
  doing: Pick<Doing<'finish-job'>, 'store' | 'session' | 'at' | 'now'>,
  row: { id: string; unitId: string; work: JobWork },
  fitted: readonly FittedForm[],
): Promise<Changed[]> {
  const { store, session, at } = doing;
  let limited = false;
  for (const { limit, ...each } of fitted) {
    if (!row.work.renews.some((own) => own.part === each.part && own.axle === each.axle && own.side === each.side))
      throw notNow('not-renewed');
    await store.insert(fittedPart).values({
      fleetId: session.fleet.id,
      id: uuidv7(),
      unitId: row.unitId,
      jobId: row.id,
      ...each,
      makerLimit: limit,
      fittedBy: session.person.id,
      fittedAt: at,
    });
    const reading = LIMITED_BY[each.part];
    if (!limit || !reading) continue;
    const unit = found(await findUnit(store, row.unitId));
    if (loosensItsMate(unit, each, limit)) continue;
    const source = `On the part${each.number ? ` (${each.number})` : ''}`;
    await limitAt(doing, unit, {
      ...each,
      reading,
      limit: { value: limit, source },
    });
    limited = true;
  }
  return limited ? judgedAgain(doing, found(await findUnit(store, row.unitId))) : [];
}
