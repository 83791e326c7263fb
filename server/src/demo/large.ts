import { randomOf } from '@zealous-axle/core';
import { getTableName, type InferInsertModel, type Table } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import { hashPassword } from '../access/passwords';
import { fleet, person } from '../access/schema';
import { acknowledgement, certificate, defect } from '../defects/schema';
import { currentReading, inspection, judgement, reading } from '../inspection/schema';
import { bay } from '../people/schema';
import { job } from '../repair/schema';
import { asTask } from '../run/seal';
import { hold, holdReleased, paper, release, unit } from '../units/schema';
import { rebuildYard } from '../yard/keep';
import { copyRows } from './copy';
import { DEMO_PASSWORD, FLEET, PEOPLE } from './fleet';
import { type LargeUnit, largeUnit, type Making } from './large-unit';
import { seededId } from './seeded-id';
import { BAYS } from './shop';

/** The made-up cooperative's larger neighbour. */
export const LARGE = {
  ...FLEET,
  id: '01900000-0000-7000-8000-0000001a46e0',
  slug: 'tenparish',
  name: 'Ten Parish Growers',
} as const;

const SEED = 20_260_202;
const BATCH = 200;

const FILLED = [
  unit,
  paper,
  inspection,
  reading,
  judgement,
  currentReading,
  job,
  certificate,
  defect,
  acknowledgement,
  hold,
  release,
  holdReleased,
];

/** Writes a batch of units, each table after those its rows point at. */
async function copyUnits(client: pg.ClientBase, units: readonly LargeUnit[]): Promise<void> {
  const copy = <T extends Table>(table: T, of: (each: LargeUnit) => readonly InferInsertModel<T>[]) =>
    copyRows(client, table, units.flatMap(of));
  await copy(unit, (each) => [each.unit]);
  await copy(paper, (each) => [each.paper]);
  await copy(inspection, (each) => each.inspections);
  await copy(reading, (each) => each.readings);
  await copy(judgement, (each) => each.judgements);
  await copy(currentReading, (each) => each.standing);
  await copy(job, (each) => each.jobs);
  await copy(certificate, (each) => each.certificates);
  await copy(defect, (each) => each.defects);
  await copy(acknowledgement, (each) => each.acknowledgements);
  await copy(hold, (each) => each.holds);
  await copy(release, (each) => each.releases);
  await copy(holdReleased, (each) => each.released);
}

/** Row-level security refuses COPY to an owner it is forced on: it is lifted for this transaction alone. */
async function withoutForce(client: pg.ClientBase, work: () => Promise<void>): Promise<void> {
  const { rows } = await client.query<{ active: boolean }>("select row_security_active('unit') as active");
  const each = async (force: string) => {
    for (const table of FILLED) await client.query(`alter table "${getTableName(table)}" ${force} row level security`);
  };
  if (!rows[0]?.active) return work();
  await each('no force');
  await work();
  await each('force');
}

export interface LargeAsked {
  units: number;
  now: Date;
  say: (line: string) => void;
}

async function fill(client: pg.ClientBase, { units, now, say }: LargeAsked): Promise<number> {
  const db = drizzle(client as pg.Client);
  const random = randomOf(SEED);
  const own = () => ({ fleetId: LARGE.id, id: seededId(random, now) });
  const { id: fleetId, slug, name, zone, book } = LARGE;
  await db.insert(fleet).values({ fleetId, slug, name, zone, book });
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  const people = PEOPLE.map(({ signIn, name, role }) => ({ ...own(), signIn, name, role, passwordHash }));
  await db.insert(person).values(people);
  const bays = BAYS.map((each, rank) => ({ ...own(), ...each, rank }));
  await db.insert(bay).values(bays);
  const withRole = (role: string) => people.filter((each) => each.role === role).map((each) => each.id);
  const [technicians, drivers, foremen] = [withRole('technician'), withRole('driver'), withRole('foreman')];
  const making: Making = { fleetId, now, random, technicians, drivers, foremen, bays: bays.map(({ id }) => id) };
  let readings = 0;
  const copyAll = async () => {
    for (let from = 0; from < units; from += BATCH) {
      const made = Array.from({ length: Math.min(BATCH, units - from) }, (_, index) => largeUnit(making, from + index));
      await copyUnits(client, made);
      readings += made.reduce((sum, each) => sum + each.readings.length, 0);
      say(`${Math.min(from + BATCH, units)} of ${units} units, ${readings} readings`);
    }
  };
  await withoutForce(client, () => asTask(db, fleetId, 'made-up history', copyAll));
  await rebuildYard(db, fleetId);
  return readings;
}

/**
 * Makes a fleet of many units beside whatever the database holds, all of it or nothing. Gives how many readings it has;
 * null when it is there already.
 */
export async function makeLarge(ownerUrl: string, asked: LargeAsked): Promise<number | null> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query('begin');
    await client.query("select set_config('za.fleet', $1, true)", [LARGE.id]);
    const { rowCount } = await client.query('select 1 from fleet where fleet_id = $1', [LARGE.id]);
    if (rowCount) return null;
    const readings = await fill(client, asked);
    await client.query('commit');
    await client.query('analyze');
    return readings;
  } finally {
    await client.end();
  }
}
