import { readingKey } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { inspection, keepStanding, reading } from '../inspection';
import { KnownProblem } from '../problem';
import { changed, type Doing, type Handler } from '../run';
import { type GoodLine, readReadings } from './readings-csv';

type Importing = Doing<'import-readings'>;

/** The lines of a file by unit and day: each becomes one inspection, begun with its first reading. */
function byUnitAndDay(lines: readonly GoodLine[]): GoodLine[][] {
  const groups = new Map<string, GoodLine[]>();
  for (const line of [...lines].sort((a, b) => a.taken.getTime() - b.taken.getTime())) {
    const key = `${line.unit.id} ${line.taken.toISOString().slice(0, 10)}`;
    groups.set(key, [...(groups.get(key) ?? []), line]);
  }
  return [...groups.values()];
}

async function importGroup(doing: Importing, lines: readonly GoodLine[]): Promise<string> {
  const { store, session } = doing;
  const [first] = lines;
  if (!first) throw new KnownProblem('broken');
  const id = uuidv7();
  await store.insert(inspection).values({
    fleetId: session.fleet.id,
    id,
    unitId: first.unit.id,
    purpose: 'import',
    startedBy: session.person.id,
    startedAt: first.taken,
    closedAt: lines.at(-1)?.taken ?? first.taken,
    outcome: 'incomplete',
    because: 'Read from a file',
  });
  for (const line of lines) {
    const readingId = uuidv7();
    await store.insert(reading).values({
      fleetId: session.fleet.id,
      id: readingId,
      inspectionId: id,
      unitId: line.unit.id,
      key: readingKey(line.value),
      value: line.value,
      takenBy: session.person.id,
      takenAt: line.taken,
    });
    await keepStanding(doing, line.unit, { id: readingId, inspection: id, value: line.value, at: line.taken });
  }
  return id;
}

/** Stores the readings of a file: all of them, or the good ones when that was asked for. */
export const importReadings: Handler<'import-readings'> = async (doing) => {
  const { store, at, body } = doing;
  const { good, bad } = await readReadings(store, body.csv, at);
  if (bad.length && !body.goodLinesOnly)
    throw new KnownProblem('invalid', {
      errors: bad.slice(0, 50).map(({ line, message }) => ({ path: `line ${line}`, message })),
    });
  const made: string[] = [];
  for (const group of byUnitAndDay(good)) made.push(await importGroup(doing, group));
  return {
    unitId: null,
    changed: made.map((id) => changed('inspection', id)),
    eventBody: { lines: good.length, left: bad.length },
  };
};
