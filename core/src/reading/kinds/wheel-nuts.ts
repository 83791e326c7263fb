import { z } from 'zod';
import { type Contradiction, endOf, endPlace, kindOf } from '../kind';

const stud = z.int().min(1).max(12);
const studs = z.array(stud).max(12).optional();

const schema = z.strictObject({
  kind: z.literal('wheel-nuts'),
  ...endPlace,
  /** Stud holes of the wheel; positions count clockwise from the top, from 1. */
  holes: z.int().min(4).max(12),
  loose: studs,
  missing: studs,
  rust: studs,
});
type Nuts = z.infer<typeof schema>;

function contradiction(reading: Nuts): Contradiction | null {
  const path = (['loose', 'missing', 'rust'] as const).find((each) =>
    reading[each]?.some((position) => position > reading.holes),
  );
  if (path) return { path, message: `A wheel with ${reading.holes} holes has no such position` };
  const both = reading.loose?.find((position) => reading.missing?.includes(position));
  return both ? { path: 'loose', message: `The fastener at ${both} cannot be loose and missing` } : null;
}

function text({ holes, loose = [], missing = [], rust = [] }: Nuts): string {
  const gone = new Set([...loose, ...missing]).size;
  if (gone) return `${gone} of ${holes} loose or missing`;
  return rust.length ? `rust at ${rust.length} of ${holes}` : `${holes} tight`;
}

export const wheelNuts = kindOf(schema)({
  kind: 'wheel-nuts',
  part: 'wheel',
  words: 'Lug nuts',
  plural: true,
  short: 'Nuts',
  at: 'end',
  contradiction,
  text,
  good: (at) => ({ kind: 'wheel-nuts', ...endOf(at), holes: 10, loose: [], missing: [], rust: [] }),
});
