import type { MoveList } from '@zealous-axle/core';
import { eq, inArray, sql } from 'drizzle-orm';
import { notNow } from '../../problem';
import { changed, found, type Handler } from '../../run';
import type { FleetStore } from '../../store';
import { unit } from '../../units';
import { inBatches } from './keep';
import { moveIn } from './schema';

type Move = typeof moveIn.$inferSelect;

/** Names of what something rests on; the first few. */
type Rests = (store: FleetStore, move: Move) => Promise<string[]>;
interface Undoing {
  rests: Rests;
  remove: (store: FleetStore, ids: string[], move: Move) => Promise<unknown>;
  /** The units it concerns. */
  units?: (store: FleetStore, move: Move) => Promise<string[]>;
}

const idsIn = (ids: readonly string[]) => sql`(select jsonb_array_elements_text(${JSON.stringify(ids)}::jsonb)::uuid)`;
const named = async (store: FleetStore, query: ReturnType<typeof sql>): Promise<string[]> =>
  (await store.execute<{ name: string }>(query)).rows.map(({ name }) => name);

/** What is of a unit that was used: read, reported, held, planned, hooked, changed or driven since it moved in. */
const OF_UNIT = [
  'inspection',
  'defect',
  'hold',
  'job',
  'photo',
  'clean_report',
  'unit_change',
  'departure',
  'release',
  'fitted_part',
  'retorque',
  'road_call',
  'coupling',
  'forecast_declined',
  'past_repair',
];

const unitsRest: Rests = (store, { brought, movedAt }) => {
  const rests = OF_UNIT.map((table) =>
    sql.raw(`exists (select 1 from ${table} t where t.fleet_id = u.fleet_id and t.unit_id = u.id)`),
  );
  return named(
    store,
    sql`
    select u.number as name from unit u
    where u.id in ${idsIn(brought)} and (
      u.version > 1
      or exists (select 1 from coupling c where c.fleet_id = u.fleet_id and c.pulled_id = u.id)
      or exists (select 1 from outside_message o where o.fleet_id = u.fleet_id and o.about = u.id)
      or exists (select 1 from meter m where m.fleet_id = u.fleet_id and m.unit_id = u.id and m.read_at <> ${movedAt.toISOString()}::timestamptz)
      or ${sql.join(rests, sql.raw(' or '))})
    order by u.number limit 4`,
  );
};

/** What somebody took, ordered, counted or named otherwise since. */
const partsRest: Rests = (store, { brought }) =>
  named(
    store,
    sql`
    select p.name from part p
    where p.id in (select jsonb_array_elements_text(${JSON.stringify(brought)}::jsonb)) and (
      p.version > 1 or p.stock_version > 1
      or exists (select 1 from part_use t where t.fleet_id = p.fleet_id and t.part_id = p.id)
      or exists (select 1 from part_order t where t.fleet_id = p.fleet_id and t.part_id = p.id))
    order by p.name limit 4`,
  );

/** Who came in, or whom somebody changed: their code is used up, or their row is another. */
const peopleRest: Rests = (store, { brought }) =>
  named(
    store,
    sql`
    select p.name from person p
    where p.id in ${idsIn(brought)} and (
      p.version > 1 or p.invite_hash is null
      or exists (select 1 from event e where e.fleet_id = p.fleet_id and e.person_id = p.id))
    order by p.name limit 4`,
  );

/** Units that were inspected beside this list, or whose reports from it somebody took up. */
const readingsRest: Rests = (store, { brought }) =>
  named(
    store,
    sql`
    select distinct u.number as name from inspection m join unit u on u.fleet_id = m.fleet_id and u.id = m.unit_id
    where m.id in ${idsIn(brought)} and (
      exists (select 1 from inspection i where i.fleet_id = u.fleet_id and i.unit_id = u.id and i.id not in ${idsIn(brought)})
      or exists (select 1 from release t where t.fleet_id = u.fleet_id and t.unit_id = u.id)
      or exists (select 1 from hold t where t.fleet_id = u.fleet_id and t.unit_id = u.id
        and (t.inspection_id is null or t.inspection_id not in ${idsIn(brought)}
          or exists (select 1 from hold_released r where r.fleet_id = t.fleet_id and r.hold_id = t.id)))
      or exists (select 1 from fitted_part t where t.fleet_id = u.fleet_id and t.unit_id = u.id)
      or exists (select 1 from photo t where t.fleet_id = u.fleet_id and t.inspection_id = m.id)
      or exists (
        select 1 from defect d where d.fleet_id = u.fleet_id and d.inspection_id = m.id and (
          d.version > 1 or d.job_id is not null or d.answered_at is not null
          or exists (select 1 from report_note n where n.fleet_id = d.fleet_id and n.defect_id = d.id)
          or exists (select 1 from acknowledgement a where a.fleet_id = d.fleet_id and a.defect_id = d.id)
          or exists (select 1 from defect o where o.fleet_id = d.fleet_id and (o.joined_to = d.id or o.come_back_of = d.id)))))
    order by u.number limit 4`,
  );

const NOTHING_RESTS: Rests = async () => [];
const unitsOf =
  (table: 'past_repair' | 'inspection') =>
  (store: FleetStore, { brought }: Move) =>
    named(store, sql`select distinct unit_id::text as name from ${sql.raw(table)} where id in ${idsIn(brought)}`);

const UNDOING: Record<MoveList, Undoing> = {
  units: {
    rests: unitsRest,
    units: async (_, { brought }) => brought,
    remove: async (store, some, { id }) => {
      await store.execute(sql`insert into record_gone (fleet_id, tab, row_key, why)
        select fleet_id, 'meter', id::text, ${`undo-move-in ${id}`} from meter where unit_id in ${idsIn(some)}`);
      for (const table of ['forecast', 'forecast_unit', 'yard_row', 'paper', 'meter'])
        await store.execute(sql`delete from ${sql.raw(table)} where unit_id in ${idsIn(some)}`);
      await store.execute(sql`delete from unit where id in ${idsIn(some)}`);
    },
  },
  parts: {
    rests: partsRest,
    remove: (store, some) =>
      store.execute(
        sql`delete from part where id in (select jsonb_array_elements_text(${JSON.stringify(some)}::jsonb))`,
      ),
  },
  people: {
    rests: peopleRest,
    remove: (store, some) => store.execute(sql`delete from person where id in ${idsIn(some)}`),
  },
  repairs: {
    rests: NOTHING_RESTS,
    units: unitsOf('past_repair'),
    remove: (store, some) => store.execute(sql`delete from past_repair where id in ${idsIn(some)}`),
  },
  readings: {
    rests: readingsRest,
    units: unitsOf('inspection'),
    // Nobody of this program may delete a reading: the database does it itself, for a move that stands.
    remove: (store, some, { id }) =>
      store.execute(sql`select take_back_readings(${id}::uuid, ${JSON.stringify(some)}::jsonb)`),
  },
};

/** Takes a whole move back, while nothing rests on it. The event of the move stays. */
export const undoMoveIn: Handler<'undo-move-in'> = async ({ store, session, at, body }) => {
  const [row] = await store.select().from(moveIn).where(eq(moveIn.id, body.move)).for('update');
  const move = found(row);
  if (move.undoneAt) throw notNow('move-undone');
  const { rests, remove, units: unitsIn } = UNDOING[move.list];
  const units = (await unitsIn?.(store, move)) ?? [];
  // Nobody begins anything on them meanwhile.
  await inBatches([...units].sort(), (some) =>
    store.select({ id: unit.id }).from(unit).where(inArray(unit.id, some)).orderBy(unit.id).for('update'),
  );
  const [first, ...others] = await rests(store, move);
  if (first) throw notNow('rests-on-move', [first, ...others]);
  await inBatches(move.brought, (some) => remove(store, some, move));
  await store.update(moveIn).set({ undoneBy: session.person.id, undoneAt: at }).where(eq(moveIn.id, move.id));
  return {
    unitId: null,
    // Whoever looks at the yard reads it again.
    unitIds: units,
    changed: [changed('move-in', move.id)],
    eventBody: { move: move.id, list: move.list, rows: move.brought.length },
  };
};
