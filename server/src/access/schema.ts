import type { BookId, DisplayUnits, Role } from '@zealous-axle/core';
import { boolean, integer, jsonb, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, shape } from '../store';

export const fleet = pgTable('fleet', {
  fleetId: uuid('fleet_id').primaryKey(),
  slug: text('slug').notNull().unique(),
  name: text('name').notNull(),
  zone: text('zone').notNull(),
  book: text('book').$type<BookId>().notNull(),
  /** The ways the fleet chose where good shops differ; the default where it names none. */
  policies: jsonb('policies').$type<Record<string, string>>().notNull().default({}),
  units: jsonb('units')
    .$type<DisplayUnits>()
    .notNull()
    .default({ length: 'in', pressure: 'psi', distance: 'mi', temperature: '°F' }),
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
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.tokenHash] })],
);
