import type { WearingKind, Whose } from '@zealous-axle/core';
import { date, index, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, place, unitId } from '../store';

/** Units whose forecast is worked out, and when it last was. */
export const forecastUnit = pgTable('forecast_unit', { fleetId, unitId, madeAt: at('made_at').notNull() }, (t) => [
  primaryKey({ columns: [t.fleetId, t.unitId] }),
]);

/** What reaches a limit and when: worked out from the readings, made anew whenever they change. */
export const forecast = pgTable(
  'forecast',
  {
    fleetId,
    unitId,
    key: text('key').notNull(),
    kind: text('kind').$type<WearingKind>().notNull(),
    ...place,
    state: text('state').$type<'foreseen' | 'past'>().notNull(),
    whose: text('whose').$type<Whose>().notNull(),
    value: text('value').notNull(),
    /** The day it is expected to be reached; of what is past it, the day it was worked out. */
    dueOn: date('due_on', { mode: 'string' }).notNull(),
    earliest: date('earliest', { mode: 'string' }),
    latest: date('latest', { mode: 'string' }),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.unitId, t.key] }),
    index('forecast_due').on(t.fleetId, t.dueOn, t.unitId, t.key),
  ],
);

/** Proposals answered with no, each for the reading it was made from. */
export const forecastDeclined = pgTable(
  'forecast_declined',
  {
    fleetId,
    unitId,
    key: text('key').notNull(),
    seen: at('seen').notNull(),
    declinedBy: uuid('declined_by').notNull(),
    declinedAt: at('declined_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.unitId, t.key] })],
);
