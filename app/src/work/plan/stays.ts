import type { BoardJob, KeptSlot } from '@zealous-axle/core';

/** A trailer's uninterrupted time in a bay. */
export interface Stay {
  key: string;
  unit: string;
  start: string;
  end: string;
}

/** The stays of trailers in a bay: jobs of one trailer that follow each other there. */
export function staysIn(bay: string, slots: readonly KeptSlot[], jobs: ReadonlyMap<string, BoardJob>): Stay[] {
  const here = slots.filter((slot) => slot.bay === bay).sort((a, b) => (a.start < b.start ? -1 : 1));
  const stays: Stay[] = [];
  for (const slot of here) {
    const unit = jobs.get(slot.job)?.unit ?? '';
    const last = stays.at(-1);
    if (last?.unit === unit) last.end = slot.end > last.end ? slot.end : last.end;
    else stays.push({ key: slot.job, unit, start: slot.start, end: slot.end });
  }
  return stays;
}
