import { connect, prepareDatabase } from '../store';
import { emptyDatabase } from '../testing/world';
import { foundFleet, foundingSchema } from './found-fleet';

const NORTH = {
  name: 'North Field',
  slug: 'north',
  zone: 'Europe/London',
  book: 'gb',
  units: 'metric',
  manager: 'Orla Reed',
} as const;
const NOW = new Date('2026-03-02T12:00:00Z');

test('a fleet is founded once; its manager gets a new code until they came in', async () => {
  const owner = await emptyDatabase();
  await prepareDatabase(owner);
  const first = await foundFleet(owner, NORTH, NOW);
  expect(first).toEqual({ name: 'orla.reed@north', code: expect.stringMatching(/^\w{4}-\w{4}-\w{4}$/) });
  const again = await foundFleet(owner, NORTH, NOW);
  expect(again?.name).toBe('orla.reed@north');
  expect(again?.code).not.toBe(first?.code);
  const { pool } = connect(owner);
  const client = await pool.connect();
  await client.query('begin');
  await client.query("select set_config('za.slug', 'north', true)");
  const { rows } = await client.query('select fleet_id, book, zone from fleet');
  expect(rows).toEqual([{ fleet_id: expect.any(String), book: 'gb', zone: 'Europe/London' }]);
  await client.query("select set_config('za.fleet', $1, true)", [rows[0].fleet_id]);
  await client.query('update person set invite_hash = null, invite_until = null');
  await client.query('commit');
  client.release();
  await pool.end();
  expect(await foundFleet(owner, NORTH, NOW)).toBeNull();
});

test.each([
  [{ slug: 'North Field' }, 'small letters'],
  [{ zone: 'Nowhere/Town' }, 'time zone'],
  [{ manager: '' }, ''],
])('%j founds nothing', (wrong, message) => {
  const read = foundingSchema.safeParse({ ...NORTH, ...wrong });
  expect(read.success).toBe(false);
  expect(read.error?.issues[0]?.message).toContain(message);
});
