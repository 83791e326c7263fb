import type { Board, BoardJob } from '@zealous-axle/core';
import { and, eq } from 'drizzle-orm';
import { person } from '../access';
import type { FleetStore } from '../store';
import { type Facts, shopFacts } from './facts';
import { openRuns } from './runs';
import { shopPlan } from './schema';
import { standingOf } from './standing';

/** What a job waits for of the parts room. */
function waitsFor({ parts, partNames }: Facts, job: string): BoardJob['waits'] {
  const missing = parts.unknown.get(job);
  const on = parts.days.get(job) ?? null;
  if (!missing && !on) return null;
  return {
    on,
    how: parts.overdue.has(job) ? 'overdue' : parts.toOrder.has(job) ? 'to order' : 'expected',
    unknown: missing ? (partNames.get(missing) ?? missing.replaceAll('-', ' ')) : null,
  };
}

function boardJobs(facts: Facts): BoardJob[] {
  return facts.jobs.map((each) => ({
    id: each.id,
    unit: each.unit,
    number: each.number,
    size: each.size,
    title: each.title,
    state: each.state,
    begun: each.begun !== null,
    held: each.held,
    leaves: each.leaves ? { at: each.leaves, to: each.leavesTo, madeUp: each.leavesMadeUp } : null,
    waits: waitsFor(facts, each.id),
    putOn: each.putOn,
    working: each.working,
  }));
}

/** The plan people work by, as things stand at `now`. */
export async function boardOf(store: FleetStore, now: Date): Promise<Board> {
  const [facts, [published], runs] = await Promise.all([
    shopFacts(store, now),
    store
      .select({ plan: shopPlan, by: person.name })
      .from(shopPlan)
      .innerJoin(person, and(eq(person.fleetId, shopPlan.fleetId), eq(person.id, shopPlan.publishedBy))),
    openRuns(store),
  ]);
  const { request, begun, notes } = standingOf(facts);
  const open = new Set(facts.jobs.map(({ id }) => id));
  const began = new Set(begun.map(({ job }) => job));
  return {
    now: now.toISOString(),
    zone: facts.zone,
    version: published?.plan.version ?? 0,
    published: published ? { at: published.plan.publishedAt.toISOString(), by: published.by } : null,
    bays: [...facts.bays],
    people: facts.people.map(({ id, name }) => ({ id, name })),
    jobs: boardJobs(facts),
    slots: [...begun, ...facts.slots.filter(({ job }) => open.has(job) && !began.has(job))],
    request,
    settings: facts.settings,
    notes,
    runs,
  };
}
