import { mkdir, readdir, rm } from 'node:fs/promises';
import { basename, join } from 'node:path';
import pg from 'pg';
import { backUp } from './backup';
import { closeFor } from './encrypt';
import { type KeepRule, outlived } from './keep';
import { verify } from './restore';

/** When backups are made, where they go, how many stay, and with whose key they are closed. */
export interface Schedule {
  databaseUrl: string;
  migrations: string;
  folder: string;
  /** `02:15`, by UTC. */
  at: string;
  keep: KeepRule;
  recipient: string | null;
}

/** What came of one, as every fleet's managers read it. */
export type CameOf = { good: true; file: string } | { good: false; why: string };

const MADE = /^axle-(\d{4}-\d{2}-\d{2})\.dump(?:\.json)?(?:\.age|\.gpg)?$/;
const DAY_MS = 86_400_000;
/** Of several servers on one database one makes it. */
const LOCK = 6_427_504;
/** What failed is tried again after so long. */
const AGAIN_MS = 30 * 60_000;

/** The day whose backup is due at an instant: today's once its time has come, else yesterday's. */
export function dueDay(now: Date, at: string): string {
  const today = now.toISOString();
  return today.slice(11, 16) >= at ? today.slice(0, 10) : new Date(now.getTime() - DAY_MS).toISOString().slice(0, 10);
}

async function daysIn(folder: string): Promise<Map<string, string[]>> {
  const days = new Map<string, string[]>();
  for (const name of await readdir(folder).catch(() => [] as string[])) {
    const day = MADE.exec(name)?.[1];
    if (day) days.set(day, [...(days.get(day) ?? []), name]);
  }
  return days;
}

/** Makes a day's backup, restores it into a scratch database, closes it, and removes those that are no longer kept. */
async function make(
  { databaseUrl, migrations, folder, keep, recipient }: Schedule,
  day: string,
  now: Date,
): Promise<CameOf> {
  const file = join(folder, `axle-${day}.dump`);
  try {
    await mkdir(folder, { recursive: true });
    await backUp(databaseUrl, file, now);
    if (!(await verify(databaseUrl, file, migrations)))
      throw new Error('it could not be tried: this owner may make no database');
    const kept = recipient ? await closeFor(recipient, file) : file;
    if (recipient) await closeFor(recipient, `${file}.json`);
    const days = await daysIn(folder);
    for (const gone of outlived([...days.keys()], keep))
      for (const name of days.get(gone) ?? []) await rm(join(folder, name), { force: true });
    return { good: true, file: basename(kept) };
  } catch (error) {
    // What was not tried is not left lying about as if it had been.
    await rm(file, { force: true });
    await rm(`${file}.json`, { force: true });
    return { good: false, why: (error as Error).message };
  }
}

/** Makes the backup that is due, where none of its day is there and no other server makes it. Null where nothing was due. */
export async function backUpIfDue(schedule: Schedule, now: Date): Promise<CameOf | null> {
  const day = dueDay(now, schedule.at);
  if ((await daysIn(schedule.folder)).has(day)) return null;
  const client = new pg.Client({ connectionString: schedule.databaseUrl });
  await client.connect();
  try {
    const { rows } = await client.query<{ mine: boolean }>(`select pg_try_advisory_lock(${LOCK}) as mine`);
    return rows[0]?.mine && !(await daysIn(schedule.folder)).has(day) ? await make(schedule, day, now) : null;
  } finally {
    await client.end();
  }
}

const LOOK_MS = 60_000;

/** Looks each minute whether one is due, for as long as the program runs. */
export function keepBackups(schedule: Schedule, told: (came: CameOf) => Promise<unknown>, now = () => new Date()) {
  let after = 0;
  let running: Promise<void> | null = null;
  const look = async () => {
    const came = await backUpIfDue(schedule, now());
    if (!came) return;
    if (!came.good) after = now().getTime() + AGAIN_MS;
    await told(came);
  };
  const tick = () => {
    if (running || now().getTime() < after) return;
    running = look()
      .catch((error: Error) => {
        after = now().getTime() + AGAIN_MS;
        return told({ good: false, why: error.message });
      })
      .catch(() => undefined)
      .then(() => {
        running = null;
      });
  };
  tick();
  const looking = setInterval(tick, LOOK_MS);
  looking.unref();
  return {
    async close() {
      clearInterval(looking);
    },
  };
}
