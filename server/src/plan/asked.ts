import type { Planned, PlanRequest } from '@zealous-axle/core/plan';

/** What a thread of the planner is asked. */
export interface Asked {
  request: PlanRequest;
  /** Four bytes shared with who asks: 1 ends the search with the best plan so far. */
  stop: SharedArrayBuffer;
}

/** What it tells: a plan, what no plan can be made of, or that its own checker refused what it found. */
export type Told =
  | { planned: Planned }
  | { refused: readonly { path: string; message: string }[] }
  | { unsound: string };
