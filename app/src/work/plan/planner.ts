import type { Objective, PlanJob, PlanRequest, Slot } from '@zealous-axle/core';
import type { Explanation, Gain, Planned, Replanned } from '@zealous-axle/core/plan';

type Pin = NonNullable<PlanJob['pinned']>;

/** What the planner of this device can be asked; `app/scripts/plan-worker.ts` answers. */
interface Questions {
  plan: [{ request: PlanRequest; steps: number; from?: readonly Slot[] }, Planned];
  again: [{ request: PlanRequest; steps: number; before: readonly Slot[] }, Replanned];
  fits: [{ request: PlanRequest; job: string; places: readonly Pin[] }, { place: Pin | null; why: string | null }];
  terms: [{ request: PlanRequest; slots: readonly Slot[] }, Objective];
  explain: [{ request: PlanRequest; slots: readonly Slot[] }, Explanation[]];
  gains: [{ request: PlanRequest; slots: readonly Slot[]; steps: number }, Gain[]];
}

interface Told {
  number: number;
  done?: unknown;
  refused?: string;
}

export interface Planner {
  /** Asks one thing of it; what cannot be is an error with its sentence. */
  ask: <Q extends keyof Questions>(question: Q, asked: Questions[Q][0]) => Promise<Questions[Q][1]>;
  close: () => void;
}

/** A planner in a worker of its own, beside what is drawn. */
export function openPlanner(): Planner {
  const worker = new Worker('/plan-worker.js');
  const waiting = new Map<number, { done: (value: unknown) => void; no: (error: Error) => void }>();
  let last = 0;
  worker.onmessage = ({ data }: MessageEvent<Told>) => {
    const asker = waiting.get(data.number);
    waiting.delete(data.number);
    if (data.refused === undefined) asker?.done(data.done);
    else asker?.no(new Error(data.refused));
  };
  worker.onerror = () => {
    for (const { no } of waiting.values()) no(new Error('The planner did not start on this device.'));
    waiting.clear();
  };
  return {
    ask: (question, asked) =>
      new Promise((done, no) => {
        last += 1;
        waiting.set(last, { done: done as (value: unknown) => void, no });
        worker.postMessage({ ...asked, ask: question, number: last });
      }),
    close: () => worker.terminate(),
  };
}
