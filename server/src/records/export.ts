import { READING_COLUMNS, type Reading, readingRow } from '@zealous-axle/core';
import QueryStream from 'pg-query-stream';
import { type Database, streamInFleet } from '../store';

/** Rows fetched at a time: what is held in memory, however many there are. */
const BATCH = 1_000;
/** Characters sent at a time. */
const CHUNK = 64 * 1024;

/** Whatever no other reading supersedes, in the order of the file. */
const STANDING = `
  select u.number, r.taken_at, p.name, r.value
  from reading r
  join unit u on u.fleet_id = r.fleet_id and u.id = r.unit_id
  join person p on p.fleet_id = r.fleet_id and p.id = r.taken_by
  where ($1::uuid is null or r.unit_id = $1)
    and not exists (select 1 from reading s where s.fleet_id = r.fleet_id and s.supersedes = r.id)
  order by u.number, r.taken_at, r.id`;

type Row = [number: string, takenAt: Date, name: string, value: Reading];

/** A cell of RFC 4180. A spreadsheet would run one that begins like a formula: it is kept as words. */
function cell(text: string): string {
  const guarded = /^[=+@\t\r]/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(guarded) ? `"${guarded.replaceAll('"', '""')}"` : guarded;
}

const line = (cells: readonly string[]): string => `${cells.map(cell).join(',')}\r\n`;

function rowLine([unit, takenAt, by, value]: Row): string {
  const row = readingRow(value, { unit, taken: takenAt.toISOString(), by });
  return line(READING_COLUMNS.map((name) => row[name]));
}

/**
 * The readings of a fleet, or of one unit, as `readings.csv`, in pieces as they are asked for: memory stays flat, and a
 * slow reader slows the database.
 */
export async function* writeReadings(db: Database, fleetId: string, unitId: string | null): AsyncGenerator<string> {
  const query = new QueryStream(STANDING, [unitId], { batchSize: BATCH, highWaterMark: BATCH, rowMode: 'array' });
  let text = line(READING_COLUMNS);
  for await (const row of streamInFleet(db, fleetId, query)) {
    text += rowLine(row as Row);
    if (text.length < CHUNK) continue;
    yield text;
    text = '';
  }
  if (text) yield text;
}
