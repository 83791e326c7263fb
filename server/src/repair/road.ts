import {
  defectWords,
  type OutsideSource,
  type Road,
  type RoadCall,
  type RoadReport,
  type RoadState,
  roadPhotoKey,
} from '@zealous-axle/core';
import { and, desc, eq, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { fleet, person } from '../access';
import { defectPlace, findDefect, moveDefect } from '../defects';
import { connectionTo, MADE_UP_ANSWERS, outsideMessage, tellOutside } from '../outside';
import { notNow } from '../problem';
import { changed, found, type Handler } from '../run';
import { addTask, type Database, type FleetStore, inFleet, type Tasks } from '../store';
import { findUnit } from '../units';
import { job, jobDocument, roadAnswer, roadCall } from './schema';

const SHOWN = 20;
const MINUTE_S = 60;

type CallRow = typeof roadCall.$inferSelect;
type AnswerRow = typeof roadAnswer.$inferSelect;

/** What was told of a call last; null while nobody told anything. */
async function lastAnswer(store: FleetStore, call: string) {
  const [row] = await store
    .select({ answer: roadAnswer, by: person.name })
    .from(roadAnswer)
    .leftJoin(person, and(eq(person.fleetId, roadAnswer.fleetId), eq(person.id, roadAnswer.toldBy)))
    .where(eq(roadAnswer.callId, call))
    .orderBy(desc(roadAnswer.seq))
    .limit(1);
  return row ?? null;
}

/** The newest report of a call, whatever was told after it. */
async function reportOf(store: FleetStore, call: string): Promise<RoadReport | null> {
  const [row] = await store
    .select({ report: roadAnswer.report })
    .from(roadAnswer)
    .where(and(eq(roadAnswer.callId, call), sql`${roadAnswer.report} is not null`))
    .orderBy(desc(roadAnswer.seq))
    .limit(1);
  return row?.report ?? null;
}

async function photosOf(store: FleetStore, { unitId, id }: CallRow): Promise<string[]> {
  const { rows } = await store.execute<{ id: string }>(
    sql`select id from photo where unit_id = ${unitId} and key = ${roadPhotoKey(id)} order by taken_at, id`,
  );
  return rows.map((row) => row.id);
}

async function callView(store: FleetStore, row: CallRow, by: string): Promise<RoadCall> {
  const [last, report, photos, message] = [
    await lastAnswer(store, row.id),
    await reportOf(store, row.id),
    await photosOf(store, row),
    row.messageId ? await messageOf(store, row.messageId) : null,
  ];
  return {
    id: row.id,
    defect: row.defectId,
    place: row.place,
    asked: { by, at: row.askedAt.toISOString() },
    way: row.way,
    state: last?.answer.state ?? 'asked',
    eta: last?.answer.eta?.toISOString() ?? null,
    words: last?.answer.words ?? '',
    told: last ? { by: last.by, at: last.answer.toldAt.toISOString(), source: last.answer.source } : null,
    report,
    problem: message?.deliveredAt ? null : (message?.problem ?? null),
    givenUp: message?.givenUpAt != null,
    photos,
    job: row.jobId,
  };
}

async function messageOf(store: FleetStore, id: string) {
  const [row] = await store.select().from(outsideMessage).where(eq(outsideMessage.id, id));
  return row ?? null;
}

/** What the road costs, how help is asked for, and the calls of a unit, the newest first. */
export async function roadOf(store: FleetStore, unitId: string): Promise<Road> {
  const [[own], to, calls] = await Promise.all([
    store.select({ costs: fleet.roadCosts }).from(fleet),
    connectionTo(store, 'road-service'),
    store
      .select({ call: roadCall, by: person.name })
      .from(roadCall)
      .innerJoin(person, and(eq(person.fleetId, roadCall.fleetId), eq(person.id, roadCall.askedBy)))
      .where(eq(roadCall.unitId, unitId))
      .orderBy(desc(roadCall.askedAt))
      .limit(SHOWN),
  ]);
  return {
    costs: own?.costs ?? null,
    way: to?.way ?? 'none',
    phone: to?.phone ?? '',
    calls: await Promise.all(calls.map(({ call, by }) => callView(store, call, by))),
  };
}

/** Has the stand-in play its next answer, in its time. */
const wishMadeUp = (store: FleetStore, fleetId: string, call: string, step: number) =>
  addTask(store, 'make-up-road', { fleet: fleetId, call, step }, `${call} ${step}`, {
    seconds: (MADE_UP_ANSWERS[step]?.after ?? 0) * MINUTE_S,
  });

/** Asks for help: of a provider that is connected, of the stand-in where the fleet chose it, else of whoever answers the phone. */
export const askRoad: Handler<'ask-road'> = async ({ store, session, at, body }) => {
  const unit = found(await findUnit(store, body.unit));
  const defect = found(await findDefect(store, body.defect));
  if (defect.unitId !== body.unit) throw notNow('one-trailer');
  const fleetId = session.fleet.id;
  const to = await connectionTo(store, 'road-service');
  const way = to?.way ?? 'none';
  const asked = { call: body.call, unit: unit.number, body: unit.body, kind: unit.kind, place: body.place };
  const what = { code: defect.code, at: defectPlace(defect), words: defectWords(defect.code), said: defect.words };
  const told = { ...asked, what, asked: { by: session.person.name, at: at.toISOString() } };
  const messageId =
    way === 'protocol' ? await tellOutside(store, fleetId, 'road-service', { asks: told }, unit.id) : null;
  await store.insert(roadCall).values({
    fleetId,
    id: body.call,
    unitId: body.unit,
    defectId: defect.id,
    place: body.place,
    askedBy: session.person.id,
    askedAt: at,
    way,
    messageId,
  });
  if (way === 'made-up') await wishMadeUp(store, fleetId, body.call, 0);
  return { unitId: body.unit, changed: [changed('unit', body.unit)] };
};

type Told = Pick<AnswerRow, 'state'> & Partial<Pick<AnswerRow, 'eta' | 'words' | 'report' | 'id'>>;

async function isKept(store: FleetStore, id: string): Promise<boolean> {
  const rows = await store.select({ id: roadAnswer.id }).from(roadAnswer).where(eq(roadAnswer.id, id));
  return rows.length > 0;
}

/** Keeps what was told of a call. Told twice under one id, it is kept once. */
async function keepAnswer(
  store: FleetStore,
  call: CallRow,
  told: Told,
  by: { source: OutsideSource; person: string | null; at: Date },
): Promise<void> {
  if (told.id && (await isKept(store, told.id))) return;
  const state: RoadState = (await lastAnswer(store, call.id))?.answer.state ?? 'asked';
  if (OVER.includes(state) && told.state !== 'done') throw notNow('call-over', state);
  await store
    .insert(roadAnswer)
    .values({
      fleetId: call.fleetId,
      id: told.id ?? uuidv7(),
      callId: call.id,
      state: told.state,
      source: by.source,
      eta: told.eta ?? null,
      words: told.words ?? '',
      report: told.report ?? null,
      toldBy: by.person,
      toldAt: by.at,
    })
    .onConflictDoNothing();
}

/** Nothing more is waited for. */
const OVER: readonly RoadState[] = ['done', 'refused', 'cancelled'];

async function findCall(store: FleetStore, call: string, unitId?: string): Promise<CallRow | null> {
  const [row] = await store
    .select()
    .from(roadCall)
    .where(and(eq(roadCall.id, call), unitId ? eq(roadCall.unitId, unitId) : undefined));
  return row ?? null;
}

/** What somebody knows of a call: typed by hand, where no provider tells it or it told otherwise. */
export const noteRoad: Handler<'note-road'> = async ({ store, session, at, body }) => {
  const call = found(await findCall(store, body.call, body.unit));
  const { eta, ...told } = body.told;
  await keepAnswer(
    store,
    call,
    { ...told, id: body.answer, eta: eta ? new Date(eta) : null },
    { source: 'hand', person: session.person.id, at },
  );
  const over = body.told.state === 'cancelled' && call.way === 'protocol';
  if (over) await tellOutside(store, call.fleetId, 'road-service', { cancels: call.id }, call.unitId);
  return { unitId: body.unit, changed: [changed('unit', body.unit)] };
};

/** What a connected provider tells of a call. Gives the unit it is about. */
export async function roadAnswered(
  store: FleetStore,
  told: {
    call: string;
    id: string;
    state: AnswerRow['state'];
    eta: Date | null;
    words: string;
    report: RoadReport | null;
  },
  now: Date,
): Promise<string> {
  const call = found(await findCall(store, told.call));
  await keepAnswer(store, call, told, { source: 'protocol', person: null, at: now });
  return call.unitId;
}

/** The task: the stand-in says what comes next, and has itself called again. Gives the unit, or null where nobody waits. */
export async function makeUpRoad(
  { db, now }: { db: Database; now: () => Date },
  { fleet: fleetId, call: id, step }: Tasks['make-up-road'],
  kept: (store: FleetStore, unitId: string) => Promise<unknown>,
): Promise<void> {
  await inFleet(db, fleetId, async (store) => {
    const call = await findCall(store, id);
    const says = MADE_UP_ANSWERS[step];
    if (!call || !says || call.way !== 'made-up') return;
    const state: RoadState = (await lastAnswer(store, id))?.answer.state ?? 'asked';
    if (OVER.includes(state)) return;
    const eta = says.arrivesIn === null ? null : new Date(now().getTime() + says.arrivesIn * MINUTE_S * 1_000);
    await keepAnswer(store, call, { ...says, eta }, { source: 'made-up', person: null, at: now() });
    if (MADE_UP_ANSWERS[step + 1]) await wishMadeUp(store, fleetId, id, step + 1);
    await kept(store, call.unitId);
  });
}

/** Calls for help of the whole fleet that are not over, those nobody answered first, the longest waiting before. */
export async function openCalls(store: FleetStore) {
  const { rows } = await store.execute<{
    id: string;
    unit_id: string;
    number: string;
    body: string;
    kind: string;
    place: string;
    by: string;
    at: string;
    state: RoadState;
    way: RoadCall['way'];
  }>(sql`
    select c.id, c.unit_id, u.number, u.body, u.kind, c.place, p.name as by, c.asked_at as at, c.way,
      coalesce(a.state, 'asked') as state
    from road_call c
    join unit u on u.fleet_id = c.fleet_id and u.id = c.unit_id
    join person p on p.fleet_id = c.fleet_id and p.id = c.asked_by
    left join lateral (select state from road_answer r where r.fleet_id = c.fleet_id and r.call_id = c.id
      order by seq desc limit 1) a on true
    where c.job_id is null and coalesce(a.state, 'asked') not in ('refused', 'cancelled')
    order by coalesce(a.state, 'asked') <> 'asked', c.asked_at`);
  return rows.map(({ unit_id: unitId, number, body, kind, by, at, ...row }) => ({
    ...row,
    unit: { id: unitId, number, body, kind: kind as 'truck' },
    asked: { by, at: new Date(at).toISOString() },
  }));
}

/** The report becomes a job that is done, not certified: what must be measured again still is, by our own people. */
export const takeRoadReport: Handler<'take-road-report'> = async (doing) => {
  const { store, session, at, now, body } = doing;
  const call = found(await findCall(store, body.call, body.unit));
  if (call.jobId) throw notNow('report-taken');
  const report = await reportOf(store, call.id);
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
  const madeUp = (await lastAnswer(store, call.id))?.answer.source === 'made-up' ? ' (made up)' : '';
  await store.insert(jobDocument).values({
    fleetId,
    id: uuidv7(),
    jobId: body.job,
    title: `Invoice of the road service${madeUp}`,
    body: `${report.minutes} min at ${call.place}: ${(report.invoice / 100).toFixed(2)}`,
  });
  await store.update(roadCall).set({ jobId: body.job }).where(eq(roadCall.id, call.id));
  return { unitId: body.unit, changed: [changed('job', body.job, 1), changed('defect', defect.id, version)] };
};

export const setRoadCosts: Handler<'set-road-costs'> = async ({ store, session, body }) => {
  await store.update(fleet).set({ roadCosts: body.costs }).where(eq(fleet.fleetId, session.fleet.id));
  return { unitId: null, changed: [changed('fleet', session.fleet.id)] };
};
