import { z } from 'zod';
import { unsound } from '../../judge';
import { type Day, dayText, parseLength, wordsText } from '../../measure';
import { type Reading, readingSchema } from '../../reading';
import type { Axle, Side, Tyre, UnitKind } from '../../trailer';
import type { PlacedColumn } from './columns';
import type { MoveField } from './fields';
import type { Reader } from './reader';
import type { DayOrder } from './written-day';

/** Kinds of readings a list may bring. */
const MOVED_KINDS = ['stroke-applied', 'lining', 'tread'] as const;

/** Readings of one unit and day, as a list tells them, and whom the list names for them. */
export const movedReadingsSchema = z.strictObject({
  unit: wordsText(20),
  day: dayText,
  by: z.string().trim().max(80).optional(),
  readings: z
    .array(readingSchema)
    .min(1)
    .max(200)
    .refine(
      (all) => all.every(({ kind }) => (MOVED_KINDS as readonly string[]).includes(kind)),
      'strokes, linings and treads move in',
    ),
});
export type MovedReadings = z.infer<typeof movedReadingsSchema>;

/** A unit as a list of readings needs it: what it is, and which axles it has. */
export interface KnownUnit {
  number: string;
  kind: UnitKind;
  axles: Axle[];
}

type Place = { axle: number; side: Side; tyre?: Tyre };
type Measure = PlacedColumn['measure'];

/** Inches, or millimetres: what a bare figure is. A tread's bare figure is thirty-seconds where inches are meant. */
export type LengthIn = 'in' | 'mm';

const WHOLE = /^\d{1,2}$/;
const PLAIN = /^\d{1,3}(\.\d+)?$/;
const FRACTION = /^(\d+[ -])?\d+\/\d+$/;

/** A figure of a list with its unit: `8` of a tread is 8/32, `1 3/4` of a stroke is inches, `12.5` millimetres where those are meant. */
function figure(measure: Measure, text: string, unit: LengthIn): string {
  const plain = text.trim();
  if (unit === 'mm' && PLAIN.test(plain)) return `${plain} mm`;
  if (measure === 'tread') return WHOLE.test(plain) ? `${plain}/32` : plain;
  return PLAIN.test(plain) || FRACTION.test(plain) ? `${plain} in` : plain;
}

/** Several figures in one cell: `8/7/8` of three grooves is not told from a fraction, so only `,` and `;` part them. */
const figures = (measure: Measure, text: string, unit: LengthIn): string[] =>
  text
    .split(/[,;]/)
    .filter((each) => each.trim())
    .map((each) => figure(measure, each, unit));

function readingOf(measure: Measure, { axle, side, tyre }: Place, written: string[]): unknown {
  if (measure === 'stroke') return { kind: 'stroke-applied', axle, side, value: written[0] };
  if (measure === 'lining') return { kind: 'lining', axle, side, points: written };
  return { kind: 'tread', axle, side, tyre, grooves: [written] };
}

/** The tyre of an end where the list does not say which: the only one, or none that can be told. */
const tyreThere = (unit: KnownUnit, { axle, tyre }: Place): Tyre | undefined =>
  tyre ?? (unit.axles[axle - 1]?.tyres === 'single' ? 'single' : undefined);

interface Told {
  measure: Measure;
  field: MoveField;
  column?: string;
  place: Place;
  text: string;
}

function told(read: Reader, placed: readonly PlacedColumn[]): Told[] {
  const wide = placed.flatMap(({ column, measure, axle, side, tyre }): Told[] => {
    const text = read.cell(column);
    return text ? [{ measure, field: measure, column, place: { axle, side, ...(tyre ? { tyre } : {}) }, text }] : [];
  });
  const long = (['stroke', 'lining', 'tread'] as const).filter((measure) => read.text(measure));
  if (long.length === 0) return wide;
  read.must('axle', 'No axle given.');
  read.must('side', 'No side given.');
  const [axle, side] = [read.count('axle', 1, 12), read.word<Side>('side')];
  const tyre = read.word<Tyre>('tyre');
  if (axle === undefined || side === undefined) return wide;
  const place = { axle, side, ...(tyre ? { tyre } : {}) };
  return [...wide, ...long.map((measure): Told => ({ measure, field: measure, place, text: read.text(measure) }))];
}

function oneReading(read: Reader, unit: KnownUnit, length: LengthIn, { measure, place, text, ...at }: Told): Reading[] {
  const no = (message: string) => {
    read.no(at.field, message, at.column);
    return [];
  };
  const tyre = tyreThere(unit, place);
  if (measure === 'tread' && !tyre) return no('Dual tires: inner or outer is missing.');
  const written = figures(measure, text, length);
  if (measure === 'stroke' && written.length > 1) return no(`“${text}” is more than one stroke.`);
  for (const each of written) {
    const parsed = parseLength(each, measure === 'tread' ? '32nds' : 'none');
    if (!parsed.ok) return no(`${parsed.message}.`);
  }
  const taken = readingSchema.safeParse(readingOf(measure, { ...place, ...(tyre ? { tyre } : {}) }, written));
  if (!taken.success) return no(`“${text}” is not understood.`);
  const wrong = unsound(taken.data, { id: unit.number, kind: unit.kind, axles: unit.axles });
  return wrong ? no(`${wrong.message}.`) : [taken.data];
}

/** The readings of one line. One that says none is wrong: it would move nothing in. */
export function movedReadings(
  read: Reader,
  placed: readonly PlacedColumn[],
  unit: KnownUnit | undefined,
  { days, length, today }: { days: DayOrder; length: LengthIn; today: Day },
): Partial<MovedReadings> {
  read.must('day', 'No date.');
  const by = read.text('by');
  const all = told(read, placed);
  if (all.length === 0 && read.wrong.length === 0) read.no('stroke', 'No reading in it.');
  return {
    unit: read.text('number'),
    day: read.past('day', days, today) as string,
    ...(by ? { by } : {}),
    readings: unit ? all.flatMap((each) => oneReading(read, unit, length, each)) : [],
  };
}
