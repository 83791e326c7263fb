import { byUnitAndDay, dayIn, instantAt, unsound } from '@zealous-axle/core';
import { invalid, KnownProblem } from '../../problem';
import type { Changed, Handler } from '../../run';
import { importGroup } from '../handlers';
import { keepMove } from './keep';
import { unitsByNumber } from './known';

/** What was last read, as a list tells it: one inspection for each unit and day, said to be from that list. */
export const moveInReadings: Handler<'move-in-readings'> = async (doing) => {
  const { store, session, at, body } = doing;
  const { zone } = session.fleet;
  const units = await unitsByNumber(
    store,
    body.readings.map(({ unit }) => unit),
  );
  const today = dayIn(zone, at);
  for (const [nth, { unit, day, readings }] of body.readings.entries()) {
    const known = units.get(unit);
    if (!known) throw invalid(`body.readings.${nth}.unit`, 'no-unit', unit);
    if (day > today) throw invalid(`body.readings.${nth}.day`, 'future', day);
    for (const value of readings) {
      const wrong = unsound(value, { id: known.number, kind: known.kind, axles: known.axles });
      if (wrong)
        throw new KnownProblem('invalid', {
          errors: [{ path: `body.readings.${nth}.readings`, message: wrong.message }],
        });
    }
  }
  const made: Changed[] = [];
  for (const { unit: number, day, by, readings } of byUnitAndDay(body.readings)) {
    const unit = units.get(number);
    if (!unit) continue;
    const noon = instantAt(zone, day, '12:00');
    const taken = noon < at ? noon : at;
    made.push(
      ...(await importGroup(
        doing,
        readings.map((value) => ({ unit, taken, value })),
        `Read from a list, ${body.name}${by ? `, which names ${by}` : ''}`,
      )),
    );
  }
  const ids = made.flatMap(({ kind, id }) => (kind === 'inspection' ? [id] : []));
  return keepMove(doing, 'readings', body, { ids, units: [...units.values()].map(({ id }) => id), changed: made });
};
