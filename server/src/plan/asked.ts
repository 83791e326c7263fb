import type { MessagePort } from 'node:worker_threads';
import type { Planned, PlanRequest, Slot } from '@zealous-axle/core/plan';

/** How good the best plan so far is, and after how long. */
export interface Progress {
  sum: number;
  elapsedMs: number;
}

/** What a thread of the planner is asked. */
export interface Asked {
  request: PlanRequest;
  /** Four bytes shared with who asks: 1 ends the search with the best plan so far. */
  stop: SharedArrayBuffer;
  /** A plan that is known: the answer is never worse. */
  from?: readonly Slot[] | undefined;
  /** The plan that stood, to be changed as little as pays. */
  again?: readonly Slot[] | undefined;
  /** Where progress is told. */
  port?: MessagePort;
}

/** What a thread says meanwhile: that it has begun, and how far it is. */
export type Said = 'begun' | Progress;

/** What it tells: a plan, that there was no time for one, what no plan can be made of, or that its own checker refused what it found. */
export type Told =
  | { planned: Planned }
  | { tooLate: true }
  | { refused: readonly { path: string; message: string }[] }
  | { unsound: string };
