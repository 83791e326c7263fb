import {
  PlanRefused,
  type PlanRequest,
  PlanTooLate,
  PlanUnsound,
  plan,
  replan,
  sumOf,
  weightsOf,
} from '@zealous-axle/core/plan';
import type { Asked, Told } from './asked';

/** A request with its search's end, or nothing, which only wakes a thread: set to 1 by whoever waits, when they no longer do. */
export default function thread(asked: Asked | null): Told {
  if (!asked) return { tooLate: true };
  const { request, stop, from, again, port } = asked;
  const begun = performance.now();
  port?.postMessage('begun');
  const flag = new Int32Array(stop);
  const elapsed = () => performance.now() - begun;
  const options = {
    elapsed,
    stop: () => Atomics.load(flag, 0) === 1,
    ...(port
      ? {
          better: ({ objective }: { objective: Parameters<typeof sumOf>[0] }) =>
            port.postMessage({
              sum: sumOf(objective, weightsOf(request as PlanRequest)),
              elapsedMs: Math.round(elapsed()),
            }),
        }
      : {}),
  };
  try {
    const planned = again
      ? replan(request as PlanRequest, again, options)
      : plan(request as PlanRequest, { ...options, ...(from?.length ? { from } : {}) });
    return { planned };
  } catch (error) {
    if (error instanceof PlanTooLate) return { tooLate: true };
    if (error instanceof PlanRefused) return { refused: error.errors };
    if (error instanceof PlanUnsound) return { unsound: error.message };
    throw error;
  } finally {
    port?.close();
  }
}
