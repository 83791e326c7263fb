import { PlanRefused, type PlanRequest, PlanUnsound, plan } from '@zealous-axle/core/plan';
import type { Asked, Told } from './asked';

/** A request with its search's end: set to 1 by whoever waits, when they no longer do. */
export default function thread({ request, stop }: Asked): Told {
  const begun = performance.now();
  const flag = new Int32Array(stop);
  try {
    const planned = plan(request as PlanRequest, {
      elapsed: () => performance.now() - begun,
      stop: () => Atomics.load(flag, 0) === 1,
    });
    return { planned };
  } catch (error) {
    if (error instanceof PlanRefused) return { refused: error.errors };
    if (error instanceof PlanUnsound) return { unsound: error.message };
    throw error;
  }
}
