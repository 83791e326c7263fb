import { JOB_LIFE, type KeptSlot, PLAN_RUN_LIFE, shopRequest } from '@zealous-axle/core';
import { and, eq, inArray, notInArray, sql } from 'drizzle-orm';
import { fleet } from '../access';
import { KnownProblem, notNow } from '../problem';
import { job } from '../repair';
import {
  type Changed,
  changed,
  type Doing,
  type Done,
  found,
  type Handler,
  nextState,
  sameVersion,
  tellLive,
} from '../run';
import { addTask, type FleetStore } from '../store';
import { boardOf } from './board';
import { type Facts, shopFacts } from './facts';
import { planVersion, putProposalsAside } from './runs';
import { planRun, planSlot, shopPlan } from './schema';
import { searchesOf } from './search-task';
import { breachesOf, plannedAt, signatureOf, standingOf } from './standing';
import { watchPlan } from './watch';

const done = (fleet: string, more: Partial<Done> = {}): Done => ({
  unitId: null,
  changed: [changed('fleet', fleet)],
  ...more,
});

/** Asks for a plan: what is searched is the shop as it stands now. */
export const askPlan: Handler<'ask-plan'> = async ({ store, session, now, body }) => {
  const standing = standingOf(await shopFacts(store, now, body.seconds));
  const { request, before } = standing;
  await putProposalsAside(store);
  await tellLive(store, session.fleet.id, 'plan');
  await store.insert(planRun).values({
    fleetId: session.fleet.id,
    id: body.run,
    how: body.how,
    state: 'waiting',
    askedBy: session.person.id,
    askedAt: now,
    fromVersion: await planVersion(store),
    seconds: body.seconds,
    signature: signatureOf(standing),
    request,
    before,
  });
  await addTask(store, 'search-plan', { fleet: session.fleet.id, run: body.run }, body.run, {
    queue: searchesOf(session.fleet.id, true),
  });
  return done(session.fleet.id);
};

async function moveRun(
  { store, session }: Pick<Doing<'cancel-plan'>, 'store' | 'session'>,
  run: string,
  act: 'cancel' | 'take' | 'put aside',
): Promise<void> {
  const [row] = await store.select().from(planRun).where(eq(planRun.id, run)).for('update');
  const state = nextState(PLAN_RUN_LIFE, 'a plan', found(row).state, act, session.person.role);
  await store.update(planRun).set({ state }).where(eq(planRun.id, run));
}

export const cancelPlan: Handler<'cancel-plan'> = async (doing) => {
  await moveRun(doing, doing.body.run, 'cancel');
  await tellLive(doing.store, doing.session.fleet.id, 'plan');
  return done(doing.session.fleet.id);
};

export const putPlanAside: Handler<'put-plan-aside'> = async (doing) => {
  await moveRun(doing, doing.body.run, 'put aside');
  return done(doing.session.fleet.id);
};

/** Refuses a plan that names what is over, or breaks a rule as things are now. */
async function mustStand(store: FleetStore, facts: Facts, slots: readonly KeptSlot[], now: Date): Promise<void> {
  const numbers = new Map(facts.jobs.map(({ id, number, title }) => [id, `${number}, ${title}`]));
  const over = slots.find(({ job: id }) => !numbers.has(id));
  if (over) {
    const [row] = await store.select({ id: job.id }).from(job).where(eq(job.id, over.job));
    found(row);
    throw notNow('plan-job-over');
  }
  const { request } = shopRequest({ ...facts, slots, now: plannedAt(slots, now) });
  const [breach] = breachesOf(request, slots);
  if (breach) throw notNow('plan-broken', numbers.get(breach.job) ?? breach.job, breach.message);
}

/** Brings each job to the bay and day of its slot; one that lost its place is on no day any more. */
async function placeJobs(
  { store, session }: Pick<Doing<'publish-plan'>, 'store' | 'session'>,
  facts: Facts,
  slots: readonly KeptSlot[],
): Promise<Changed[]> {
  const dayOf = (instant: string) =>
    new Intl.DateTimeFormat('en-CA', { timeZone: facts.zone, dateStyle: 'short' }).format(new Date(instant));
  const at = new Map(slots.map((slot) => [slot.job, slot]));
  const before = new Set(facts.slots.map((slot) => slot.job));
  const rows = await store
    .select()
    .from(job)
    .where(inArray(job.state, ['open', 'placed']));
  const out: Changed[] = [];
  for (const row of rows) {
    const slot = at.get(row.id);
    if (!slot && !(before.has(row.id) && row.state === 'placed')) continue;
    const place = slot ? { bayId: slot.bay, day: dayOf(slot.start) } : { bayId: null, day: null };
    if (row.bayId === place.bayId && row.day === place.day && row.state === (slot ? 'placed' : 'open')) continue;
    const given = { 'a bay': true, 'a day': true };
    const state = nextState(JOB_LIFE, 'a job', row.state, slot ? 'place' : 'take off', session.person.role, given);
    await store
      .update(job)
      .set({ ...place, state, version: row.version + 1 })
      .where(eq(job.id, row.id));
    out.push(changed('job', row.id, row.version + 1));
  }
  return out;
}

/** What the plan is wanted by. What was found by other weights says nothing any more. */
export const setPlanWeights: Handler<'set-plan-weights'> = async ({ store, session, now, body }) => {
  const [row] = await store.select().from(fleet).where(eq(fleet.fleetId, session.fleet.id));
  const settings = found(row);
  await sameVersion(settings, body.version, () => boardOf(store, now));
  const version = settings.version + 1;
  await store.update(fleet).set({ planWeights: body.weights, version }).where(eq(fleet.fleetId, settings.fleetId));
  await store
    .update(planRun)
    .set({ state: 'put aside' })
    .where(inArray(planRun.state, ['found', 'cancelled', 'failed']));
  return done(session.fleet.id, { changed: [changed('fleet', settings.fleetId, version)] });
};

/** Makes a plan the one people work by, whole, in one transaction: every rule is held against the shop as it is now. */
export const publishPlan: Handler<'publish-plan'> = async (doing) => {
  const { store, session, now, body } = doing;
  const fleetId = session.fleet.id;
  const version = await planVersion(store);
  if (version !== body.version) throw new KnownProblem('changed', { current: await boardOf(store, now) });
  const facts = await shopFacts(store, now);
  const begun = new Set(facts.jobs.filter((each) => each.begun).map(({ id }) => id));
  const slots = body.slots.filter(({ job: id }) => !begun.has(id));
  await mustStand(store, facts, slots, now);
  const kept = [...begun];
  await store.delete(planSlot).where(kept.length ? notInArray(planSlot.jobId, kept) : undefined);
  if (slots.length)
    await store.insert(planSlot).values(
      slots.map(({ job: jobId, bay, technicians, start, end, setupMinutes, pinned }) => ({
        fleetId,
        jobId,
        bayId: bay,
        technicians,
        startsAt: new Date(start),
        endsAt: new Date(end),
        setupMinutes,
        pinned,
      })),
    );
  const published = { version: version + 1, publishedBy: session.person.id, publishedAt: now };
  await store
    .insert(shopPlan)
    .values({ fleetId, ...published })
    .onConflictDoUpdate({ target: shopPlan.fleetId, set: published });
  if (body.run) await moveRun(doing, body.run, 'take');
  // What was found for the plan before says nothing of this one.
  await store
    .update(planRun)
    .set({ state: 'put aside' })
    .where(and(inArray(planRun.state, ['found', 'cancelled', 'failed']), sql`${planRun.fromVersion} <= ${version}`));
  const moved = await placeJobs(doing, facts, slots);
  await watchPlan(store, fleetId, null);
  return { unitId: null, changed: [changed('fleet', fleetId, version + 1), ...moved] };
};
