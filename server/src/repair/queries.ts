import {
  type BayKind,
  type Finished,
  isBayFor,
  isOpenJob,
  type JobRecord,
  type JobState,
  type JobView,
  type Lapsed,
  NO_WORK_KNOWN,
  OPEN_JOB_STATES,
  type Retorque,
  retorqueLapsed,
} from '@zealous-axle/core';
import { and, asc, count, desc, eq, inArray, isNull, or, sql } from 'drizzle-orm';
import { person } from '../access';
import { certificate } from '../defects';
import { type Key, pageOf } from '../http';
import { bay } from '../people';
import { type FleetStore, prepared } from '../store';
import { readsNow, unit } from '../units';
import { fittedIn } from './fitted';
import { job, jobDocument, jobTick, jobTime, part, partOrder, partUse, retorque, torqueCheck } from './schema';

/** What a job's page has beside the work done on it. */
type Head = Pick<
  JobRecord,
  'job' | 'sealed' | 'code' | 'sealed' | 'bays' | 'today' | 'held' | 'defects' | 'standing' | 'unitChanges'
>;

export type JobRow = typeof job.$inferSelect;

/** When the server learnt that a job is done, and from whom; null while it is not. */
export const finishedOf = ({ doneRecordedAt, doneBy }: JobRow): Finished | null =>
  doneRecordedAt && doneBy ? { at: doneRecordedAt.toISOString(), by: doneBy } : null;

export interface JobQuestion {
  unitId?: string;
  id?: string;
  states?: readonly JobState[];
}

/** What was ordered for jobs and is not here yet, the last to come last. */
async function ordersOf(store: FleetStore, jobs: readonly string[]) {
  if (jobs.length === 0) return [];
  return store
    .select({ order: partOrder, name: part.name, by: person.name })
    .from(partOrder)
    .innerJoin(part, and(eq(part.fleetId, partOrder.fleetId), eq(part.id, partOrder.partId)))
    .innerJoin(person, and(eq(person.fleetId, partOrder.fleetId), eq(person.id, partOrder.orderedBy)))
    .where(and(sql`${partOrder.jobId} = any(${sql.param([...jobs])}::uuid[])`, isNull(partOrder.receivedAt)))
    .orderBy(asc(partOrder.dueOn), asc(partOrder.id));
}

/** Everything that is on its way, the earliest first, with the job it was ordered for. */
export async function comingParts(store: FleetStore) {
  const rows = await store
    .select({ order: partOrder, name: part.name, by: person.name, state: job.state, number: unit.number })
    .from(partOrder)
    .innerJoin(part, and(eq(part.fleetId, partOrder.fleetId), eq(part.id, partOrder.partId)))
    .innerJoin(person, and(eq(person.fleetId, partOrder.fleetId), eq(person.id, partOrder.orderedBy)))
    .innerJoin(job, and(eq(job.fleetId, partOrder.fleetId), eq(job.id, partOrder.jobId)))
    .innerJoin(unit, and(eq(unit.fleetId, job.fleetId), eq(unit.id, job.unitId)))
    .where(isNull(partOrder.receivedAt))
    .orderBy(asc(partOrder.dueOn), asc(partOrder.id));
  return rows.map(({ order, name, by, state, number }) => ({
    order: order.id,
    part: order.partId,
    name,
    count: order.count,
    due: order.dueOn,
    by,
    job: order.jobId,
    number,
    over: !isOpenJob(state),
  }));
}

async function torqueOf(store: FleetStore, jobs: readonly string[]) {
  if (jobs.length === 0) return [];
  return store
    .select({ check: torqueCheck, by: person.name })
    .from(torqueCheck)
    .innerJoin(person, and(eq(person.fleetId, torqueCheck.fleetId), eq(person.id, torqueCheck.checkedBy)))
    .where(sql`${torqueCheck.jobId} = any(${sql.param([...jobs])}::uuid[])`)
    .orderBy(asc(torqueCheck.checkedAt));
}

function select(store: FleetStore) {
  return store
    .select({ job, unit, bay, certificate, signer: person.name })
    .from(job)
    .innerJoin(unit, and(eq(unit.fleetId, job.fleetId), eq(unit.id, job.unitId)))
    .leftJoin(bay, and(eq(bay.fleetId, job.fleetId), eq(bay.id, job.bayId)))
    .leftJoin(certificate, and(eq(certificate.fleetId, job.fleetId), eq(certificate.jobId, job.id)))
    .leftJoin(person, and(eq(person.fleetId, job.fleetId), eq(person.id, certificate.signedBy)));
}

async function viewsOf(store: FleetStore, rows: Awaited<ReturnType<typeof select>>): Promise<JobView[]> {
  const ids = rows.map((row) => row.job.id);
  const [torque, orders] = await Promise.all([torqueOf(store, ids), ordersOf(store, ids)]);
  return rows.map(
    (row): JobView => ({
      id: row.job.id,
      unit: {
        id: row.unit.id,
        number: row.unit.number,
        body: row.unit.body,
        kind: row.unit.kind,
        axles: row.unit.axles,
        features: row.unit.features,
      },
      title: row.job.title,
      state: row.job.state,
      minutes: row.job.minutes,
      wheelsOff: row.job.wheelsOff,
      bay: row.bay ? { id: row.bay.id, name: row.bay.name } : null,
      day: row.job.day,
      waits: orders
        .filter(({ order }) => order.jobId === row.job.id)
        .map(({ order: { id, partId, count: ordered, dueOn }, name, by }) => ({
          id,
          part: partId,
          name,
          count: ordered,
          due: dueOn,
          by,
        })),
      done: row.job.done,
      doneAt: row.job.doneAt?.toISOString() ?? null,
      finished: finishedOf(row.job),
      torque: torque
        .filter(({ check }) => check.jobId === row.job.id)
        .map(({ check, by }) => ({
          value: check.value,
          tool: check.tool,
          by,
          at: check.checkedAt.toISOString(),
          wheel:
            check.axle && check.side && check.holes && check.stage
              ? { axle: check.axle, side: check.side, holes: check.holes, stage: check.stage }
              : null,
          calibrated: check.calibrated,
        })),
      certified:
        row.certificate && row.signer
          ? {
              by: row.signer,
              at: row.certificate.signedAt.toISOString(),
              statement: row.certificate.statement,
              qualification: row.certificate.qualification,
              unneeded: row.certificate.unneeded,
            }
          : null,
      version: row.job.version,
    }),
  );
}

/** Jobs whose unit, title or work has `text` in it, the newest first: so many and one more, to tell that there are others. */
export async function jobsWith(store: FleetStore, text: string, size: number): Promise<JobView[]> {
  const rows = await select(store)
    .where(
      or(
        sql`${unit.number} || ' ' || ${job.title} || ' ' || coalesce(${job.done}, '') ilike ${text}`,
        sql`exists (select from fitted_part f where f.fleet_id = ${job.fleetId} and f.job_id = ${job.id}
          and f.number || ' ' || f.part ilike ${text})`,
        sql`exists (select from part_use u join part p on p.fleet_id = u.fleet_id and p.id = u.part_id
          where u.fleet_id = ${job.fleetId} and u.job_id = ${job.id} and p.id || ' ' || p.name ilike ${text})`,
        sql`exists (select from person w where w.fleet_id = ${job.fleetId} and w.name ilike ${text} and w.id in (
          select t.person_id from job_time t where t.fleet_id = ${job.fleetId} and t.job_id = ${job.id}
          union all select c.signed_by from certificate c where c.fleet_id = ${job.fleetId} and c.job_id = ${job.id}
          union all select f.fitted_by from fitted_part f where f.fleet_id = ${job.fleetId} and f.job_id = ${job.id}))`,
      ),
    )
    .orderBy(desc(job.id))
    .limit(size + 1);
  return viewsOf(store, rows);
}

/** Jobs with unit, bay, torque checks and certificate, the next day first: all that were asked for. */
export async function jobViews(store: FleetStore, asked: JobQuestion): Promise<JobView[]> {
  const statement = prepared(store, `jobs by ${Object.keys(asked).sort()}`, () =>
    select(store)
      .where(
        and(
          asked.unitId ? eq(job.unitId, sql.placeholder('unitId')) : undefined,
          asked.id ? eq(job.id, sql.placeholder('id')) : undefined,
          asked.states ? sql`${job.state} = any(${sql.placeholder('states')}::text[])` : undefined,
        ),
      )
      .orderBy(desc(job.day), asc(job.id)),
  );
  return viewsOf(store, await statement.execute({ ...asked }));
}

/** Before every day: a job that is on none. */
const NO_DAY = '0001-01-01';

/** A page of the open jobs: what is on no day yet, then day after day. */
export async function openJobs(store: FleetStore, key: Key | null, size: number) {
  const day = sql<string>`coalesce(${job.day}, ${NO_DAY}::date)`;
  const rows = await select(store)
    .where(
      and(
        inArray(job.state, [...OPEN_JOB_STATES]),
        key ? sql`(${day}, ${job.id}) > (${key[0]}::date, ${key[1]}::uuid)` : undefined,
      ),
    )
    .orderBy(asc(day), asc(job.id))
    .limit(size + 1);
  return pageOf(await viewsOf(store, rows), size, (row) => [row.day ?? NO_DAY, row.id]);
}

export async function countOpenJobs(store: FleetStore): Promise<number> {
  const [row] = await store
    .select({ n: count() })
    .from(job)
    .where(inArray(job.state, [...OPEN_JOB_STATES]));
  return row?.n ?? 0;
}

export async function findJob(store: FleetStore, id: string): Promise<JobRow | null> {
  const [found] = await store.select().from(job).where(eq(job.id, id));
  return found ?? null;
}

export const bayList = (store: FleetStore) =>
  store.select({ id: bay.id, name: bay.name }).from(bay).orderBy(asc(bay.rank));

/** The bays as a job is offered them: those its work can be done in first. */
export async function baysFor(store: FleetStore, wanted: BayKind | null) {
  const rows = await store.select().from(bay).orderBy(asc(bay.rank));
  const those = (fit: boolean) => rows.filter(({ work }) => isBayFor(work.kinds, wanted) === fit);
  return [...those(true), ...those(false)].map(({ id, name }) => ({ id, name }));
}

/** What was done on a job: steps, times, parts, and when its wheels are torqued again. */
export async function workOn(store: FleetStore, jobId: string): Promise<Omit<JobRecord, keyof Head>> {
  const [row, ticks, times, uses, stock, [again], documents, fitted] = await Promise.all([
    findJob(store, jobId),
    store
      .select({ tick: jobTick, by: person.name })
      .from(jobTick)
      .innerJoin(person, and(eq(person.fleetId, jobTick.fleetId), eq(person.id, jobTick.tickedBy)))
      .where(eq(jobTick.jobId, jobId)),
    store
      .select({ time: jobTime, name: person.name })
      .from(jobTime)
      .innerJoin(person, and(eq(person.fleetId, jobTime.fleetId), eq(person.id, jobTime.personId)))
      .where(eq(jobTime.jobId, jobId))
      .orderBy(asc(jobTime.startedAt)),
    store.select().from(partUse).where(eq(partUse.jobId, jobId)),
    store.select().from(part),
    store.select().from(retorque).where(eq(retorque.jobId, jobId)),
    store.select().from(jobDocument).where(eq(jobDocument.jobId, jobId)).orderBy(asc(jobDocument.recordedAt)),
    fittedIn(store, jobId),
  ]);
  const work = row?.work ?? NO_WORK_KNOWN;
  return {
    work,
    ticks: ticks.map(({ tick, by }) => ({ step: tick.step, done: tick.done, by, at: tick.tickedAt.toISOString() })),
    times: times.map(({ time, name }) => ({
      id: time.id,
      person: { id: time.personId, name },
      from: time.startedAt.toISOString(),
      to: time.endedAt?.toISOString() ?? null,
      because: time.because,
    })),
    parts: work.parts.map(({ part: wanted, count: needed }) => {
      const room = stock.find(({ id }) => id === wanted);
      return {
        part: wanted,
        name: room?.name ?? wanted.replaceAll('-', ' '),
        needed,
        taken: uses.filter(({ partId }) => partId === wanted).reduce((sum, each) => sum + each.count, 0),
        stock: room?.stock ?? 0,
        leadDays: room?.leadDays ?? null,
        elsewhere: uses.flatMap((use) => (use.partId === wanted ? (use.elsewhere ?? []) : [])),
        without: row?.without.find((each) => each.part === wanted)?.reason ?? null,
      };
    }),
    fitted,
    documents: documents.map(({ title, body, recordedAt }) => ({ title, text: body, at: recordedAt.toISOString() })),
    retorque: again ? { on: again.dueOn, done: again.doneAt?.toISOString() ?? null } : null,
  };
}

/** Wheels of a unit that are to be torqued again, the first due before. */
export async function openRetorques(store: FleetStore, unitId: string): Promise<Retorque[]> {
  const asked = prepared(store, 'open retorques', () =>
    store
      .select({
        id: retorque.id,
        wheels: retorque.wheels,
        value: retorque.value,
        due: retorque.dueOn,
        dueMeter: retorque.dueMeter,
      })
      .from(retorque)
      .where(and(eq(retorque.unitId, sql.placeholder('unit')), isNull(retorque.doneAt)))
      .orderBy(asc(retorque.dueOn)),
  );
  return asked.execute({ unit: unitId });
}

/** A page of a unit's jobs that are closed, the newest first. */
export async function closedJobs(store: FleetStore, unitId: string, key: Key | null, size: number) {
  const rows = await select(store)
    .where(
      and(
        eq(job.unitId, unitId),
        inArray(job.state, ['certified', 'cancelled']),
        key ? sql`${job.id} < ${key[0]}::uuid` : undefined,
      ),
    )
    .orderBy(desc(job.id))
    .limit(size + 1);
  return pageOf(await viewsOf(store, rows), size, ({ id }) => [id]);
}

/** Re-torques whose day or distance has passed and that are no report yet, the longest waiting first. */
export async function lapsedRetorques(store: FleetStore, today: string): Promise<Lapsed['lapsed']> {
  const rows = await store
    .select({ retorque, unit, reads: readsNow(retorque.fleetId, retorque.unitId) })
    .from(retorque)
    .innerJoin(unit, and(eq(unit.fleetId, retorque.fleetId), eq(unit.id, retorque.unitId)))
    .where(and(isNull(retorque.doneAt), eq(retorque.lapsed, false)))
    .orderBy(asc(retorque.dueOn), asc(retorque.id));
  const asked = rows.map(({ retorque: row, reads, unit: { id: unitId, number, body, kind } }) => ({
    reads,
    view: {
      id: row.id,
      wheels: row.wheels,
      value: row.value,
      due: row.dueOn,
      dueMeter: row.dueMeter,
      unit: { id: unitId, number, body, kind },
    },
  }));
  return asked.flatMap(({ view, reads }) => (retorqueLapsed(view, today, reads) ? [view] : []));
}
