import { type KeptSlot, type PlanRequest, planDifference, type Slot } from '@zealous-axle/core';
import type { Planner } from './planner';

/** Steps of a search on this device: after a move by hand, and where it is asked for more. */
const STEPS = { move: 120, more: 2_500 };

/** A place a job may be put at: its bay, its people, when. */
export interface Place {
  bay: string;
  technicians: readonly string[];
  start: string;
}

/** What a search is asked, with what is pinned by hand. */
export const askedWith = (request: PlanRequest, slots: readonly KeptSlot[]): PlanRequest => {
  const pins = new Map(slots.filter(({ pinned }) => pinned).map((slot) => [slot.job, slot]));
  return {
    ...request,
    jobs: request.jobs.map((job) => {
      const pin = pins.get(job.id);
      return { ...job, pinned: pin ? { bay: pin.bay, technicians: pin.technicians, start: pin.start } : null };
    }),
  };
};

export const plain = (slots: readonly KeptSlot[]): Slot[] => slots.map(({ pinned: _, ...slot }) => slot);

/** What was found, pinned where it was before. */
const pinnedAs = (found: readonly Slot[], before: readonly KeptSlot[]): KeptSlot[] => {
  const pins = new Set(before.filter(({ pinned }) => pinned).map(({ job }) => job));
  return found.map((slot) => ({ ...slot, pinned: pins.has(slot.job) }));
};

/** Who could do a job instead, where its people cannot: one crew after another, the present one first. */
function crewsFor(request: PlanRequest, job: string, present: readonly string[]): string[][] {
  const asked = request.jobs.find(({ id }) => id === job);
  const able = request.technicians.filter(({ skills }) => asked && skills.includes(asked.skill)).map(({ id }) => id);
  if (asked?.technicians !== 1) return [[...present]];
  return [[...present], ...able.filter((id) => !present.includes(id)).map((id) => [id])];
}

/** Where a job may stand at a bay or with a person from a time on, or what that breaks. */
export function askPlace(by: Planner, request: PlanRequest, slots: readonly KeptSlot[], job: string, place: Place) {
  const others = slots.filter((slot) => slot.job !== job);
  const places = crewsFor(request, job, place.technicians).map((technicians) => ({ ...place, technicians }));
  return by.ask('fits', { request: askedWith(request, others), job, places });
}

/** Pins a job at a place, and plans again whatever must make room for it. */
export async function askMove(
  by: Planner,
  request: PlanRequest,
  slots: readonly KeptSlot[],
  job: string,
  place: Place,
): Promise<{ slots: KeptSlot[]; unplaced: string[] }> {
  const put = { job, ...place, technicians: [...place.technicians], end: place.start, setupMinutes: 0, pinned: true };
  const pinned = [...slots.filter((slot) => slot.job !== job), put];
  const found = await by.ask('again', {
    request: askedWith(request, pinned),
    before: plain(slots),
    steps: STEPS.move,
  });
  return { slots: pinnedAs(found.slots, pinned), unplaced: found.unplaced.map((each) => each.job) };
}

/** Searches further from the slots, everything that is pinned left alone; null where nothing better was found. */
export async function askMore(
  by: Planner,
  request: PlanRequest,
  slots: readonly KeptSlot[],
): Promise<KeptSlot[] | null> {
  const found = await by.ask('plan', { request: askedWith(request, slots), from: plain(slots), steps: STEPS.more });
  const better = planDifference({ slots: plain(slots), objective: found.objective }, found);
  return better.moves.length ? pinnedAs(found.slots, slots) : null;
}
