import type { Axle, UnitKind } from '@zealous-axle/core';
import { date, foreignKey, index, integer, jsonb, pgTable, primaryKey, text, unique } from 'drizzle-orm/pg-core';
import { fleetId, id, unitId } from './columns';

export const unit = pgTable(
  'unit',
  {
    fleetId,
    id,
    number: text('number').notNull(),
    body: text('body').notNull(),
    kind: text('kind').$type<UnitKind>().notNull(),
    axles: jsonb('axles').$type<Axle[]>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), unique('unit_number').on(t.fleetId, t.number)],
);

/** The unit a row belongs to. */
export const ofUnit = (t: { fleetId: typeof unit.fleetId; unitId: typeof unit.id }) =>
  foreignKey({ columns: [t.fleetId, t.unitId], foreignColumns: [unit.fleetId, unit.id] });

export const paper = pgTable(
  'paper',
  { fleetId, id, unitId, paper: text('paper').notNull(), dueOn: date('due_on', { mode: 'string' }).notNull() },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    ofUnit(t as never),
    index('paper_unit').on(t.fleetId, t.unitId, t.dueOn),
  ],
);

export const bay = pgTable(
  'bay',
  { fleetId, id, name: text('name').notNull(), rank: integer('rank').notNull() },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);
