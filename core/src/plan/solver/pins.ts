import type { PlanRequest } from '../wire';
import { modelOf } from './model';
import { PlanRefused } from './refused';

const PIN = /^jobs\.(\d+)\.pinned/;

/**
 * A request without the pins that things as they are no longer allow, and what each of them breaks. Throws
 * {@link PlanRefused} for everything else no plan can be made of.
 */
export function withoutBrokenPins(request: PlanRequest): {
  request: PlanRequest;
  broken: { job: string; message: string }[];
} {
  const broken: { job: string; message: string }[] = [];
  let asked = request;
  for (;;)
    try {
      modelOf(asked);
      return { request: asked, broken };
    } catch (error) {
      if (!(error instanceof PlanRefused)) throw error;
      const pins = new Map<number, string>();
      for (const { path, message } of error.errors) {
        const at = PIN.exec(path)?.[1];
        if (at === undefined) throw error;
        if (!pins.has(Number(at))) pins.set(Number(at), message);
      }
      for (const [at, message] of pins) broken.push({ job: asked.jobs[at]?.id ?? '', message });
      asked = { ...asked, jobs: asked.jobs.map((job, at) => (pins.has(at) ? { ...job, pinned: null } : job)) };
    }
}
