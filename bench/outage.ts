import { execFileSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { createServer, type Socket } from 'node:net';
import { join } from 'node:path';
import { setTimeout as delay } from 'node:timers/promises';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { startProgram } from '../e2e/cluster';
import { say } from './figures';

const ROOT = join(__dirname, '..');
const CLUSTER = join(ROOT, '.data/outage-cluster');
const COMMANDS = Number(process.env.COMMANDS ?? 10_000);
const SENDERS = 12;
const KILL_EVERY_MS = 4_000;
const WAIT_MS = 200;

const postgres = (act: string): string =>
  execFileSync(join(ROOT, 'scripts/postgres.sh'), [act], { env: { ...process.env, CLUSTER }, encoding: 'utf8' }).trim();

async function signedIn(url: string): Promise<string> {
  const answer = await fetch(`${url}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'driver@lowmarsh', password: 'walk-round' }),
  });
  return answer.headers.get('set-cookie')?.split(';')[0] ?? '';
}

/** Kills the database over and over, and starts it again, until it is told to stop. */
async function storm(going: () => boolean): Promise<number> {
  let kills = 0;
  while (going()) {
    await delay(KILL_EVERY_MS);
    if (!going()) break;
    process.kill(Number(readFileSync(join(CLUSTER, 'data/postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL');
    kills++;
    postgres('start');
  }
  return kills;
}

/** Sends reports until each is acknowledged, through a database that is killed all the while: none is lost, none doubled. */
async function killed(): Promise<void> {
  const database = postgres('start');
  const program = await startProgram(database);
  const cookie = await signedIn(program.url);
  const client = new pg.Client({ connectionString: database });
  await client.connect();
  const { rows } = await client.query<{ id: string }>('select id from unit order by number limit 1');
  await client.end();
  const unit = rows[0]?.id ?? '';
  const sent: string[] = [];
  let left = COMMANDS;
  let refused = 0;
  const sender = async () => {
    while (left-- > 0) {
      const defect = uuidv7();
      const place = { axle: null, side: null, tyre: null };
      const body = {
        id: uuidv7(),
        at: new Date().toISOString(),
        body: { defect, unit, code: 'lamp-out', place, words: '' },
      };
      const post = () =>
        fetch(`${program.url}/api/v1/commands/report-defect`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', cookie },
          body: JSON.stringify(body),
        }).then(
          ({ status }) => status,
          () => 0,
        );
      for (let status = await post(); status !== 200; status = await post()) {
        if (status !== 503 && status !== 0) refused++;
        await delay(WAIT_MS);
      }
      sent.push(defect);
    }
  };
  const senders = Promise.all(Array.from({ length: SENDERS }, sender));
  let going = true;
  const kills = storm(() => going);
  await senders;
  going = false;
  const killedTimes = await kills;
  const after = new pg.Client({ connectionString: postgres('start') });
  await after.connect();
  const found = await after.query('select id from defect where id = any($1)', [sent]);
  const doubled = await after.query(
    "select 1 from event where type = 'report-defect' group by body->>'defect' having count(*) > 1",
  );
  await after.end();
  await program.stop();
  say(
    `kill -9 of the database, ${killedTimes} times over ${sent.length} commands`,
    `${sent.length - found.rows.length} lost, ${doubled.rows.length} doubled, ${refused} answered otherwise than 200 or 503`,
  );
}

/** Asks a server whose database takes connections and says nothing. */
async function hanging(): Promise<void> {
  const database = postgres('start');
  const program = await startProgram(database);
  const cookie = await signedIn(program.url);
  const { port } = new URL(database);
  postgres('stop');
  const open = new Set<Socket>();
  const silent = createServer((socket) => open.add(socket));
  await new Promise<void>((resolve) => silent.listen(Number(port), '127.0.0.1', resolve));
  const from = performance.now();
  const { status } = await fetch(`${program.url}/api/v1/units`, { headers: { cookie } });
  const took = performance.now() - from;
  for (const socket of open) socket.destroy();
  await new Promise((resolve) => silent.close(resolve));
  postgres('start');
  const back = performance.now();
  while ((await fetch(`${program.url}/readyz`)).status !== 200) await delay(WAIT_MS);
  say(
    'a database that hangs',
    `answered ${status} after ${(took / 1000).toFixed(1)} s; back ${((performance.now() - back) / 1000).toFixed(1)} s after the database`,
  );
  await program.stop();
}

const DISK_MB = 400;
const LEFT_MB = 6;
const MB = 1_048_576;

/** Sends reports to a database whose disk fills up, and again when there is room. Takes a memory disk: root alone may make one. */
async function full(): Promise<void> {
  postgres('destroy');
  const disk = `${CLUSTER}-disk`;
  mkdirSync(disk, { recursive: true });
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK_MB}m,mode=755`, 'tmpfs', disk], { stdio: 'ignore' });
  } catch {
    say('a full disk', 'not tried: only root may mount the small disk it takes');
    return;
  }
  const onDisk = (act: string) =>
    execFileSync(join(ROOT, 'scripts/postgres.sh'), [act], {
      env: { ...process.env, CLUSTER: join(disk, 'cluster') },
      encoding: 'utf8',
    }).trim();
  try {
    const database = onDisk('start');
    const program = await startProgram(database);
    const cookie = await signedIn(program.url);
    const units = (await (await fetch(`${program.url}/api/v1/units`, { headers: { cookie } })).json()) as {
      units: { id: string }[];
    };
    const report = async () => {
      const place = { axle: null, side: null, tyre: null };
      const body = {
        defect: uuidv7(),
        unit: units.units[0]?.id,
        code: 'other',
        place,
        words: randomBytes(240).toString('hex'),
      };
      const answer = await fetch(`${program.url}/api/v1/commands/report-defect`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie },
        body: JSON.stringify({ id: uuidv7(), at: new Date().toISOString(), body }),
      });
      return { status: answer.status, retry: answer.headers.get('retry-after') };
    };
    const ballast = join(disk, 'ballast');
    const { bavail, bsize } = statfsSync(disk);
    writeFileSync(ballast, Buffer.alloc(bavail * bsize - LEFT_MB * MB));
    const seen = new Map<string, number>();
    for (let refused = 0, tries = 0; refused < 12 && tries < 60_000; tries++) {
      const { status, retry } = await report();
      if (status !== 200) refused++;
      const name = status === 200 ? '200' : `${status}${retry ? ' with Retry-After' : ''}`;
      seen.set(name, (seen.get(name) ?? 0) + 1);
    }
    rmSync(ballast);
    const from = performance.now();
    while ((await report()).status !== 200) {
      onDisk('start');
      await delay(WAIT_MS);
    }
    say(
      'a full disk',
      `${[...seen].map(([name, count]) => `${count} × ${name}`).join(', ')}; back ${((performance.now() - from) / 1000).toFixed(1)} s after there was room`,
    );
    await program.stop();
  } finally {
    onDisk('destroy');
    execFileSync('umount', [disk]);
    rmSync(disk, { recursive: true });
  }
}

/** What becomes of acknowledged commands when the database is killed or its disk is full, and of questions when it hangs. */
export async function benchOutage(): Promise<void> {
  try {
    await killed();
    await hanging();
    await full();
  } finally {
    postgres('destroy');
  }
}
