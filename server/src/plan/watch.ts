import { addTask, type FleetStore } from '../store';
import { planVersion } from './runs';

/** Commands come in bursts: they are looked at together. Seconds. */
const SOON_SECONDS = 1;

/** Has the plan looked at soon, where there is one, because of what is said; null where time alone passed. */
export async function watchPlan(store: FleetStore, fleet: string, because: string | null): Promise<void> {
  if (because && (await planVersion(store)) === 0) return;
  await addTask(store, 'watch-plan', { fleet, because }, fleet, { seconds: SOON_SECONDS });
}
