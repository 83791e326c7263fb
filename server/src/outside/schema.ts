import type { OutsideThing, OutsideWay } from '@zealous-axle/core';
import { index, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, recordedAt, shape } from '../store';

/** How a fleet uses a thing outside; without a row it does not. */
export const outside = pgTable(
  'outside',
  {
    fleetId,
    thing: text('thing').$type<OutsideThing>().notNull(),
    way: text('way').$type<OutsideWay>().notNull(),
    phone: text('phone').notNull().default(''),
    url: text('url').notNull().default(''),
    /** What both sides sign with: it must be read to sign, so it stands here as it is. */
    secret: text('secret'),
    version: integer('version').notNull().default(1),
    setBy: uuid('set_by').notNull(),
    setAt: at('set_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.thing] })],
);

/** What is told to the outside: kept until it was taken, or given up. */
export const outsideMessage = pgTable(
  'outside_message',
  {
    fleetId,
    id,
    thing: text('thing').$type<OutsideThing>().notNull(),
    /** The unit it is about. */
    about: uuid('about'),
    body: jsonb('body').$type<object>().notNull(),
    shape: shape(1),
    tries: integer('tries').notNull().default(0),
    problem: text('problem'),
    deliveredAt: at('delivered_at'),
    givenUpAt: at('given_up_at'),
    recordedAt,
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('outside_message_about_unit').on(t.fleetId, t.about, t.recordedAt.desc()),
  ],
);

/** The newest line of each kind that a dispatch system told of a unit. */
export const dispatchLine = pgTable(
  'dispatch_line',
  {
    fleetId,
    unitNumber: text('unit_number').notNull(),
    verb: text('verb').notNull(),
    line: text('line').notNull(),
    toldAt: at('told_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.unitNumber, t.verb] })],
);
