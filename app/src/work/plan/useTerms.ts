import type { KeptSlot, Objective, PlanRequest } from '@zealous-axle/core';
import { type RefObject, useEffect, useState } from 'react';
import { plain } from './asked';
import type { Planner } from './planner';

interface Terms {
  of: readonly KeptSlot[];
  against: readonly KeptSlot[];
  published: Objective;
  now: Objective;
}

/** What the published plan comes to and what the slots as they are now do; null until the planner has answered for just these. */
export function useTerms(
  planner: RefObject<Planner | null>,
  request: PlanRequest,
  published: readonly KeptSlot[],
  slots: readonly KeptSlot[],
): Terms | null {
  const [known, setKnown] = useState<Terms | null>(null);
  useEffect(() => {
    let still = true;
    const ask = async () => {
      const one = (each: readonly KeptSlot[]) => planner.current?.ask('terms', { request, slots: plain(each) });
      const [before, now] = await Promise.all([one(published), one(slots)]);
      if (still && before && now) setKnown({ of: slots, against: published, published: before, now });
    };
    void ask().catch(() => undefined);
    return () => {
      still = false;
    };
  }, [planner, request, published, slots]);
  return known?.of === slots && known.against === published ? known : null;
}
