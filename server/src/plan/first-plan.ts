import type { KeptSlot } from '@zealous-axle/core';
import { plan } from '@zealous-axle/core/plan';
import type { FleetStore } from '../store';
import { shopFacts } from './facts';
import { standingOf } from './standing';

/** A plan for the shop as it stands, by so many steps of the search: the same for the same shop. */
export async function shopPlanOf(store: FleetStore, now: Date, steps: number): Promise<KeptSlot[]> {
  const { request } = standingOf(await shopFacts(store, now));
  return plan(request, { steps, proof: false }).slots.map((slot) => ({ ...slot, pinned: false }));
}
