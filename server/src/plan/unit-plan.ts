import type { UnitPlan } from '@zealous-axle/core';
import { and, asc, eq, inArray } from 'drizzle-orm';
import { bay } from '../people';
import { job } from '../repair';
import type { FleetStore } from '../store';
import { departure, unit } from '../units';
import { planSlot } from './schema';

/** When a unit is expected back from the shop, by the plan people work by, and when it leaves next. */
export async function unitPlanOf(store: FleetStore, id: string, now: Date): Promise<UnitPlan | null> {
  const [[its], slots, jobs, [leaves]] = await Promise.all([
    store.select({ id: unit.id }).from(unit).where(eq(unit.id, id)),
    store
      .select({ slot: planSlot, title: job.title, bay: bay.name })
      .from(planSlot)
      .innerJoin(job, and(eq(job.fleetId, planSlot.fleetId), eq(job.id, planSlot.jobId)))
      .leftJoin(bay, and(eq(bay.fleetId, planSlot.fleetId), eq(bay.id, planSlot.bayId)))
      .where(and(eq(job.unitId, id), inArray(job.state, ['placed', 'started'])))
      .orderBy(asc(planSlot.startsAt)),
    store
      .select({ id: job.id })
      .from(job)
      .where(and(eq(job.unitId, id), inArray(job.state, ['open', 'placed', 'started', 'done']))),
    store.select().from(departure).where(eq(departure.unitId, id)),
  ]);
  if (!its) return null;
  const last = slots.map(({ slot }) => slot.endsAt).sort((a, b) => b.getTime() - a.getTime())[0];
  return {
    jobs: jobs.length,
    unplanned: jobs.length - slots.length,
    back: last && jobs.length === slots.length ? last.toISOString() : null,
    over: last !== undefined && last < now,
    slots: slots.map(({ slot, title, bay: where }) => ({
      job: slot.jobId,
      title,
      bay: where ?? '',
      start: slot.startsAt.toISOString(),
      end: slot.endsAt.toISOString(),
    })),
    leaves:
      leaves && leaves.leavesAt > now
        ? { at: leaves.leavesAt.toISOString(), to: leaves.leavesTo, madeUp: leaves.source === 'made-up' }
        : null,
  };
}
