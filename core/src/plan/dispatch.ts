import { parseDistance } from '../measure';

/** A departure as a dispatch system tells it. `to` may be empty. */
export interface Departure {
  tells: 'departure';
  unit: string;
  /** Null: it does not leave after all. */
  at: string | null;
  to: string;
}

/** What a unit's odometer or hub meter read, as a dispatch system was told it. */
export interface Odometer {
  tells: 'meter';
  unit: string;
  at: string;
  /** A distance with its unit. */
  value: string;
}

const LINE = /^ZD1 (leaves|reads) (\S{1,20}) (\S+) ?(.{0,60})$/;
const INSTANT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?(\.\d{1,3})?(Z|[+-]\d{2}:\d{2})$/;

/** A line of the dispatch protocol: `ZD1 leaves H-15 2026-03-04T07:30:00-06:00 Mill`; `never` takes a departure back. */
export const departureLine = ({ unit, at, to }: Omit<Departure, 'tells'>): string =>
  `ZD1 leaves ${unit} ${at ?? 'never'} ${to}`.trimEnd();

/** A line of the dispatch protocol: `ZD1 reads H-15 2026-03-04T07:30:00-06:00 48 210 km`. */
export const odometerLine = ({ unit, at, value }: Omit<Odometer, 'tells'>): string =>
  `ZD1 reads ${unit} ${at} ${value}`;

/** What is told a dispatch system: `ZD1 held H-15 2026-03-04T07:30:00.000Z`, or `free` once nothing holds it any more. */
export const heldLine = ({ unit, at, held }: { unit: string; at: string; held: boolean }): string =>
  `ZD1 ${held ? 'held' : 'free'} ${unit} ${at}`;

/** Reads a line of the dispatch protocol, or says what is wrong with it. */
export function parseDispatch(line: string): Departure | Odometer | { wrong: string } {
  const [, verb, unit, at, rest = ''] = LINE.exec(line.trim()) ?? [];
  if (!verb || !unit || !at)
    return { wrong: 'This is no line of the dispatch protocol: ZD1 leaves H-15 2026-03-04T07:30:00Z Mill' };
  if (verb === 'leaves' && at === 'never') return { tells: 'departure', unit, at: null, to: '' };
  if (!INSTANT.test(at) || Number.isNaN(Date.parse(at))) return { wrong: `“${at}” is not a time with its offset.` };
  const instant = new Date(at).toISOString();
  if (verb === 'leaves') return { tells: 'departure', unit, at: instant, to: rest.trim() };
  const read = parseDistance(rest);
  return read.ok ? { tells: 'meter', unit, at: instant, value: rest.trim() } : { wrong: `${read.message}.` };
}
