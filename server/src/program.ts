import { existsSync } from 'node:fs';
import type { Server } from 'node:http';
import { setTimeout as delay } from 'node:timers/promises';
import { buildApp } from './app';
import { keepBackups, keepBefore } from './backup';
import { FLEET } from './demo/fleet';
import { loadDemo } from './demo/load';
import { openLive } from './feeds';
import { foundFleet, foundingSchema } from './people';
import { noteForAll } from './proof';
import type { Settings } from './settings';
import { connect, prepareDatabase, serverUrl } from './store';
import { openWorker, plannerHere, strangersHere } from './worker';

/** What came in when it was time to end waits so long for the database. */
const PATIENCE_AT_END_MS = 300;
/** Nobody knocked for so long: whoever was sending is in. So long is waited for that at most. */
const QUIET_MS = 100;
const LONGEST_TAKING_IN_MS = 1_000;

/** Notes when somebody was last let in; ends once nobody knocks any more. Node lets in one at a time, between other work. */
function doorOf(server: Server) {
  let last = 0;
  server.on('connection', () => {
    last = performance.now();
  });
  return async (): Promise<void> => {
    const until = performance.now() + LONGEST_TAKING_IN_MS;
    do await delay(QUIET_MS);
    while (performance.now() - last < QUIET_MS && performance.now() < until);
  };
}

const HANG_UP_EVERY_MS = 50;
/** So many may knock at once: a shop whose devices come back all together is let in one after another, not turned away. */
const BACKLOG = 4_096;

/** Founds the fleet the settings name; throws one sentence naming what is wrong with it. */
async function found(ownerUrl: string, written: NonNullable<Settings['founding']>, now: Date) {
  const read = foundingSchema.safeParse(written);
  if (!read.success)
    throw new Error(
      read.error.issues.map(({ path, message }) => `the fleet’s ${path.join('.')}: ${message}`).join('; '),
    );
  return foundFleet(ownerUrl, read.data, now);
}

/** Opens the whole program over a database: migrates it, loads or founds what the settings ask for, listens. */
export async function openProgram(settings: Settings) {
  if (!existsSync(settings.migrations)) throw new Error(`no migrations in ${settings.migrations}`);
  const kept = settings.backups ? await keepBefore(settings, new Date()) : null;
  await prepareDatabase(settings.databaseUrl, settings.migrations);
  const url = serverUrl(settings.databaseUrl);
  const now = () => new Date();
  const demoLoaded = settings.demo && (await loadDemo(settings.databaseUrl, url, now()));
  const founded = settings.founding && (await found(settings.databaseUrl, settings.founding, now()));

  const { pool, db } = connect(url);
  const live = openLive(url);
  const { web, log, secure, offlineDays, proxies } = settings;
  // Its passwords are known to everybody: where it is not being shown nobody comes in by them.
  const closedFleet = settings.demo ? undefined : FLEET.id;
  const planner = plannerHere(settings);
  const strangers = strangersHere();
  const app = await buildApp({
    db,
    now,
    live,
    planner,
    strangers,
    web,
    log,
    secure,
    offlineDays,
    proxies: proxies.length ? proxies : undefined,
    closedFleet,
    backsUp: settings.schedule !== null,
  });
  const backups =
    settings.schedule &&
    keepBackups(settings.schedule, (came) =>
      noteForAll(settings.databaseUrl, db, {
        kind: came.good ? 'backed-up' : 'backup-failed',
        what: came.good ? came.file : came.why,
        at: now(),
      }),
    );
  const queue = await openWorker(settings, { db, live, planner });
  const everybodyIsIn = doorOf(app.server);
  const address = await app.listen({ port: settings.port, host: settings.host, backlog: BACKLOG });

  return {
    address,
    /** What the database was kept in before its shape was changed, and those changes; null where none were due. */
    kept,
    /** Whether the demo fleet was loaded just now. */
    demoLoaded,
    /** The fleet that was founded, with its first manager's code; null for none. */
    founded,
    /**
     * Answers what is being answered, and ends. What was sent is taken in first; of it, what still waits for the database
     * then is told to come again soon rather than cut off late.
     */
    async close() {
      await everybodyIsIn();
      pool.options.connectionTimeoutMillis = PATIENCE_AT_END_MS;
      await backups?.close();
      // Whoever was answered just now and keeps the line open would keep the program waiting.
      const idle = setInterval(() => app.server.closeIdleConnections(), HANG_UP_EVERY_MS);
      await Promise.all([app.close(), queue.close()]).finally(() => clearInterval(idle));
      await planner.close();
      await strangers.close();
      await live.close();
      await pool.end();
    },
  };
}
