import { createHash } from 'node:crypto';
import type { Step } from '@zealous-axle/core';
import { eq } from 'drizzle-orm';
import type { FleetStore } from '../store';
import type { InspectionRow } from './schema';
import { stepList } from './schema';

/** Keeps a list of steps under the hash of its contents, once for all that walk it. Gives the hash. */
export async function keepSteps(store: FleetStore, fleetId: string, steps: Step[]): Promise<string> {
  const hash = createHash('sha256').update(JSON.stringify(steps)).digest('hex');
  await store.insert(stepList).values({ fleetId, hash, steps }).onConflictDoNothing();
  return hash;
}

/** The steps an inspection was begun with; null where it was begun without a route. */
export async function stepsAsked(store: FleetStore, { stepsHash }: Pick<InspectionRow, 'stepsHash'>) {
  if (stepsHash === null) return null;
  const [row] = await store.select({ steps: stepList.steps }).from(stepList).where(eq(stepList.hash, stepsHash));
  return row?.steps ?? null;
}
