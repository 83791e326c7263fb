/** A departure as a dispatch system tells it. `to` may be empty. */
export interface Departure {
  unit: string;
  /** Null: it does not leave after all. */
  at: string | null;
  to: string;
}

const LINE = /^ZD1 leaves (\S{1,20}) (\S+) ?(.{0,60})$/;
const INSTANT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?(\.\d{1,3})?(Z|[+-]\d{2}:\d{2})$/;

/** A line of the dispatch protocol: `ZD1 leaves H-15 2026-03-04T07:30:00-06:00 Mill`; `never` takes a departure back. */
export const departureLine = ({ unit, at, to }: Departure): string =>
  `ZD1 leaves ${unit} ${at ?? 'never'} ${to}`.trimEnd();

/** Reads a line of the dispatch protocol, or says what is wrong with it. */
export function parseDeparture(line: string): Departure | { wrong: string } {
  const [, unit, at, to = ''] = LINE.exec(line.trim()) ?? [];
  if (!unit || !at)
    return { wrong: 'This is no line of the dispatch protocol: ZD1 leaves H-15 2026-03-04T07:30:00Z Mill' };
  if (at === 'never') return { unit, at: null, to: '' };
  if (!INSTANT.test(at) || Number.isNaN(Date.parse(at))) return { wrong: `“${at}” is no instant with its offset.` };
  return { unit, at: new Date(at).toISOString(), to: to.trim() };
}
