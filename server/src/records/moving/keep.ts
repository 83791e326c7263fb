import type { CommandName, MoveList } from '@zealous-axle/core';
import { type Changed, changed, type Doing, type Done } from '../../run';
import { moveIn } from './schema';

/** Rows written at once. */
const BATCH = 200;

/** Writes many rows, some at a time. */
export async function inBatches<R>(rows: readonly R[], insert: (some: R[]) => Promise<unknown>): Promise<void> {
  for (let from = 0; from < rows.length; from += BATCH) await insert(rows.slice(from, from + BATCH));
}

type Moving = Pick<Doing<Extract<CommandName, 'move-in'>>, 'store' | 'session' | 'at'>;
interface Brought {
  /** Ids of what it brought, as it is taken back by. */
  ids: readonly string[];
  units?: readonly string[];
  changed?: readonly Changed[];
}

/** Writes down what a list brought. The event keeps how much it was: the rows say what. */
export async function keepMove(
  { store, session, at }: Moving,
  list: MoveList,
  body: { move: string; name: string },
  { ids, units = [], changed: more = [] }: Brought,
): Promise<Done> {
  await store.insert(moveIn).values({
    fleetId: session.fleet.id,
    id: body.move,
    list,
    name: body.name,
    brought: [...ids],
    movedBy: session.person.id,
    movedAt: at,
  });
  return {
    unitId: null,
    unitIds: units,
    changed: [changed('move-in', body.move), ...more],
    eventBody: { move: body.move, name: body.name, list, rows: ids.length },
  };
}
