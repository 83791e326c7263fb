import { createHash, randomBytes } from 'node:crypto';
import type { CommandBody, CommandName, Role, UnitForm } from '@zealous-axle/core';
import type { FastifyInstance } from 'fastify';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { hashPassword } from '../access/passwords';
import { fleet, person } from '../access/schema';
import { buildApp } from '../app';
import { openLive } from '../feeds/live';
import { COOKIE } from '../http/serving';
import { bay } from '../people/schema';
import { connect, type Database, inFleet } from '../store/connect';
import { serverUrl } from '../store/migrate';
import { unit } from '../units/schema';
import { keepYard } from '../yard/keep';
import { planHere } from './planner';

const A_DAY = 24 * 60;
export const PASSWORD = 'a long enough password';
const ROLES: readonly Role[] = ['driver', 'technician', 'foreman', 'manager'];

export const AXLE = {
  brake: 's-cam',
  chamber: { type: 'clamp', size: '30', stroke: 'standard' },
  adjuster: 'automatic',
  tyres: 'single',
  hub: 'oil',
} as const;

/** A unit as it is set up. */
export const FORM: UnitForm = {
  number: 'T-9',
  body: 'Hopper',
  kind: 'semitrailer',
  site: 'Yard',
  axles: [AXLE, AXLE],
  features: {},
};

/** A fleet of the tests: its people by role, one bay, one two-axle trailer. */
export interface TestFleet {
  id: string;
  slug: string;
  unit: string;
  bay: string;
}

/** A database of its own, made like another one. */
async function databaseLike(template: string): Promise<string> {
  const database = `t_${uuidv7().replaceAll('-', '')}`;
  const url = new URL(process.env.TEST_CLUSTER_URL ?? '');
  const admin = new pg.Client({ connectionString: Object.assign(new URL(url), { pathname: '/template1' }).toString() });
  await admin.connect();
  await admin.query(`create database ${database} template ${template}`);
  await admin.end();
  url.pathname = `/${database}`;
  return url.toString();
}

/** A database with nothing in it. */
export const emptyDatabase = (): Promise<string> => databaseLike('template0');

/** A fleet of the tests with its people, bay and trailer. */
async function fleetNamed(owner: Database, db: Database, slug: string, passwordHash: string): Promise<TestFleet> {
  const made = { id: uuidv7(), slug, unit: uuidv7(), bay: uuidv7() };
  const fleetId = made.id;
  await owner.insert(fleet).values({ fleetId, slug, name: slug, zone: 'America/Chicago', book: 'na' });
  await owner
    .insert(person)
    .values(ROLES.map((role) => ({ fleetId, id: uuidv7(), signIn: role, name: `The ${role}`, role, passwordHash })));
  await owner.insert(bay).values({ fleetId, id: made.bay, name: 'Bay 1', rank: 1 });
  await owner.insert(unit).values({
    fleetId,
    id: made.unit,
    number: 'T-1',
    body: 'Test trailer',
    kind: 'semitrailer',
    axles: [AXLE, AXLE],
  });
  await inFleet(db, fleetId, (store) => keepYard(store, [made.unit]));
  return made;
}

/** The token of a session of a person, as a sign-in at that time would have opened it. */
async function signedIn(owner: pg.Pool, who: string, time: Date): Promise<string> {
  const [name, slug] = who.split('@');
  const secret = randomBytes(32).toString('base64url');
  const { rows } = await owner.query(
    `insert into session (fleet_id, token_hash, person_id, expires_at, seen_at)
     select p.fleet_id, $3, p.id, $4, $5 from person p join fleet f using (fleet_id) where p.sign_in = $1 and f.slug = $2
     returning fleet_id`,
    [name, slug, createHash('sha256').update(secret).digest('hex'), new Date(time.getTime() + 30 * 86_400_000), time],
  );
  if (!rows[0]) throw new Error(`there is no ${who}`);
  return `${rows[0].fleet_id}.${secret}`;
}

let hash: Promise<string> | undefined;

/** Requests as a person sends them. */
function askingAs(app: FastifyInstance, tokenOf: (who: string) => Promise<string>, now: () => Date) {
  const cookies = async (who: string) => ({ [COOKIE]: await tokenOf(who) });
  const raw = async (who: string, path: string) => app.inject({ url: `/api/v1${path}`, cookies: await cookies(who) });
  return {
    raw,
    async get(who: string, path: string) {
      const answer = await raw(who, path);
      return { status: answer.statusCode, body: answer.json() };
    },
    post: async (who: string, path: string, payload: object) =>
      app.inject({ method: 'POST', url: `/api/v1${path}`, cookies: await cookies(who), payload }),
    async send<N extends CommandName>(who: string, name: N, body: CommandBody<N>, id = uuidv7()) {
      const said = now().toISOString();
      const answer = await app.inject({
        method: 'POST',
        url: `/api/v1/commands/${name}`,
        cookies: await cookies(who),
        payload: { id, at: said, sent: said, contact: said, body },
      });
      return { status: answer.statusCode, body: answer.json() };
    },
  };
}

/** A server of its own over a database of its own. */
export async function openWorld() {
  const owner = await databaseLike('postgres');
  const url = serverUrl(owner);
  const asOwner = connect(owner);
  const { pool, db } = connect(url);
  const live = openLive(url);
  let time = new Date('2026-03-02T12:00:00Z');
  const planner = planHere();
  const app = await buildApp({
    db,
    live,
    planner,
    strangers: planner,
    now: () => time,
    web: '/nowhere',
    log: 'silent',
    secure: false,
    offlineDays: 30,
  });
  hash ??= hashPassword(PASSWORD);
  const passwordHash = await hash;

  const makeFleet = (slug: string) => fleetNamed(asOwner.db, db, slug, passwordHash);
  const tokens = new Map<string, string>();
  const tokenOf = async (who: string) => {
    const known = tokens.get(who) ?? (await signedIn(asOwner.pool, who, time));
    tokens.set(who, known);
    return known;
  };

  const asking = askingAs(app, tokenOf, () => time);
  /** Sends a command that must go well. */
  const done = async <N extends CommandName>(who: string, name: N, body: CommandBody<N>) => {
    time = new Date(time.getTime() + 60_000);
    const answer = await asking.send(who, name, body);
    if (answer.status !== 200) throw new Error(`${name}: ${JSON.stringify(answer.body)}`);
    return answer.body as { changed: { kind: string; id: string; version: number | null }[] };
  };

  return {
    app,
    /** The cookie of a person's session. */
    cookie: async (who: string) => `${COOKIE}=${await tokenOf(who)}`,
    db,
    live,
    pool,
    owner: asOwner,
    ownerUrl: owner,
    planner,
    makeFleet,
    ...asking,
    done,
    /** Takes the session of a person whose fleet was copied, rows and all, under another id. */
    signedInAs: (who: string, copied: string, fleetId: string) => {
      tokens.set(who, `${fleetId}.${tokens.get(copied)?.split('.')[1]}`);
    },
    now: () => time,
    later: (minutes: number) => {
      time = new Date(time.getTime() + minutes * 60_000);
      // Whoever was signed in may not be any more.
      if (minutes >= A_DAY) tokens.clear();
    },
    async close() {
      await app.close();
      await planner.close();
      await live.close();
      await pool.end();
      await asOwner.pool.end();
    },
  };
}
export type World = Awaited<ReturnType<typeof openWorld>>;
