import pg from 'pg';
import { cookieOf } from './cluster';
import { medians, round, say } from './figures';

const RUNS = 300;

/** The yard's first page and a trailer's page, each beside the same rows read bare and an empty request. */
export async function benchPages(url: string, database: string): Promise<void> {
  const client = new pg.Client({ connectionString: database });
  await client.connect();
  const { rows } = await client.query(
    `select u.fleet_id, u.id from unit u join fleet f using (fleet_id)
     where f.slug = 'tenparish' and u.number like 'L-%' order by u.number limit 1`,
  );
  const [{ id, fleet_id: fleet }] = rows as [{ id: string; fleet_id: string }];
  const headers = await cookieOf(url);
  const bytes = async (path: string) => {
    const answer = await fetch(`${url}${path}`, { headers: { ...headers, 'accept-encoding': 'identity' } });
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
    return (await answer.text()).length;
  };
  const named = (name: string, text: string, values: unknown[]) => client.query({ name, text, values });
  const yardRows = () =>
    named('yard', 'select * from yard_row where fleet_id = $1 order by urgency, number limit 51', [fleet]);
  const where = 'where fleet_id = $1 and unit_id = $2';
  const trailerRows = async () => {
    await named('unit', 'select * from unit where fleet_id = $1 and id = $2', [fleet, id]);
    for (const table of ['hold', 'paper', 'current_reading', 'defect', 'job'])
      await named(table, `select * from ${table} ${where}`, [fleet, id]);
    await named('inspection', `select * from inspection ${where} order by started_at desc limit 12`, [fleet, id]);
  };
  const work = {
    empty: () => bytes('/healthz'),
    yardRows,
    yard: () => bytes('/api/v1/units'),
    trailerRows,
    trailer: () => bytes(`/api/v1/units/${id}`),
  };
  await medians(30, work);
  const took = await medians(RUNS, work);
  const size = await bytes('/api/v1/units');
  say(
    'yard, first page of 10,000 units',
    `${round(took.yard)} ms, ${round(size / 1024, 1)} KB; bare read ${round(took.yardRows)} ms, an empty request ${round(took.empty)} ms; ${round(took.yard / (took.yardRows + took.empty), 1)} × their sum`,
  );
  say(
    'trailer page',
    `${round(took.trailer)} ms; bare SQL ${round(took.trailerRows)} ms, an empty request ${round(took.empty)} ms; ${round(took.trailer / (took.trailerRows + took.empty), 1)} × their sum`,
  );
  await client.end();
}
