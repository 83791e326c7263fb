import {
  dayIn,
  type End,
  JOB_LIFE,
  type JobAct,
  type JobNeed,
  type JobWork,
  type PartNeed,
  partsMissing,
  policyChoice,
  positionCode,
  qualified,
  retorqueDue,
  retorqueLapsed,
} from '@zealous-axle/core';
import { and, eq, isNull, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { person } from '../access';
import { reportAsFound } from '../defects';
import { hasPractised } from '../practice';
import { notNow, sentence } from '../problem';
import { changed, type Doing, found, type Handler, nextState } from '../run';
import type { FleetStore } from '../store';
import { lastMeter } from '../units';
import { findJob, type JobRow } from './queries';
import { jobTick, jobTime, partUse, retorque, torqueCheck } from './schema';

type Working = Pick<Doing<'tick-step'>, 'store' | 'session' | 'at'>;

/** The job, where it may be worked on now. Its version stays: two people at it do not stand in each other's way. */
export async function atWork({ store, session }: Working, id: string): Promise<JobRow> {
  const row = found(await findJob(store, id));
  nextState<typeof row.state, JobAct, JobNeed>(JOB_LIFE, 'a job', row.state, 'work on', session.person.role);
  return row;
}

export const workedOn = (row: JobRow) => ({ unitId: row.unitId, changed: [changed('job', row.id, row.version)] });

export const tickStep: Handler<'tick-step'> = async (doing) => {
  const { store, session, at, now, body } = doing;
  const row = await atWork(doing, body.job);
  if (!row.work.steps.some(({ key }) => key === body.step)) throw notNow('no-step');
  const ticked = { done: body.done, tickedBy: session.person.id, tickedAt: at, recordedAt: now };
  await store
    .insert(jobTick)
    .values({ fleetId: session.fleet.id, jobId: row.id, step: body.step, ...ticked })
    .onConflictDoUpdate({ target: [jobTick.fleetId, jobTick.jobId, jobTick.step], set: ticked });
  return workedOn(row);
};

/** Ends the clock that runs for a person, whichever job it is on. */
const stopClock = (store: FleetStore, personId: string, at: Date, because: 'another job' | 'done') =>
  store
    .update(jobTime)
    .set({ endedAt: sql`greatest(${jobTime.startedAt}, ${at.toISOString()}::timestamptz)`, because })
    .where(and(eq(jobTime.personId, personId), isNull(jobTime.endedAt)));

export const clockOn: Handler<'clock-on'> = async (doing) => {
  const { store, session, at, body } = doing;
  const row = await atWork(doing, body.job);
  await stopClock(store, session.person.id, at, 'another job');
  await store.insert(jobTime).values({
    fleetId: session.fleet.id,
    id: body.time,
    jobId: row.id,
    personId: session.person.id,
    startedAt: at,
  });
  return workedOn(row);
};

export const clockOff: Handler<'clock-off'> = async (doing) => {
  const { store, session, at, body } = doing;
  const row = found(await findJob(store, body.job));
  const [time] = await store
    .select()
    .from(jobTime)
    .where(and(eq(jobTime.id, body.time), eq(jobTime.jobId, row.id)));
  const own = found(time);
  if (own.personId !== session.person.id) throw notNow('not-your-clock');
  const said = body.minutes ? new Date(own.startedAt.getTime() + body.minutes * 60_000) : at;
  await store
    .update(jobTime)
    .set({ endedAt: said < own.startedAt ? own.startedAt : said, because: body.because })
    .where(and(eq(jobTime.id, own.id), isNull(jobTime.endedAt)));
  return workedOn(row);
};

/** Every clock that runs on a job stops with it. */
export const stopClocks = (store: FleetStore, jobId: string, at: Date) =>
  store
    .update(jobTime)
    .set({ endedAt: sql`greatest(${jobTime.startedAt}, ${at.toISOString()}::timestamptz)`, because: 'done' })
    .where(and(eq(jobTime.jobId, jobId), isNull(jobTime.endedAt)));

export const torqueWheel: Handler<'torque-wheel'> = async (doing) => {
  const { store, session, at, body } = doing;
  const row = await atWork(doing, body.job);
  const { axle, side, holes, stage, value, tool, calibrated } = body;
  if (!row.work.wheels.some((wheel) => wheel.axle === axle && wheel.side === side)) throw notNow('no-wheel');
  if (calibrated !== null && calibrated < dayIn(session.fleet.zone, at)) throw notNow('calibration-over', calibrated);
  const before = await store.select().from(torqueCheck).where(eq(torqueCheck.jobId, row.id));
  const snug = before.some((each) => each.axle === axle && each.side === side && each.stage === 'snug');
  if (stage === 'full' && !snug) throw notNow('snug-first');
  await store.insert(torqueCheck).values({
    fleetId: session.fleet.id,
    id: body.check,
    jobId: row.id,
    axle,
    side,
    holes,
    stage,
    value,
    tool,
    calibrated,
    checkedBy: session.person.id,
    checkedAt: at,
  });
  return workedOn(row);
};

const sameEnd = (one: End, other: { axle: number | null; side: string | null }): boolean =>
  one.axle === other.axle && one.side === other.side;

/** What the end of a job still needs, read from what was done on it. */
export async function workDone(store: FleetStore, { id, work }: JobRow, without: readonly string[]) {
  const [ticks, uses, checks] = await Promise.all([
    store.select().from(jobTick).where(eq(jobTick.jobId, id)),
    store.select({ part: partUse.partId, count: partUse.count }).from(partUse).where(eq(partUse.jobId, id)),
    store.select().from(torqueCheck).where(eq(torqueCheck.jobId, id)),
  ]);
  const full = checks.filter(({ stage }) => stage === 'full');
  return {
    ticked: work.steps.every(({ key }) => ticks.some((tick) => tick.step === key && tick.done)),
    missing: partsMissing(work.parts, uses satisfies PartNeed[], without),
    torqued: work.wheels.every((wheel) => full.some((check) => sameEnd(wheel, check))),
    value: full.at(-1)?.value ?? null,
  };
}

/** What a unit's meter last read. */
const readsOf = async (store: FleetStore, unitId: string): Promise<string | null> =>
  (await lastMeter(store, unitId))?.value ?? null;

/** Wheels that were off are torqued again within days, or so far on. */
export async function askRetorque(
  { store, session, at }: Working,
  { id, unitId }: JobRow,
  wheels: readonly End[],
  value: string,
) {
  if (wheels.length === 0) return;
  // Worked on again, the job has one already.
  const [asked] = await store.select({ id: retorque.id }).from(retorque).where(eq(retorque.jobId, id));
  if (asked) return;
  const { due, dueMeter } = retorqueDue(dayIn(session.fleet.zone, at), await readsOf(store, unitId));
  await store.insert(retorque).values({
    fleetId: session.fleet.id,
    id: uuidv7(),
    unitId,
    jobId: id,
    wheels: [...wheels],
    value,
    dueOn: due,
    dueMeter,
  });
}

const wheelCodes = (wheels: readonly End[]): string =>
  wheels.map((wheel) => positionCode({ ...wheel, tyre: null })).join(', ');

export const doRetorque: Handler<'do-retorque'> = async (doing) => {
  const { store, session, at, body } = doing;
  const [row] = await store
    .select()
    .from(retorque)
    .where(and(eq(retorque.id, body.retorque), eq(retorque.unitId, body.unit)));
  const asked = found(row);
  if (asked.doneAt) throw notNow('retorqued');
  await store
    .update(retorque)
    .set({ doneBy: session.person.id, doneAt: at, tool: `${body.tool}, ${body.value}`, moved: body.moved })
    .where(eq(retorque.id, asked.id));
  const [first] = asked.wheels;
  const words = `A nut moved at the re-torque of ${wheelCodes(asked.wheels)}`;
  const made =
    body.moved && first ? [await reportAsFound(doing, body.unit, { code: 'wheel-nut-loose', ...first }, words)] : [];
  return { unitId: body.unit, changed: [changed('unit', body.unit), ...made] };
};

/** Whether the signer holds what the work asks for, on the day it is signed: the paper, or what is wrong with it. */
export async function signedBy(
  store: FleetStore,
  { session, at, now }: Pick<Doing<'tick-step'>, 'session' | 'at' | 'now'>,
  work: JobWork,
) {
  const [own] = await store.select({ work: person.work }).from(person).where(eq(person.id, session.person.id));
  const today = dayIn(session.fleet.zone, at);
  const states = work.qualifications.map((name) => ({ name, state: qualified(found(own).work, name, today) }));
  const asked = policyChoice(session.fleet.policies, 'practice') === 'passed';
  return {
    wrong: states.find(({ state }) => state !== 'valid') ?? null,
    held: states.map(({ name }) => name).join(', ') || null,
    /** What the fleet's policy asks beside the paper. */
    practised: !asked || states.length === 0 || (await hasPractised(store, session.person.id, now)),
  };
}

/** Why a person cannot sign such work, in a sentence, before anything of it is written; null where nothing is missing. */
export async function whyNotSigned(...asked: Parameters<typeof signedBy>): Promise<string | null> {
  const { wrong, practised } = await signedBy(...asked);
  if (wrong) return sentence('paper-missing', wrong.name, wrong.state);
  return practised ? null : sentence('not-practised');
}

/** A re-torque past its day becomes a report of whoever answers the queue: it does not lapse silently. */
export const lapseRetorque: Handler<'lapse-retorque'> = async (doing) => {
  const { store, session, now, body } = doing;
  const [row] = await store
    .select()
    .from(retorque)
    .where(and(eq(retorque.id, body.retorque), eq(retorque.unitId, body.unit)));
  const late = found(row);
  if (late.doneAt || late.lapsed) throw notNow('retorqued');
  const due = { due: late.dueOn, dueMeter: late.dueMeter };
  if (!retorqueLapsed(due, dayIn(session.fleet.zone, now), await readsOf(store, body.unit)))
    throw notNow('not-lapsed', late.dueOn);
  await store.update(retorque).set({ lapsed: true }).where(eq(retorque.id, late.id));
  const [first] = late.wheels;
  const words = `Due on ${late.dueOn}${late.dueMeter ? ` or at ${late.dueMeter}` : ''}: ${wheelCodes(late.wheels)}`;
  const made = first ? [await reportAsFound(doing, body.unit, { code: 'retorque-due', ...first }, words)] : [];
  return { unitId: body.unit, changed: [changed('unit', body.unit), ...made] };
};
