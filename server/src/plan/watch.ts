import type { CommandName } from '@zealous-axle/core';
import { addTask, type FleetStore } from '../store';
import { planVersion } from './runs';

/** Commands after which a plan may no longer stand, and how that is called. */
const MOVES_PLAN: Partial<Record<CommandName, string>> = {
  'set-person': 'Somebody’s hours or absence changed',
  'set-person-left': 'Somebody left or came back',
  'save-bay': 'A bay’s hours or use changed',
  'set-holidays': 'A holiday changed',
  'set-plan-weights': 'What the plan is wanted by changed',
  'set-departure': 'A departure changed',
  'report-defect': 'A driver reported a defect',
  'hold-trailer': 'A unit was held',
  'make-job': 'There is a new job',
  'make-jobs': 'There are new jobs',
  'bundle-work': 'There is a new job',
  'cancel-job': 'A job was cancelled',
  'start-job': 'A job was begun',
  'finish-job': 'A job was finished',
  'reopen-job': 'A job was opened again',
  'order-part': 'A part is late',
  'receive-part': 'A part came',
  'triage-defect': 'A report was answered',
};

/** Commands come in bursts: they are looked at together. Seconds. */
const SOON_SECONDS = 1;

export const movesPlan = (name: CommandName): boolean => name in MOVES_PLAN;

/** Has the plan looked at soon, where there is one. */
export async function watchPlan(store: FleetStore, fleet: string, after: CommandName | null): Promise<void> {
  if (after && (await planVersion(store)) === 0) return;
  await addTask(store, 'watch-plan', { fleet, because: after && (MOVES_PLAN[after] ?? null) }, fleet, {
    seconds: SOON_SECONDS,
  });
}
