import type { UnitKind, Verdict } from '@zealous-axle/core';
import { boolean, date, index, integer, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { at, fleetId, unitId } from '../store';

/**
 * What the yard shows of a unit and sorts by. Derived: kept in the transaction that changes the unit, rebuilt by
 * `npm run yard:rebuild`, and proven equal to the facts by a test.
 */
export const yardRow = pgTable(
  'yard_row',
  {
    fleetId,
    unitId,
    number: text('number').notNull(),
    body: text('body').notNull(),
    kind: text('kind').$type<UnitKind>().notNull(),
    site: text('site').notNull(),
    held: boolean('held').notNull(),
    /** How soon somebody should look: held first, then what has open defects, then the rest. */
    urgency: integer('urgency').notNull(),
    openDefects: integer('open_defects').notNull(),
    toAcknowledge: integer('to_acknowledge').notNull(),
    lastMeasured: at('last_measured'),
    verdict: text('verdict').$type<Verdict>(),
    /** The verdict's place among them, worst first; after all of them where there is none. */
    verdictRank: integer('verdict_rank').notNull(),
    duePaper: text('due_paper'),
    dueOn: date('due_on', { mode: 'string' }),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.unitId] }),
    index('yard_row_urgency').on(t.fleetId, t.urgency, t.number),
    index('yard_row_number').on(t.fleetId, t.number),
    index('yard_row_verdict').on(t.fleetId, t.verdictRank, t.number),
    index('yard_row_due').on(t.fleetId, t.dueOn, t.number),
    index('yard_row_measured').on(t.fleetId, t.lastMeasured, t.number),
  ],
);
