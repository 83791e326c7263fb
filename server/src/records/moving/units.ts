import { v7 as uuidv7 } from 'uuid';
import { invalid } from '../../problem';
import type { Handler } from '../../run';
import type { FleetStore } from '../../store';
import { meter, paper, unit, unitValues } from '../../units';
import { inBatches, keepMove } from './keep';

/** Where a number of the list is one of the fleet's already, or stands twice. */
async function freeNumbers(store: FleetStore, numbers: readonly string[]): Promise<void> {
  const taken = new Set((await store.select({ number: unit.number }).from(unit)).map(({ number }) => number));
  for (const [at, number] of numbers.entries()) {
    if (taken.has(number)) throw invalid(`body.units.${at}.form.number`, 'number-taken', number);
    taken.add(number);
  }
}

/** Units of a shop's own list, with their papers and what their meters read: all of them, or none. */
export const moveInUnits: Handler<'move-in'> = async (doing) => {
  const { store, session, at, body } = doing;
  const fleetId = session.fleet.id;
  await freeNumbers(
    store,
    body.units.map(({ form }) => form.number),
  );
  const moved = body.units.map((each) => ({ ...each, id: uuidv7() }));
  await inBatches(moved, (some) =>
    store.insert(unit).values(some.map(({ id, form }) => unitValues(fleetId, id, form))),
  );
  const papers = moved.flatMap(({ id: unitId, papers: all }) =>
    all.map(({ name, until }) => ({ fleetId, id: uuidv7(), unitId, paper: name, dueOn: until })),
  );
  await inBatches(papers, (some) => store.insert(paper).values(some));
  const meters = moved.flatMap(({ id: unitId, meter: value }) =>
    value ? [{ fleetId, id: uuidv7(), unitId, value, readBy: session.person.id, readAt: at }] : [],
  );
  await inBatches(meters, (some) => store.insert(meter).values(some));
  const ids = moved.map(({ id }) => id);
  return keepMove(doing, 'units', body, { ids, units: ids });
};
