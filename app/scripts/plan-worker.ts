// The planner in a worker of the browser: the same code as the server's threads, without a clock, so that the same seed
// and steps give the same plan everywhere. Asked with `{ request, steps }`, it answers with the plan or with what was wrong.

import { plan } from '../../core/src/plan/plan';
import { PlanRefused } from '../../core/src/plan/refused';
import type { PlanRequest } from '../../core/src/plan/wire';

interface Asked {
  request: PlanRequest;
  steps: number;
}

addEventListener('message', ({ data }: MessageEvent<Asked>) => {
  try {
    postMessage({ planned: plan(data.request, { steps: data.steps }) });
  } catch (error) {
    if (error instanceof PlanRefused) postMessage({ refused: error.errors });
    else throw error;
  }
});
