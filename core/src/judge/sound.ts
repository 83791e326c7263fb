import { catalogueEntry, checkEntry } from '../catalogue';
import { type Contradiction, contradiction, type Reading, readingPlace } from '../reading';
import { tyresOf, type Unit, wheelEnd } from '../trailer';

const needsEnd = (reading: Reading): boolean =>
  (reading.kind === 'defect' && catalogueEntry(reading.code)?.where !== 'unit') ||
  (reading.kind === 'check' && checkEntry(reading.check)?.at === 'end');

function misplaced(reading: Reading, unit: Unit): Contradiction | null {
  const { axle, side, tyre } = readingPlace(reading);
  if (needsEnd(reading) && !(axle && side))
    return { path: 'axle', message: 'This is noted at a wheel end: give its axle and side' };
  if (axle === null) return null;
  if (axle > unit.axles.length)
    return { path: 'axle', message: `“${unit.id}” has ${unit.axles.length} axles, not ${axle}` };
  const end = wheelEnd(unit, axle, side ?? 'left');
  if (!end || tyre === null) return null;
  const fitted = tyresOf(end);
  if (fitted.includes(tyre)) return null;
  return { path: 'tyre', message: `The tire here is ${fitted.join(' or ')}, not ${tyre}` };
}

/** Why a reading cannot stand, or null: it must not contradict itself, and its place must exist on the unit. */
export const unsound = (reading: Reading, unit: Unit): Contradiction | null =>
  contradiction(reading) ?? misplaced(reading, unit);
