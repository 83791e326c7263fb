import {
  type Bundle,
  bundlesFor,
  type Day,
  dayAfter,
  dayIn,
  FORECAST,
  forecastOf,
  jobOf,
  nextVisitOf,
  OPEN_JOB_STATES,
  parseKey,
  SHUNT_MINUTES,
  templateFor,
  type UnitFacts,
  type WhileThere,
} from '@zealous-axle/core';
import { and, asc, eq, inArray } from 'drizzle-orm';
import { findDefect, moveDefect, reportAsFound } from '../defects';
import { KnownProblem } from '../problem';
import { job, openRetorques, part, templatesOf } from '../repair';
import { changed, type Doing, found, type Handler } from '../run';
import type { FleetStore } from '../store';
import { paper } from '../units';
import { factsOf } from './facts';
import { forecastDeclined } from './schema';

interface Proposed {
  facts: UnitFacts;
  nextVisit: Day;
  bundles: Bundle[];
}

/** What else could be done in a unit's visit, from its readings, its jobs and what was declined, as they stand. */
async function proposedFor(store: FleetStore, unit: string, now: Date): Promise<Proposed | null> {
  const [all, jobs, declined, templates, room, papers] = await Promise.all([
    factsOf(store, [unit]),
    store
      .select({ work: job.work })
      .from(job)
      .where(and(eq(job.unitId, unit), inArray(job.state, [...OPEN_JOB_STATES]))),
    store.select().from(forecastDeclined).where(eq(forecastDeclined.unitId, unit)),
    templatesOf(store),
    store.select({ id: part.id, price: part.price }).from(part),
    store.select({ on: paper.dueOn }).from(paper).where(eq(paper.unitId, unit)),
  ]);
  const facts = all.get(unit);
  if (!facts) return null;
  const today = dayIn(facts.zone, now);
  const nextVisit = nextVisitOf(
    today,
    papers.map(({ on }) => on),
  );
  const bundles =
    jobs.length === 0
      ? []
      : bundlesFor({
          axles: facts.unit.axles,
          positions: forecastOf(facts).positions,
          axlesOff: [...new Set(jobs.flatMap(({ work }) => work.wheels.map(({ axle }) => axle)))],
          planned: jobs.flatMap(({ work }) => {
            const axles = [...new Set([...work.wheels, ...work.renews].map(({ axle }) => axle))];
            const at = axles.length ? axles : [null];
            return work.templates.flatMap(({ id }) => at.map((axle) => ({ template: id, axle })));
          }),
          declined: declined.map(({ key, seen }) => ({ key, seen: seen.toISOString() })),
          templates: templates.map(({ definition }) => definition),
          prices: new Map(room.map(({ id, price }) => [id, price])),
          shuntMinutes: SHUNT_MINUTES,
          today,
          nextVisit,
        });
  return { facts, nextVisit, bundles };
}

/** The same as it is shown, with papers and wheels that are due soon. */
export async function whileThere(store: FleetStore, unit: string, now: Date): Promise<WhileThere | null> {
  const proposed = await proposedFor(store, unit, now);
  if (!proposed) return null;
  const soon = dayAfter(dayIn(proposed.facts.zone, now), FORECAST.soonDays);
  const [papers, retorques] = await Promise.all([
    store
      .select({ what: paper.paper, on: paper.dueOn })
      .from(paper)
      .where(eq(paper.unitId, unit))
      .orderBy(asc(paper.dueOn)),
    openRetorques(store, unit),
  ]);
  return {
    nextVisit: proposed.nextVisit,
    bundles: proposed.bundles,
    due: [
      ...papers.filter(({ on }) => on <= soon),
      ...retorques
        .filter(({ due }) => due <= soon)
        .map(({ due, wheels }) => ({ what: `Re-torque ${wheels.length} wheels`, on: due })),
    ],
  };
}

type Answering = Pick<Doing<'decline-work'>, 'store' | 'now'> & { body: { unit: string; key: string; seen: string } };

/** The proposal that is answered, as it stands now; where the part was read anew, there is another one. */
async function answered({ store, now, body }: Answering) {
  const proposed = found(await proposedFor(store, body.unit, now));
  const bundle = proposed.bundles.find(({ key }) => key === body.key);
  if (!bundle || Date.parse(bundle.seen) !== Date.parse(body.seen))
    throw new KnownProblem('changed', { current: await whileThere(store, body.unit, now) });
  return { ...proposed, bundle };
}

/** Does it in this visit: what the forecast says becomes a defect, and its job by the template. */
export const bundleWork: Handler<'bundle-work'> = async (doing) => {
  const { store, session, body } = doing;
  const { facts, bundle } = await answered(doing);
  const { kind, axle, side } = parseKey(bundle.key);
  const words = `Foreseen: reaches its limit about ${bundle.on}. Done while the unit is here.`;
  const reported = await reportAsFound(doing, body.unit, { code: kind, axle, side }, words);
  const templates = (await templatesOf(store)).map(({ definition }) => definition);
  const { axles } = facts.unit;
  const template = found(templateFor(templates, kind, axles[(axle ?? 0) - 1]));
  const work = jobOf([{ template, ends: axle && side ? [{ axle, side }] : [] }], axles);
  await store.insert(job).values({
    fleetId: session.fleet.id,
    id: body.job,
    unitId: body.unit,
    title: `${bundle.name}, ${bundle.where.toLowerCase()}`,
    state: 'open',
    minutes: work.minutes,
    wheelsOff: work.wheels.length > 0,
    work,
  });
  const row = found(await findDefect(store, reported.id));
  const version = await moveDefect(doing, row, 'plan', { jobId: body.job });
  return { unitId: body.unit, changed: [changed('job', body.job, 1), changed('defect', row.id, version)] };
};

export const declineWork: Handler<'decline-work'> = async (doing) => {
  const { store, session, at, body } = doing;
  await answered(doing);
  const answer = { seen: new Date(body.seen), declinedBy: session.person.id, declinedAt: at };
  await store
    .insert(forecastDeclined)
    .values({ fleetId: session.fleet.id, unitId: body.unit, key: body.key, ...answer })
    .onConflictDoUpdate({
      target: [forecastDeclined.fleetId, forecastDeclined.unitId, forecastDeclined.key],
      set: answer,
    });
  return { unitId: body.unit, changed: [changed('unit', body.unit)] };
};
