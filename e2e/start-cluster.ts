import { expect } from '@playwright/test';
import { postgres, sql, startProgram } from './cluster';

/** Everything the program set itself to do after the demo was told, done: no copy of it begins with that work. */
const allDone = (database: string) =>
  expect(async () => {
    const [left] = await sql<{ tasks: number }>(
      database,
      'select count(*)::int as tasks from graphile_worker._private_jobs where attempts < max_attempts and run_at <= now()',
    );
    expect(left?.tasks).toBe(0);
  }).toPass({ timeout: 180_000 });

/** What is to be done again after a while waits: no copy begins with a search because the demo grew older meanwhile. */
const later = (database: string) =>
  sql(database, "update graphile_worker._private_jobs set run_at = now() + interval '1 day'");

/** One throwaway cluster whose first database holds the demo fleet: each test works on a copy of it. One that is there already is used. */
export default async function startCluster(): Promise<void> {
  if (process.env.E2E_CLUSTER_URL) return;
  postgres('destroy');
  const database = postgres('start');
  const program = await startProgram(database);
  await allDone(database);
  await program.stop();
  await later(database);
  process.env.E2E_CLUSTER_URL = database;
}
