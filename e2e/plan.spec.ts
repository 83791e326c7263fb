import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { APIRequestContext } from '@playwright/test';
import { checkPlan, type PlanAnswer, type PlanRequest, plan } from '../core/src/plan/solver';
import { madeUpShop } from '../core/src/plan/solver/made-up';
import { expect, test } from './program';

const STEPS = 3_000;
const MOST_WORKER_BYTES = 30 * 1024;
const ask = (request: APIRequestContext, url: string, data: PlanRequest) =>
  request.post(`${url}/api/v1/plan`, { data });

test('the planner in the browser is small, and gives the plan that it gives here, to the minute', async ({
  page,
  program,
}) => {
  const worker = readFileSync(join(__dirname, '../app/dist/plan-worker.js'));
  expect(gzipSync(worker).length).toBeLessThan(MOST_WORKER_BYTES);
  const request = madeUpShop({ seed: 5, jobs: 30 });
  await page.goto(program.url);
  const there = await page.evaluate(
    (asked) =>
      new Promise<{ done: PlanAnswer }>((resolve) => {
        const own = new Worker('/plan-worker.js');
        own.onmessage = ({ data }) => resolve(data);
        own.postMessage(asked);
      }),
    { ask: 'plan', number: 1, request, steps: STEPS },
  );
  expect(there.done.slots).toEqual(plan(request, { steps: STEPS }).slots);
});

test('the server plans in threads beside its other work, and says when all of them are taken', async ({
  request,
  program,
}) => {
  const shop = { ...madeUpShop({ seed: 8, jobs: 40, hard: true }), timeLimitMs: 1_500 };
  const answers = await Promise.all(Array.from({ length: 16 }, () => ask(request, program.url, shop)));
  const alive = await request.get(`${program.url}/healthz`);
  expect(alive.status()).toBe(200);
  const statuses = answers.map((answer) => answer.status());
  expect(statuses).toContain(503);
  for (const answer of answers) {
    if (answer.status() === 503) {
      expect(Number(answer.headers()['retry-after'])).toBeGreaterThan(0);
      continue;
    }
    expect(checkPlan(shop, (await answer.json()) as PlanAnswer)).toEqual([]);
  }
});

test('what cannot be planned is refused with its path', async ({ request, program }) => {
  const shop = madeUpShop({ seed: 2, jobs: 4 });
  const answer = await ask(request, program.url, {
    ...shop,
    jobs: shop.jobs.map((job) => ({ ...job, after: [job.id] })),
  });
  expect(answer.status()).toBe(400);
  expect((await answer.json()).errors[0]).toEqual({ path: 'jobs.0.after', message: 'J0 waits for itself in a circle' });
});
