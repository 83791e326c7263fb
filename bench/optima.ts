import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { plan, sumOf } from '@zealous-axle/core/plan';
import { madeUpShop } from '../core/src/plan/solver/made-up';
import { isProven, openProver } from '../server/src/plan/prove';
import { say } from './figures';

const SHOPS = 20;
const PATIENT_MS = 120_000;
const OUT = join(__dirname, '../core/src/plan/solver/optima.json');

/** Proves the optima of small made-up shops, and writes them where the solver's tests hold it against them. */
async function optima(): Promise<void> {
  const prover = openProver(join(__dirname, '../server/dist/prove-thread.js'), (message) => {
    throw new Error(message);
  });
  if (!prover) throw new Error('the solver that proves is not installed');
  const shops = [];
  for (let seed = 1; seed <= SHOPS; seed++) {
    const made = { seed, jobs: 8 + (seed % 5), hard: seed % 2 === 0 };
    const request = madeUpShop(made);
    const found = plan(request, { steps: 30_000, proof: false });
    const from = performance.now();
    const proven = await prover(request, found, PATIENT_MS, new AbortController().signal);
    if (!isProven(proven, request)) throw new Error(`the optimum of seed ${seed} was not proven`);
    const sum = sumOf(proven.objective);
    say(
      `optimum of seed ${seed}, ${made.jobs} jobs`,
      `${sum}, in ${Math.round(performance.now() - from)} ms; searched ${sumOf(found.objective)}`,
    );
    shops.push({ ...made, sum });
  }
  writeFileSync(OUT, `${JSON.stringify({ source: 'proven by npm run optima', shops }, null, 2)}\n`);
}

void optima();
