import {
  type Axle,
  type CommandBody,
  type DefectAct,
  JOB_LIFE,
  type JobAct,
  type JobNeed,
  jobOf,
  NO_WORK_KNOWN,
  stillToRemeasure,
  toRemeasure,
} from '@zealous-axle/core';
import { and, eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { certificate, defectsOfJob, defectViews, findDefect, moveDefect } from '../defects';
import { standingJudged } from '../inspection';
import { bay } from '../people';
import { notNow } from '../problem';
import { unitBook } from '../rules';
import { type Changed, changed, type Doing, type Done, found, type Handler, nextState, sameVersion } from '../run';
import type { FleetStore } from '../store';
import { findUnit } from '../units';
import { fitParts } from './fitted';
import { findJob, finishedOf, type JobRow, jobViews } from './queries';
import { job, torqueCheck } from './schema';
import { templatesOf } from './shop-data';
import { askRetorque, signedBy, stopClocks, workDone } from './work';

type JobDoing = Pick<Doing<'start-job'>, 'store' | 'session' | 'at'> & { body: { job: string; version: number } };

async function versioned(store: FleetStore, id: string, version: number): Promise<JobRow> {
  const row = found(await findJob(store, id));
  await sameVersion(row, version, async () => (await jobViews(store, { id }))[0]);
  return row;
}

/** Moves a job along its life and its defects with it. */
async function moveJob(
  doing: JobDoing,
  act: JobAct,
  more: Partial<JobRow> = {},
  given: (row: JobRow) => Partial<Record<JobNeed, boolean>> = () => ({}),
  defectAct: DefectAct | null = null,
): Promise<Done> {
  const { store, session, body } = doing;
  const row = await versioned(store, body.job, body.version);
  const state = nextState(JOB_LIFE, 'a job', row.state, act, session.person.role, given(row));
  const version = row.version + 1;
  await store
    .update(job)
    .set({ ...more, state, version })
    .where(and(eq(job.id, row.id), eq(job.version, row.version)));
  const moved: Changed[] = [];
  if (defectAct)
    for (const each of await defectsOfJob(store, row.id)) {
      const left = act === 'cancel' ? { jobId: null } : {};
      moved.push(changed('defect', each.id, await moveDefect(doing, each, defectAct, left)));
    }
  return { unitId: row.unitId, changed: [changed('job', row.id, version), ...moved] };
}

/** What a job is made of, as the fleet's templates say now. */
async function workOf(store: FleetStore, asked: CommandBody<'make-job'>['work'], axles: readonly Axle[]) {
  if (!asked?.length) return NO_WORK_KNOWN;
  const templates = await templatesOf(store);
  const works = asked.map(({ template: id, ends }) => {
    const template = templates.find(({ definition }) => definition.id === id)?.definition;
    if (!template) throw notNow('no-template');
    return { template, ends };
  });
  return jobOf(works, axles);
}

export const makeJob: Handler<'make-job'> = async (doing) => {
  const { store, session, body } = doing;
  const unit = found(await findUnit(store, body.unit));
  const work = await workOf(store, body.work, unit.axles);
  await store.insert(job).values({
    fleetId: session.fleet.id,
    id: body.job,
    unitId: body.unit,
    title: body.title,
    state: 'open',
    minutes: body.minutes,
    wheelsOff: body.wheelsOff || work.wheels.length > 0,
    work,
  });
  const planned: Changed[] = [];
  for (const { defect: id, version } of body.defects) {
    const row = found(await findDefect(store, id));
    if (row.unitId !== body.unit) throw notNow('one-trailer');
    await sameVersion(row, version, async () => (await defectViews(store, { id }))[0]);
    planned.push(changed('defect', id, await moveDefect(doing, row, 'plan', { jobId: body.job })));
  }
  return { unitId: body.unit, changed: [changed('job', body.job, 1), ...planned] };
};

export const placeJob: Handler<'place-job'> = async (doing) => {
  const { store, body } = doing;
  const [there] = await store.select().from(bay).where(eq(bay.id, body.bay));
  found(there);
  return moveJob(doing, 'place', { bayId: body.bay, day: body.day }, () => ({ 'a bay': true, 'a day': true }));
};

export const cancelJob: Handler<'cancel-job'> = (doing) =>
  moveJob(doing, 'cancel', {}, () => ({ 'a reason': doing.body.reason !== '' }), 'unplan');

export const startJob: Handler<'start-job'> = (doing) => moveJob(doing, 'start', { startedAt: doing.at });

export const finishJob: Handler<'finish-job'> = async (doing) => {
  const { store, session, at, now, body } = doing;
  const row = found(await findJob(store, body.job));
  const without = body.without ?? [];
  const work = await workDone(
    store,
    row,
    without.map((each) => each.part),
  );
  const given = {
    'what was done': body.done !== '',
    'every step ticked': work.ticked,
    'every part taken': work.missing.length === 0,
    'the torque and its tool': row.work.wheels.length ? work.torqued : !row.wheelsOff || body.torque !== undefined,
  };
  const result = await moveJob(
    doing,
    'finish',
    { done: body.done, without, doneAt: at, doneRecordedAt: now, doneBy: session.person.id },
    () => given,
    'finish',
  );
  await stopClocks(store, row.id, at);
  if (body.torque)
    await store.insert(torqueCheck).values({
      fleetId: session.fleet.id,
      id: uuidv7(),
      jobId: body.job,
      ...body.torque,
      checkedBy: session.person.id,
      checkedAt: at,
    });
  const judged = await fitParts(doing, row, body.fitted ?? []);
  if (work.value) await askRetorque(doing, row, row.work.wheels, work.value);
  return { ...result, changed: [...result.changed, ...judged] };
};

export const reopenJob: Handler<'reopen-job'> = (doing) =>
  moveJob(
    doing,
    'reopen',
    { doneAt: null, doneRecordedAt: null, doneBy: null, startedAt: doing.at },
    () => ({ 'a reason': doing.body.reason !== '' }),
    'reopen',
  );

/** Signs a job: every place its defects touched must have been measured again since, inside its limits. */
export const certifyJob: Handler<'certify-job'> = async (doing) => {
  const { store, session, at, now, body } = doing;
  const row = found(await findJob(store, body.job));
  const unit = found(await findUnit(store, row.unitId));
  const steps = toRemeasure(unit, await defectsOfJob(store, row.id), row.work.measures);
  const standing = await standingJudged(store, unit, await unitBook(store, session, unit));
  const open = stillToRemeasure(steps, standing, finishedOf(row));
  if (row.state === 'done' && open.length)
    throw notNow(
      'not-again',
      open.map(({ because }) => because),
    );
  const paper = await signedBy(store, doing, row.work);
  if (row.state === 'done' && paper.wrong) throw notNow('paper-missing', paper.wrong.name, paper.wrong.state);
  if (row.state === 'done' && !paper.practised) throw notNow('not-practised');
  const given: Record<'the readings taken again' | 'a valid qualification' | 'a statement', boolean> = {
    'the readings taken again': open.length === 0,
    'a valid qualification': paper.wrong === null && paper.practised,
    'a statement': body.statement !== '',
  };
  const result = await moveJob(doing, 'certify', {}, () => given, 'certify');
  await store.insert(certificate).values({
    fleetId: session.fleet.id,
    jobId: row.id,
    statement: body.statement,
    unneeded: body.unneeded ?? [],
    qualification: paper.held,
    signedBy: session.person.id,
    signedAt: at,
    recordedAt: now,
  });
  return result;
};
