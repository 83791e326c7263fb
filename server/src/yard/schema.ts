import type { LookedAt, UnitKind, Verdict } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import { boolean, date, index, integer, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { at, fleetId, shape, unitId } from '../store';

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
    /** When the oldest reading of its axle ends was taken. */
    lastMeasured: at('last_measured'),
    /** What it meets as it stands, whoever read it and when. */
    verdict: text('verdict').$type<Verdict>(),
    /** The verdict's place among them, worst first; after all of them where there is none. */
    verdictRank: integer('verdict_rank').notNull(),
    duePaper: text('due_paper'),
    dueOn: date('due_on', { mode: 'string' }),
    /** What of it was looked at, when and by whom. */
    looked: jsonb('looked').$type<LookedAt[]>().notNull(),
    shape: shape(1),
    walkedAt: at('walked_at'),
    walkedBy: text('walked_by'),
    /** Since when somebody waits for help that nobody answered yet. */
    helpSince: at('help_since'),
    /** Since when and by whom the inspection is open that read something of it last. */
    inspectingSince: at('inspecting_since'),
    inspectingBy: text('inspecting_by'),
    /** The rules changed, and what stands was not judged by them yet. */
    judging: boolean('judging').notNull().default(false),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.unitId] }),
    index('yard_row_urgency').on(t.fleetId, t.urgency, t.number),
    index('yard_row_number').on(t.fleetId, t.number),
    index('yard_row_verdict').on(t.fleetId, t.verdictRank, t.number),
    index('yard_row_due').on(t.fleetId, t.dueOn, t.number),
    index('yard_row_measured').on(t.fleetId, t.lastMeasured, t.number),
    index('yard_row_judging').on(t.fleetId, t.unitId).where(sql`${t.judging}`),
  ],
);
