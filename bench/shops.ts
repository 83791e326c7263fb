import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { PlanRequest } from '@zealous-axle/core/plan';
import jobShops from '../core/src/plan/solver/job-shops.json';
import { jobShop, pairsOf } from '../core/src/plan/solver/made-up';

/** Two threads, as the server has on such a machine; the built threads of the server are what is measured. */
export const THREADS = 2;
export const SEEDS = [1, 2, 3, 4, 5];
export const SEARCH_MS = Number(process.env.PLAN_MS ?? 10_000);

export interface Shop {
  name: string;
  request: PlanRequest;
  /** What another search of this kind reached on one core, in so many seconds. */
  reference: { seconds: number; sum: number; decodesPerSecond: number };
}

export const built = (name: string): string => join(__dirname, '../server/dist', name);
export const planShops = (): Shop[] => JSON.parse(readFileSync(join(__dirname, 'plan-shops.json'), 'utf8'));

/** Fisher and Thompson's six by six and ten by ten, their optima 55 and 930. */
export const classicalShops = () =>
  jobShops.map(({ name, optimum, jobs }) => ({
    name: `job shop ${name}`,
    optimum,
    request: jobShop(jobs.map(pairsOf)),
  }));
