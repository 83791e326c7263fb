import { type Book, correctedEnds, type UnitForm } from '@zealous-axle/core';
import { and, desc, eq, isNotNull } from 'drizzle-orm';
import { openDefects } from '../defects';
import { invalid } from '../problem';
import { unitBook } from '../rules';
import { type Changed, changed, type Doing, found, type Handler } from '../run';
import { findUnit, freeNumber, limitAt, noteChange, type UnitRow, unit, unitAt } from '../units';
import { judgeInspection } from './handlers';
import { standingReadings } from './queries';
import { inspection } from './schema';
import { type Settling, settleUnit } from './settle';
import { judgeStandingAgain } from './standing';

type Correcting = Doing<'set-unit'>;

/** An axle that something was read at, or is open at, cannot be taken away. */
async function everyAxleIsThere({ store }: Correcting, row: UnitRow, { axles }: UnitForm): Promise<void> {
  if (axles.length >= row.axles.length) return;
  const places = [...(await standingReadings(store, row.id)), ...(await openDefects(store, row.id))];
  const gone = Math.max(0, ...places.map(({ axle }) => axle ?? 0));
  if (gone > axles.length) throw invalid('body.form.axles', 'axle-in-use', gone);
}

/** Judges the last closed inspection again by what is now known to be fitted; how it was judged before is kept beside it. */
async function lastJudgedAgain(doing: Settling, row: UnitRow, book: Book): Promise<Changed[]> {
  const [last] = await doing.store
    .select()
    .from(inspection)
    .where(and(eq(inspection.unitId, row.id), isNotNull(inspection.closedAt), isNotNull(inspection.verdict)))
    .orderBy(desc(inspection.startedAt), desc(inspection.id))
    .limit(1);
  if (!last) return [];
  await judgeInspection(doing, last, row, book);
  return [changed('inspection', last.id)];
}

/** Judges a unit anew by what is now known of it, or by rules that changed, and does what follows. */
export async function judgedAgain(doing: Settling, row: UnitRow): Promise<Changed[]> {
  const book = await unitBook(doing.store, doing.session, row);
  await judgeStandingAgain(doing.store, row, book);
  const last = await lastJudgedAgain(doing, row, book);
  return [...last, ...(await settleUnit(doing, row, book))];
}

/**
 * Corrects what a unit is. Where its equipment or its book changes, what stands is judged again, and so is its last inspection: a
 * wrong chamber has made a wrong verdict.
 */
export const setUnit: Handler<'set-unit'> = async (doing) => {
  const { store, body } = doing;
  const row = await unitAt(store, body.unit, body.version);
  const { form } = body;
  await freeNumber(store, form.number, row.id);
  await everyAxleIsThere(doing, row, form);
  const judged = await noteChange(doing, row, form, body.because);
  const version = row.version + 1;
  await store
    .update(unit)
    .set({ ...form, version })
    .where(eq(unit.id, row.id));
  const own = changed('unit', row.id, version);
  if (!judged) return { unitId: row.id, changed: [own] };
  return { unitId: row.id, changed: [own, ...(await judgedAgain(doing, { ...row, ...form, version }))] };
};

/** A maker's figure for what is fitted at an axle, or at one end of it. */
export const setMakerLimit: Handler<'set-maker-limit'> = async (doing) => {
  const { store, body } = doing;
  const row = found(await findUnit(store, body.unit));
  await limitAt(doing, row, body);
  const changes = await judgedAgain(doing, found(await findUnit(store, body.unit)));
  return { unitId: row.id, changed: [changed('unit', row.id), ...changes] };
};

/** What is fitted at ends of axles, as it was seen there. */
export const correctEnds: Handler<'correct-ends'> = async (doing) => {
  const { store, body } = doing;
  const row = found(await findUnit(store, body.unit));
  for (const [nth, { axle }] of body.ends.entries())
    if (!row.axles[axle - 1]) throw invalid(`body.ends.${nth}.axle`, 'no-axle', row.number, row.axles.length);
  const axles = correctedEnds(row.axles, body.ends, body.facts);
  const version = row.version + 1;
  await noteChange(doing, row, { ...row, axles }, body.because, body.change);
  await store.update(unit).set({ axles, version }).where(eq(unit.id, row.id));
  const changes = await judgedAgain(doing, { ...row, axles, version });
  return { unitId: row.id, changed: [changed('unit', row.id, version), ...changes] };
};
