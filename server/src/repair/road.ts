import { defectWords, type Road } from '@zealous-axle/core';
import { and, desc, eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { fleet, person } from '../access';
import { defectPlace, findDefect, moveDefect } from '../defects';
import { findUnit } from '../fleet';
import { notNow } from '../problem';
import { changed, found, type Handler } from '../run';
import { roadService } from '../standins';
import type { FleetStore } from '../store';
import { job, jobDocument, roadCall } from './schema';

/** What the road costs, and the road services asked for a unit, the newest first. */
export async function roadOf(store: FleetStore, unitId: string, now: Date): Promise<Road> {
  const [[own], calls] = await Promise.all([
    store.select({ costs: fleet.roadCosts }).from(fleet),
    store
      .select({ call: roadCall, by: person.name })
      .from(roadCall)
      .innerJoin(person, and(eq(person.fleetId, roadCall.fleetId), eq(person.id, roadCall.askedBy)))
      .where(eq(roadCall.unitId, unitId))
      .orderBy(desc(roadCall.askedAt))
      .limit(20),
  ]);
  return {
    costs: own?.costs ?? null,
    calls: calls.map(({ call: { id, defectId, place, askedAt, jobId }, by }) => ({
      id,
      defect: defectId,
      place,
      asked: { by, at: askedAt.toISOString() },
      ...roadService(askedAt, now),
      job: jobId,
    })),
  };
}

export const askRoad: Handler<'ask-road'> = async ({ store, session, at, body }) => {
  found(await findUnit(store, body.unit));
  const defect = found(await findDefect(store, body.defect));
  if (defect.unitId !== body.unit) throw notNow('one-trailer');
  await store.insert(roadCall).values({
    fleetId: session.fleet.id,
    id: body.call,
    unitId: body.unit,
    defectId: defect.id,
    place: body.place,
    askedBy: session.person.id,
    askedAt: at,
  });
  return { unitId: body.unit, changed: [changed('unit', body.unit)] };
};

/** The report becomes a job that is done, not certified: what must be measured again still is, by our own people. */
export const takeRoadReport: Handler<'take-road-report'> = async (doing) => {
  const { store, session, at, now, body } = doing;
  const [row] = await store
    .select()
    .from(roadCall)
    .where(and(eq(roadCall.id, body.call), eq(roadCall.unitId, body.unit)));
  const call = found(row);
  if (call.jobId) throw notNow('report-taken');
  const { report } = roadService(call.askedAt, now);
  if (!report) throw notNow('no-report');
  const defect = found(await findDefect(store, call.defectId));
  const fleetId = session.fleet.id;
  await store.insert(job).values({
    fleetId,
    id: body.job,
    unitId: body.unit,
    title: `Road service: ${defectPlace(defect)} ${defectWords(defect.code).toLowerCase()}`.slice(0, 120),
    state: 'done',
    minutes: report.minutes,
    wheelsOff: false,
    done: `${report.done}. ${report.parts}.`,
    doneAt: at,
    doneRecordedAt: now,
    doneBy: session.person.id,
  });
  const planned = await moveDefect(doing, defect, 'plan', { jobId: body.job });
  const version = await moveDefect(doing, { ...defect, state: 'planned', version: planned }, 'finish');
  await store.insert(jobDocument).values({
    fleetId,
    id: uuidv7(),
    jobId: body.job,
    title: 'Invoice of the road service',
    body: `${report.minutes} min at ${call.place}: ${(report.invoice / 100).toFixed(2)}`,
  });
  await store.update(roadCall).set({ jobId: body.job }).where(eq(roadCall.id, call.id));
  return { unitId: body.unit, changed: [changed('job', body.job, 1), changed('defect', defect.id, version)] };
};

export const setRoadCosts: Handler<'set-road-costs'> = async ({ store, session, body }) => {
  await store.update(fleet).set({ roadCosts: body.costs }).where(eq(fleet.fleetId, session.fleet.id));
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};
