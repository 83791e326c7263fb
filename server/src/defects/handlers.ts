import { catalogueEntry, DEFECT_LIFE, type DefectAct, defectWords, holdsByBook, wheelEnd } from '@zealous-axle/core';
import { and, eq } from 'drizzle-orm';
import { findUnit, holdFor, unitBook } from '../fleet';
import { invalid } from '../problem';
import { changed, type Doing, found, type Handler, nextState, sameVersion } from '../run';
import type { FleetStore } from '../store';
import { type DefectRow, defectPlace, defectViews, findDefect } from './queries';
import { acknowledgement, cleanReport, defect } from './schema';

/** Moves a defect along its life, if its table lets this role do so now. */
export async function moveDefect(
  { store, session }: Pick<Doing<'triage-defect'>, 'store' | 'session'>,
  row: DefectRow,
  act: DefectAct,
  more: Partial<Pick<DefectRow, 'holds' | 'jobId'>> = {},
  given: Partial<Record<'a reason', boolean>> = {},
): Promise<number> {
  const state = nextState(DEFECT_LIFE, 'a defect', row.state, act, session.person.role, given);
  const version = row.version + 1;
  await store
    .update(defect)
    .set({ state, version, ...more })
    .where(and(eq(defect.id, row.id), eq(defect.version, row.version)));
  return version;
}

async function versioned(store: FleetStore, id: string, version: number): Promise<DefectRow> {
  const row = found(await findDefect(store, id));
  await sameVersion(row, version, async () => (await defectViews(store, { id }))[0]);
  return row;
}

const whyHeld = (row: Pick<DefectRow, 'code' | 'axle' | 'side' | 'tyre'>) =>
  `${defectPlace(row)}: ${defectWords(row.code)}`;

/** A report has the fate the same sign has when an inspection finds it: by the book's severity it holds at once. */
export const reportDefect: Handler<'report-defect'> = async (doing) => {
  const { store, session, at, when, body } = doing;
  const reported = found(await findUnit(store, body.unit));
  const { axle, side, tyre } = body.place;
  const entry = catalogueEntry(body.code);
  if (entry?.where === 'unit' ? axle !== null : axle === null || side === null)
    throw invalid('body.place', entry?.where === 'unit' ? 'whole-trailer' : 'which-end');
  if (axle !== null && !wheelEnd(reported, axle, side ?? 'left'))
    throw invalid('body.place.axle', 'no-axle', reported.number, reported.axles.length);
  if (body.code.startsWith('other') && body.words === '') throw invalid('body.words', 'say-what');
  const holds = !when.tooOld && holdsByBook(await unitBook(store, session, reported), body.code);
  await store.insert(defect).values({
    fleetId: session.fleet.id,
    id: body.defect,
    unitId: body.unit,
    code: body.code,
    axle,
    side,
    tyre,
    words: body.words,
    origin: 'driver',
    reportedBy: session.person.id,
    reportedAt: at,
    state: 'reported',
    holds,
  });
  if (holds) await holdFor(doing, body.unit, whyHeld({ code: body.code, axle, side, tyre }));
  return { unitId: body.unit, changed: [changed('defect', body.defect, 1)] };
};

export const reportNothing: Handler<'report-nothing'> = async ({ store, session, at, now, body }) => {
  found(await findUnit(store, body.unit));
  await store.insert(cleanReport).values({
    fleetId: session.fleet.id,
    id: body.report,
    unitId: body.unit,
    reportedBy: session.person.id,
    reportedAt: at,
    recordedAt: now,
  });
  return { unitId: body.unit, changed: [changed('report', body.report)] };
};

export const triageDefect: Handler<'triage-defect'> = async (doing) => {
  const { store, body } = doing;
  const row = await versioned(store, body.defect, body.version);
  const version = await moveDefect(doing, row, 'triage', { holds: body.holds });
  if (body.holds) await holdFor(doing, row.unitId, whyHeld(row));
  return { unitId: row.unitId, changed: [changed('defect', row.id, version)] };
};

export const dismissDefect: Handler<'dismiss-defect'> = async (doing) => {
  const row = await versioned(doing.store, doing.body.defect, doing.body.version);
  const version = await moveDefect(doing, row, 'dismiss', { holds: false }, { 'a reason': doing.body.reason !== '' });
  return { unitId: row.unitId, changed: [changed('defect', row.id, version)] };
};

export const acknowledgeRepair: Handler<'acknowledge-repair'> = async (doing) => {
  const { store, session, at, body } = doing;
  const row = await versioned(store, body.defect, body.version);
  const version = await moveDefect(doing, row, 'acknowledge');
  await store.insert(acknowledgement).values({
    fleetId: session.fleet.id,
    defectId: row.id,
    acknowledgedBy: session.person.id,
    acknowledgedAt: at,
  });
  return { unitId: row.unitId, changed: [changed('defect', row.id, version)] };
};
