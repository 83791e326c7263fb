import { heldLine } from '@zealous-axle/core';
import type { FleetStore } from '../store';
import { connectionTo } from './connections';
import { tellOutside } from './tell';

/** Tells a connected dispatch system which units are held since just now, and which no longer. */
export async function tellHeld(
  store: FleetStore,
  fleet: string,
  units: readonly { id: string; number: string; held: boolean }[],
  at: Date,
): Promise<void> {
  if (units.length === 0) return;
  const to = await connectionTo(store, 'dispatch');
  if (to?.way !== 'protocol' || !to.url) return;
  for (const { id, number, held } of units)
    await tellOutside(
      store,
      fleet,
      'dispatch',
      { lines: [heldLine({ unit: number, at: at.toISOString(), held })] },
      id,
    );
}
