import { createHash } from 'node:crypto';
import { dayIn, readingKey } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { findInspection, inspection, keepStanding, reading, settleInspection } from '../inspection';
import { KnownProblem } from '../problem';
import { unitBook } from '../rules';
import { type Changed, changed, type Doing, found, type Handler } from '../run';
import { type GoodLine, readReadings } from './readings-csv';

type Importing = Pick<Doing<'import-readings'>, 'store' | 'session' | 'at' | 'now'>;
type Taken = Pick<GoodLine, 'unit' | 'taken' | 'value'>;

/** The lines of a file by unit and day: each becomes one inspection, begun with its first reading. */
function byUnitAndDay(lines: readonly GoodLine[], zone: string): GoodLine[][] {
  const groups = new Map<string, GoodLine[]>();
  for (const line of [...lines].sort((a, b) => a.taken.getTime() - b.taken.getTime())) {
    const key = `${line.unit.id} ${dayIn(zone, line.taken)}`;
    groups.set(key, [...(groups.get(key) ?? []), line]);
  }
  return [...groups.values()];
}

/** Readings of one unit and day as one inspection, which says where they came from. */
export async function importGroup(doing: Importing, lines: readonly Taken[], because: string): Promise<Changed[]> {
  const { store, session } = doing;
  const [first] = lines;
  if (!first) throw new KnownProblem('broken');
  const id = uuidv7();
  const row = {
    fleetId: session.fleet.id,
    id,
    unitId: first.unit.id,
    purpose: 'import',
    startedBy: session.person.id,
    startedAt: first.taken,
    closedAt: lines.at(-1)?.taken ?? first.taken,
    outcome: 'incomplete',
    because,
  } as const;
  await store.insert(inspection).values(row);
  const by = session.person.id;
  const taken = lines.map(({ value, taken: at }) => ({ id: uuidv7(), inspection: id, value, at, by }));
  await store.insert(reading).values(
    taken.map(({ id: own, value, at }) => ({
      fleetId: session.fleet.id,
      id: own,
      inspectionId: id,
      unitId: first.unit.id,
      key: readingKey(value),
      value,
      takenBy: session.person.id,
      takenAt: at,
    })),
  );
  await keepStanding(doing, first.unit, await unitBook(store, session, first.unit), taken);
  const reported = await settleInspection(doing, found(await findInspection(store, id)), first.unit);
  return [changed('inspection', id), ...reported];
}

/** What shows later which file it was, in the chained event. */
const sumOf = (csv: string): string => createHash('sha256').update(csv).digest('hex');

/** Stores the readings of a file: all of them, or the good ones when that was asked for. */
export const importReadings: Handler<'import-readings'> = async (doing) => {
  const { store, at, body } = doing;
  const { good, bad } = await readReadings(store, body.csv, at);
  if (bad.length && !body.goodLinesOnly)
    throw new KnownProblem('invalid', {
      errors: bad.slice(0, 50).map(({ line, message }) => ({ path: `line ${line}`, message })),
    });
  const made: Changed[] = [];
  for (const group of byUnitAndDay(good, doing.session.fleet.zone))
    made.push(...(await importGroup(doing, group, 'Read from a file')));
  return {
    unitId: null,
    unitIds: [...new Set(good.map(({ unit }) => unit.id))],
    changed: made,
    eventBody: { lines: good.length, left: bad.length, sha256: sumOf(body.csv) },
  };
};
