import { v7 as uuidv7 } from 'uuid';
import { sql } from './cluster';
import { deviceOf, expect, openTrailer, test } from './program';

/** How long the database is away. */
const AWAY_MS = 5_000;

test('live updates come back by themselves after the database was away, and miss nothing', async ({
  browser,
  program,
  database,
}) => {
  const foreman = await deviceOf(browser, program.url, 'foreman');
  const driver = await deviceOf(browser, program.url, 'driver');
  await openTrailer(driver, 'H-11');
  await openTrailer(foreman, 'H-11');
  const unit = new URL(foreman.url()).pathname.split('/').at(-1) ?? '';
  const hold = (reason: string) =>
    foreman.evaluate(
      async ([id, hold, of, why]) => {
        const sent = { id, at: new Date().toISOString(), body: { hold, unit: of, reason: why } };
        const answer = await fetch('/api/v1/commands/hold-trailer', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(sent),
        });
        return answer.status;
      },
      [uuidv7(), uuidv7(), unit, reason] as const,
    );
  expect(await hold('bent before')).toBe(200);
  await expect(driver.getByText('bent before')).toBeVisible();

  const name = new URL(database).pathname.slice(1);
  const admin = new URL(database);
  admin.pathname = '/template1';
  await sql(admin.toString(), `alter database ${name} with allow_connections false`);
  await sql(admin.toString(), `select pg_terminate_backend(pid) from pg_stat_activity where datname = '${name}'`);
  const since = Date.now();
  await expect.poll(() => Date.now() - since, { timeout: 30_000 }).toBeGreaterThan(AWAY_MS);
  expect(await hold('bent in between')).toBe(503);
  await sql(admin.toString(), `alter database ${name} with allow_connections true`);
  await expect.poll(() => hold('bent after')).toBe(200);
  await expect(driver.getByText('bent after')).toBeVisible();
  // And stays live from then on.
  expect(await hold('bent later')).toBe(200);
  await expect(driver.getByText('bent later')).toBeVisible();
});
