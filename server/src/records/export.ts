import { READING_COLUMNS, type Reading, readingCells } from '@zealous-axle/core';
import { type Database, streamInFleet } from '../store';

/** Whatever no other reading supersedes, in the order of the file. */
const STANDING = `
  select u.number, to_char(r.taken_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'), p.name, r.value
  from reading r
  join unit u on u.fleet_id = r.fleet_id and u.id = r.unit_id
  join person p on p.fleet_id = r.fleet_id and p.id = r.taken_by
  where ($1::uuid is null or r.unit_id = $1)
    and not exists (select 1 from reading s where s.fleet_id = r.fleet_id and s.supersedes = r.id)
  order by u.number, r.taken_at, r.id`;

type Row = [number: string, taken: string, name: string, value: Reading];

const PLAIN = /^(?:[\w .:;|/-][\w .:;|/=-]*)?$/;
/** A cell of RFC 4180. A spreadsheet would run one that begins like a formula: it is kept as words. */
function cell(text: string): string {
  if (PLAIN.test(text)) return text;
  const guarded = /^[=+@\t\r]/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(guarded) ? `"${guarded.replaceAll('"', '""')}"` : guarded;
}

const line = (cells: readonly string[]): string => `${cells.map(cell).join(',')}\r\n`;

const rowLine = ([unit, taken, by, value]: Row): string => line(readingCells(value, unit, taken, by));

/**
 * The readings of a fleet, or of one unit, as `readings.csv`, in pieces as they are asked for: memory stays flat, and a
 * slow reader slows the database.
 */
export async function* writeReadings(db: Database, fleetId: string, unitId: string | null): AsyncGenerator<string> {
  let text = line(READING_COLUMNS);
  for await (const rows of streamInFleet<Row>(db, fleetId, STANDING, [unitId])) {
    for (const row of rows) text += rowLine(row);
    yield text;
    text = '';
  }
  if (text) yield text;
}
