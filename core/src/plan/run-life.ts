import { type Act, SHOP } from '../life';

export const RUN_STATES = ['waiting', 'searching', 'found', 'cancelled', 'failed', 'taken', 'put aside'] as const;
export type PlanRunState = (typeof RUN_STATES)[number];
type RunAct = 'ask for' | 'cancel' | 'take' | 'put aside';

/** A plan that is asked for, from the wish to the plan that people work by. What searches moves it to `found`. */
export const PLAN_RUN_LIFE: readonly Act<PlanRunState, RunAct>[] = [
  { act: 'ask for', from: [], to: 'waiting', who: SHOP },
  { act: 'cancel', from: ['waiting', 'searching'], to: 'cancelled', who: SHOP },
  { act: 'take', from: ['found', 'cancelled'], to: 'taken', who: SHOP },
  { act: 'put aside', from: ['found', 'cancelled', 'failed'], to: 'put aside', who: SHOP },
];
