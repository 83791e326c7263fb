import {
  type BookId,
  type DisplayUnits,
  type Holidays,
  type Keeping,
  type KeptCheck,
  NO_WORK,
  type OwnSign,
  type PersonWork,
  type PlanWeights,
  type RoadCosts,
  type Role,
} from '@zealous-axle/core';
import {
  bigint,
  boolean,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';
import { at, fleetId, id, shape } from '../store';

export const fleet = pgTable('fleet', {
  fleetId: uuid('fleet_id').primaryKey(),
  slug: text('slug').notNull().unique(),
  name: text('name').notNull(),
  zone: text('zone').notNull(),
  book: text('book').$type<BookId>().notNull(),
  /** The ways the fleet chose where good shops differ; the default where it names none. */
  policies: jsonb('policies').$type<Record<string, string>>().notNull().default({}),
  /** Signs it is stricter about than its book. */
  signs: jsonb('signs').$type<OwnSign[]>().notNull().default([]),
  /** What it looks at besides, as it is asked now. */
  checks: jsonb('checks').$type<KeptCheck[]>().notNull().default([]),
  /** Its own sentences for a walk by heart, by what is read or looked at. */
  phrases: jsonb('phrases').$type<Record<string, string>>().notNull().default({}),
  units: jsonb('units')
    .$type<DisplayUnits>()
    .notNull()
    .default({ length: 'in', pressure: 'psi', distance: 'mi', temperature: '°F' }),
  /** What the road costs, as the shop set it; null until it did. */
  roadCosts: jsonb('road_costs').$type<RoadCosts>(),
  /** What its plan is wanted by; null where it set nothing. */
  planWeights: jsonb('plan_weights').$type<PlanWeights>(),
  /** For how long what of its records is kept; null for ever. */
  keeping: jsonb('keeping').$type<Keeping>(),
  holidays: jsonb('holidays').$type<Holidays>().notNull().default([]),
  version: integer('version').notNull().default(1),
  shape: shape(1),
});

export const person = pgTable(
  'person',
  {
    fleetId,
    id,
    signIn: text('sign_in').notNull(),
    name: text('name').notNull(),
    role: text('role').$type<Role>().notNull(),
    passwordHash: text('password_hash').notNull(),
    active: boolean('active').notNull().default(true),
    /** The hash of a code that opens the door once, and until when. */
    inviteHash: text('invite_hash'),
    inviteUntil: at('invite_until'),
    version: integer('version').notNull().default(1),
    work: jsonb('work').$type<PersonWork>().notNull().default(NO_WORK),
    pinHash: text('pin_hash'),
    /** Wrong PINs since the last full sign-in. */
    pinTries: smallint('pin_tries').notNull().default(0),
    factorSecret: text('factor_secret'),
    factorOn: boolean('factor_on').notNull().default(false),
    /** The half minute of the last code that was used: no code works twice. */
    factorStep: bigint('factor_step', { mode: 'number' }).notNull().default(0),
    /** The hashes of the codes kept on paper. */
    factorKept: text('factor_kept').array().notNull().default([]),
    /** Null reads in the fleet's units. */
    units: jsonb('units').$type<DisplayUnits>(),
    shape: shape(1),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), unique('person_sign_in').on(t.fleetId, t.signIn)],
);

export const session = pgTable(
  'session',
  {
    fleetId,
    tokenHash: text('token_hash').notNull(),
    personId: uuid('person_id').notNull(),
    createdAt: at('created_at').notNull().defaultNow(),
    expiresAt: at('expires_at').notNull(),
    /** When it was last used, to the hour. */
    seenAt: at('seen_at').notNull().defaultNow(),
    /** When somebody signed in on this device in full: a change by PIN keeps it. */
    fullAt: at('full_at').notNull().defaultNow(),
    /** PINs typed wrong in it. */
    pinTries: integer('pin_tries').notNull().default(0),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.tokenHash] })],
);
