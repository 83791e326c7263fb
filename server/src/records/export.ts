import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';
import { READING_COLUMNS, type Reading, readingCells, wordsCell } from '@zealous-axle/core';
import { KnownProblem } from '../problem';
import { type Database, streamInFleet } from '../store';

/**
 * Whatever no other reading supersedes, in the order of the file: unit after unit, so that the first lines leave at once
 * and nothing larger than a unit is sorted. A lateral join keeps the order of what stands on its left.
 */
const STANDING = `
  select u.number, r.taken, r.name, r.value
  from (select fleet_id, id, number from unit where $1::uuid is null or id = $1 order by number) u
  cross join lateral (
    select to_char(r.taken_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as taken, p.name, r.value
    from reading r
    join person p on p.fleet_id = r.fleet_id and p.id = r.taken_by
    where r.fleet_id = u.fleet_id and r.unit_id = u.id
      and not exists (select 1 from reading s where s.fleet_id = r.fleet_id and s.supersedes = r.id)
    order by r.taken_at, r.id) r`;

type Row = [number: string, taken: string, name: string, value: Reading];

const PLAIN = /^(?:[\w .:;|/][\w .:;|/=-]*)?$/;
/** A cell of RFC 4180, as no spreadsheet runs it. */
function cell(text: string): string {
  if (PLAIN.test(text)) return text;
  const guarded = wordsCell(text);
  return /[",\r\n]/.test(guarded) ? `"${guarded.replaceAll('"', '""')}"` : guarded;
}

const line = (cells: readonly string[]): string => `${cells.map(cell).join(',')}\r\n`;

const rowLine = ([unit, taken, by, value]: Row): string => line(readingCells(value, unit, taken, by));

/**
 * The readings of a fleet, or of one unit, as `readings.csv`, in pieces as they are asked for: memory stays flat, and a
 * slow reader slows the database. What was written whole is told with its sum.
 */
async function* writeLines(
  db: Database,
  fleetId: string,
  unitId: string | null,
  written: Written,
): AsyncGenerator<string> {
  const sum = createHash('sha256');
  let text = line(READING_COLUMNS);
  for await (const rows of streamInFleet<Row>(db, fleetId, STANDING, [unitId])) {
    for (const row of rows) text += rowLine(row);
    sum.update(text);
    yield text;
    text = '';
  }
  sum.update(text);
  if (text) yield text;
  await written(sum.digest('hex'));
}

/** Hears of a file that was written to its end: its SHA-256, in hexadecimal digits. */
type Written = (sha256: string) => Promise<unknown>;

/** Exports written at once: each holds a connection of its own. */
const MOST = 4;
const MOST_OF_A_FLEET = 2;
const TOO_MANY = 'Other files are in progress. Try again when they are done.';

/** Writes exports, so many at once and no more: others are told to come again. */
export function openExports(db: Database) {
  const running: string[] = [];
  return {
    readings(fleetId: string, unitId: string | null, written: Written = async () => {}): Readable {
      const own = running.filter((each) => each === fleetId).length;
      if (running.length >= MOST || own >= MOST_OF_A_FLEET) throw new KnownProblem('busy', { detail: TOO_MANY });
      running.push(fleetId);
      const stream = Readable.from(writeLines(db, fleetId, unitId, written), { objectMode: false });
      // Read to its end, left in the middle, or broken: it closes once.
      return stream.once('close', () => running.splice(running.indexOf(fleetId), 1));
    },
  };
}
