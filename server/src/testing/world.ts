import { createHash, randomBytes } from 'node:crypto';
import {
  COMMAND_NAMES,
  type CommandBody,
  type CommandName,
  METRIC_UNITS,
  PLAN_WEIGHTS,
  READING_COLUMNS,
  ROUTES,
  type Role,
  type Route,
  TEMPLATES,
  type Template,
  UNIT_COLUMNS,
  type UnitForm,
} from '@zealous-axle/core';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { hashPassword } from '../access/passwords';
import { fleet, person } from '../access/schema';
import { buildApp } from '../app';
import { openLive } from '../feeds/live';
import { bay, unit } from '../fleet/schema';
import { COOKIE } from '../http/serving';
import { connect, inFleet } from '../store/connect';
import { serverUrl } from '../store/migrate';
import { keepYard } from '../yard/keep';
import { planHere } from './planner';

const A_DAY = 24 * 60;
export const PASSWORD = 'a long enough password';
const ROLES: readonly Role[] = ['driver', 'technician', 'foreman', 'manager'];

const AXLE = {
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

let hash: Promise<string> | undefined;

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
    now: () => time,
    web: '/nowhere',
    log: 'silent',
    secure: false,
    offlineDays: 30,
  });
  hash ??= hashPassword(PASSWORD);
  const passwordHash = await hash;

  const makeFleet = async (slug: string): Promise<TestFleet> => {
    const made = { id: uuidv7(), slug, unit: uuidv7(), bay: uuidv7() };
    const fleetId = made.id;
    await asOwner.db.insert(fleet).values({ fleetId, slug, name: slug, zone: 'America/Chicago', book: 'na' });
    await asOwner.db
      .insert(person)
      .values(ROLES.map((role) => ({ fleetId, id: uuidv7(), signIn: role, name: `The ${role}`, role, passwordHash })));
    await asOwner.db.insert(bay).values({ fleetId, id: made.bay, name: 'Bay 1', rank: 1 });
    await asOwner.db.insert(unit).values({
      fleetId,
      id: made.unit,
      number: 'T-1',
      body: 'Test trailer',
      kind: 'semitrailer',
      axles: [AXLE, AXLE],
    });
    await inFleet(db, fleetId, (store) => keepYard(store, [made.unit]));
    return made;
  };

  /** A session of a person, as a sign-in would have opened it. */
  const signIn = async (who: string): Promise<string> => {
    const [name, slug] = who.split('@');
    const secret = randomBytes(32).toString('base64url');
    const { rows } = await asOwner.pool.query(
      `insert into session (fleet_id, token_hash, person_id, expires_at, seen_at)
       select p.fleet_id, $3, p.id, $4, $5 from person p join fleet f using (fleet_id) where p.sign_in = $1 and f.slug = $2
       returning fleet_id`,
      [name, slug, createHash('sha256').update(secret).digest('hex'), new Date(time.getTime() + 30 * 86_400_000), time],
    );
    if (!rows[0]) throw new Error(`there is no ${who}`);
    return `${rows[0].fleet_id}.${secret}`;
  };
  const tokens = new Map<string, string>();
  const tokenOf = async (who: string) => {
    const known = tokens.get(who) ?? (await signIn(who));
    tokens.set(who, known);
    return known;
  };

  const raw = async (who: string, path: string) =>
    app.inject({ url: `/api/v1${path}`, cookies: { [COOKIE]: await tokenOf(who) } });
  const get = async (who: string, path: string) => {
    const answer = await raw(who, path);
    return { status: answer.statusCode, body: answer.json() };
  };
  const post = async (who: string, path: string, payload: object) =>
    app.inject({ method: 'POST', url: `/api/v1${path}`, cookies: { [COOKIE]: await tokenOf(who) }, payload });
  const send = async <N extends CommandName>(who: string, name: N, body: CommandBody<N>, id = uuidv7()) => {
    const answer = await app.inject({
      method: 'POST',
      url: `/api/v1/commands/${name}`,
      cookies: { [COOKIE]: await tokenOf(who) },
      payload: { id, at: time.toISOString(), body },
    });
    return { status: answer.statusCode, body: answer.json() };
  };
  /** Sends a command that must go well. */
  const done = async <N extends CommandName>(who: string, name: N, body: CommandBody<N>) => {
    time = new Date(time.getTime() + 60_000);
    const answer = await send(who, name, body);
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
    get,
    raw,
    post,
    send,
    done,
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

/** The smallest thing that begins like a JPEG. */
export const TINY_JPEG = Buffer.from([0xff, 0xd8, 0xff, 0xd9]).toString('base64');

const place = { axle: null, side: null, tyre: null };

const EXERCISE = { what: 'yard', seed: 7, level: 2, of: 'practice-brakes', vehicle: 'trailer' } as const;

/** A body of every command that its schema takes, about the given fleet; ids that exist nowhere unless given. */
export function sampleBodies(about: TestFleet, known: { defect?: string; job?: string; inspection?: string } = {}) {
  const { unit: unitId, bay: bayId } = about;
  const { defect = uuidv7(), job = uuidv7(), inspection = uuidv7() } = known;
  const route = uuidv7();
  const step = { kind: 'lining', axle: 1, side: 'left', tyre: null } as const;
  const bodies: { [N in CommandName]: CommandBody<N> } = {
    'report-defect': { defect: uuidv7(), unit: unitId, code: 'lamp-out', place, words: 'dark' },
    'report-nothing': { report: uuidv7(), unit: unitId },
    'add-to-report': { defect, note: uuidv7(), words: 'on the left too' },
    'triage-defect': { defect, version: 1, holds: false },
    'dismiss-defect': { defect, version: 1, reason: 'no defect' },
    'measure-defect': { defect, version: 1 },
    'defer-defect': { defect, version: 1, until: '2026-04-01', reason: 'small' },
    'join-defect': { defect, version: 1, with: uuidv7() },
    'find-no-fault': { defect, version: 1, reason: 'nothing there' },
    'take-back-answer': { defect, version: 1 },
    'acknowledge-repair': { defect, version: 1 },
    'make-job': {
      job: uuidv7(),
      unit: unitId,
      title: 'Job',
      defects: [{ defect, version: 1 }],
      minutes: 30,
      wheelsOff: false,
    },
    'make-jobs': { defects: [{ defect, version: 1, job: uuidv7() }] },
    'place-job': { job, version: 1, bay: bayId, day: '2026-03-03' },
    'cancel-job': { job, version: 1, reason: 'not now' },
    'start-job': { job, version: 1 },
    'finish-job': { job, version: 1, done: 'done' },
    'reopen-job': { job, version: 1, reason: 'again' },
    'certify-job': { job, version: 1, statement: 'good' },
    'tick-step': { job, step: 'off 1', done: true },
    'clock-on': { job, time: uuidv7() },
    'clock-off': { job, time: uuidv7(), because: 'pause' },
    'take-part': { job, use: uuidv7(), part: 'lamp', count: 1 },
    'order-part': { job, order: uuidv7(), part: 'lamp', count: 1, due: '2026-03-09' },
    'receive-part': { job, order: uuidv7() },
    'torque-wheel': {
      job,
      check: uuidv7(),
      axle: 1,
      side: 'left',
      holes: 10,
      stage: 'snug',
      value: '475 lb-ft',
      tool: 'wrench 4',
      calibrated: null,
    },
    'do-retorque': { unit: unitId, retorque: uuidv7(), value: '475 lb-ft', tool: 'wrench 4', moved: false },
    'lapse-retorque': { unit: unitId, retorque: uuidv7() },
    'ask-road': { call: uuidv7(), unit: unitId, defect, place: 'mile 12' },
    'take-road-report': { call: uuidv7(), unit: unitId, job: uuidv7() },
    'set-road-costs': { costs: { callOut: 1, serviceHour: 1, lostHour: 1, fine: 1, points: 1 } },
    'save-part': { part: 'lamp', form: { name: 'Lamp', stock: 4, price: 1600, leadDays: 1 } },
    'save-template': { version: 0, definition: { ...(TEMPLATES[0] as Template), name: 'Reline, our way' } },
    hook: { coupling: uuidv7(), unit: unitId, pulled: unitId, place: 'yard' },
    drop: { coupling: uuidv7(), unit: unitId, pulled: unitId, place: 'yard' },
    'record-meter': { meter: uuidv7(), unit: unitId, value: '48 210 km' },
    'hold-trailer': { hold: uuidv7(), unit: unitId, reason: 'looks wrong' },
    'release-trailer': { release: uuidv7(), unit: unitId, statement: 'good' },
    'start-inspection': { inspection: uuidv7(), unit: unitId, purpose: 'full' },
    'take-reading': {
      reading: uuidv7(),
      inspection,
      value: { kind: 'lining', axle: 1, side: 'left', points: ['1/2 in'] },
    },
    'skip-reading': { skip: uuidv7(), inspection, step, reason: 'mud' },
    'close-inspection': { inspection, outcome: 'incomplete', because: 'rain' },
    'attach-photo': {
      photo: uuidv7(),
      unit: unitId,
      inspection: null,
      defect: null,
      key: null,
      width: 2,
      height: 2,
      jpeg: TINY_JPEG,
    },
    'import-readings': { csv: `${READING_COLUMNS.join(',')}\n`, goodLinesOnly: false },
    'import-units': { csv: `${UNIT_COLUMNS.join(',')}\n`, goodLinesOnly: false },
    'add-unit': { unit: uuidv7(), form: FORM },
    'set-unit': { unit: unitId, version: 1, form: FORM },
    'set-chamber': { unit: unitId, axle: 1, side: null, chamber: { type: 'clamp', size: '24', stroke: 'long' } },
    'set-unit-state': { unit: unitId, version: 1, state: 'sold', reason: 'sold' },
    'invite-person': {
      person: uuidv7(),
      signIn: 'newcomer',
      form: { name: 'New Comer', role: 'driver' },
      code: 'K7QM-2XWD-9HRT',
    },
    'set-person': { person: uuidv7(), version: 1, form: { name: 'Other', role: 'driver' } },
    'set-person-left': { person: uuidv7(), version: 1, left: true },
    'reset-person': { person: uuidv7(), version: 1, code: 'K7QM-2XWD-9HRT' },
    'save-bay': { bay: uuidv7(), name: 'Bay 2' },
    'set-holidays': { version: 1, holidays: [{ day: '2026-03-06', name: 'Seed day' }] },
    'set-departure': { unit: unitId, departure: { at: '2026-03-04T08:00:00Z', to: 'Wharf' } },
    'set-practice-task': { task: uuidv7(), name: 'Brakes', person: null, exercise: EXERCISE, due: null, pass: 80 },
    'withdraw-practice-task': { task: uuidv7() },
    'tell-practice': { task: null, words: '1L stroke', done: 1, of: 20 },
    'finish-practice': { result: uuidv7(), task: null, exercise: EXERCISE, marks: 90, seconds: 60, items: [], off: [] },
    'open-exam': {
      exam: uuidv7(),
      code: 'K7QM2X',
      form: 'Engine side',
      cards: [{ id: 'engine/belts', point: 'Belts', says: ['tight'], figure: null, mustNotFail: false }],
    },
    'mark-exam': { exam: uuidv7(), card: 'engine/belts', said: true },
    'set-plan-weights': { version: 1, weights: PLAN_WEIGHTS },
    'ask-plan': { run: uuidv7(), how: 'anew', seconds: 1 },
    'cancel-plan': { run: uuidv7() },
    'put-plan-aside': { run: uuidv7() },
    'open-calendar': { calendar: uuidv7(), whose: 'shop', secret: 'S'.repeat(40) },
    'close-calendar': { calendar: uuidv7() },
    'bundle-work': { unit: unitId, key: 'lining@1L', seen: '2026-03-01T12:00:00.000Z', job: uuidv7() },
    'decline-work': { unit: unitId, key: 'lining@1L', seen: '2026-03-01T12:00:00.000Z' },
    'publish-plan': {
      version: 0,
      slots: [
        {
          job,
          bay: bayId,
          technicians: [],
          start: '2026-03-03T14:00:00Z',
          end: '2026-03-03T15:00:00Z',
          setupMinutes: 0,
          pinned: false,
        },
      ],
    },
    'set-fleet-rules': { version: 1, book: 'na', policies: {}, units: METRIC_UNITS },
    'set-own-units': { units: METRIC_UNITS },
    'add-fleet-limit': { limit: uuidv7(), tightens: 'lining.drum', value: '5/16 in', reason: 'hills' },
    'withdraw-fleet-limit': { limit: uuidv7(), reason: 'flat again' },
    'set-fitted': { unit: unitId, key: 'check:spring@1L', fitted: false },
    'set-maker-limit': {
      unit: unitId,
      axle: 1,
      side: null,
      reading: 'lining',
      limit: { value: '5/16 in', source: 'manual' },
    },
    'save-route': { route, version: 0, definition: { ...(ROUTES[0] as Route), id: route } },
    'remove-route': { route, version: 1 },
    'record-paper': {
      paper: uuidv7(),
      unit: unitId,
      name: 'Insurance',
      good: { until: '2026-12-31' },
    },
    'record-sticker': { paper: uuidv7(), unit: unitId, month: '2026-03' },
  };
  return bodies;
}
export const EVERY_COMMAND = COMMAND_NAMES;
