import { z } from 'zod';
import { chambersLike } from '../limits';
import { dayText, distanceText } from '../measure';
import { type Axle, type Chamber, FIRST_AXLES, type UnitForm, type UnitKind, unitFormSchema } from '../trailer';
import { type Mapping, meantBy, UNIT_FIELDS, type UnitField, wordsOf } from './columns';
import type { Table, TableLine } from './table';
import { type DayOrder, writtenDay } from './written-day';

/** Papers a list may tell the last day of, by the field that tells it. */
const PAPER_OF = {
  inspection: 'Periodic inspection',
  insurance: 'Insurance',
  registration: 'Registration',
} as const satisfies Partial<Record<UnitField, string>>;
export const MOVED_PAPERS = Object.values(PAPER_OF);

/** A unit as it moves in: what it is, its papers with their last days, and what its meter read. */
export const movedUnitSchema = z.strictObject({
  form: unitFormSchema,
  papers: z.array(z.strictObject({ name: z.enum(MOVED_PAPERS as [string, ...string[]]), until: dayText })).max(5),
  meter: distanceText.optional(),
});
export type MovedUnit = z.infer<typeof movedUnitSchema>;

/** How bare figures and days of a file are meant. */
export interface MeantIn {
  days: DayOrder;
  /** Of a bare meter, weight and pressure. */
  distance: 'mi' | 'km';
  weight: 'lb' | 'kg';
  pressure: 'psi' | 'bar';
  /** What every unit of the file has where no column tells it: said by whoever moves it in, never assumed. */
  usual: {
    kind: UnitKind;
    /** Null is what its kind most often has. */
    axles: number | null;
    brake: Axle['brake'];
    tyres: Axle['tyres'];
    hub: Axle['hub'];
  };
}

/** What is wrong with a line: its field, and a sentence. */
export interface Wrong {
  field: UnitField;
  message: string;
}
/** A line as it would move in, or everything that is wrong with it. */
export type MovedLine = { line: number } & ({ unit: MovedUnit } | { wrong: Wrong[] });

const MOST_AXLES = 12;
const BARE = /^\d[\d., ]*$/;
const withUnit = (text: string, unit: string): string => (BARE.test(text) ? `${text} ${unit}` : text);

const CHAMBER =
  /^(?:t|type|clamp)?\s*(\d{1,2})(?:\s*[/x]\s*\d{1,2})?\s*(ls|l|long|long stroke|long-stroke|3in|3 in)?$/i;
/** A chamber as shops write it: `30`, `T30`, `type 30 LS`, `30/30`, `24 long`; of a spring brake chamber the service side. Null where it is none. */
export function writtenChamber(text: string): Chamber | null {
  const found = CHAMBER.exec(text.trim());
  if (!found) return null;
  const [, size = '', long = ''] = found;
  if (chambersLike('clamp', size).length === 0) return null;
  const stroke = long === '' ? 'standard' : /3/.test(long) ? 'long-3in' : 'long';
  return { type: 'clamp', size, stroke };
}

/** Reads one line by a mapping: its values by field, what is wrong noted beside. */
class Reader {
  readonly wrong: Wrong[] = [];
  constructor(
    private readonly cells: ReadonlyMap<string, string>,
    private readonly mapping: Mapping,
  ) {}
  text(field: UnitField): string {
    const column = this.mapping[field];
    return column === undefined ? '' : (this.cells.get(column) ?? '');
  }
  no(field: UnitField, message: string): undefined {
    this.wrong.push({ field, message });
    return undefined;
  }
  /** The program's word for what stands there; nothing where nothing stands. */
  word<W extends string>(field: UnitField): W | undefined {
    const text = this.text(field);
    if (text === '') return undefined;
    const own = meantBy(field, text);
    return own ? (own as W) : this.no(field, `“${text}” is not known: write ${wordsOf(field).join(', ')}.`);
  }
  count(field: UnitField, least: number, most: number): number | undefined {
    const text = this.text(field);
    if (text === '') return undefined;
    const value = /^\d{1,4}(\.0+)?$/.test(text) ? Number(text) : Number.NaN;
    if (value >= least && value <= most) return value;
    return this.no(field, `“${text}” cannot be: write a number from ${least} to ${most}.`);
  }
  day(field: UnitField, order: DayOrder): string | undefined {
    const text = this.text(field);
    if (text === '') return undefined;
    return writtenDay(text, order) ?? this.no(field, `“${text}” is no day: write one like 2026-03-31.`);
  }
}

function axlesOf(read: Reader, kind: UnitKind, { usual, pressure }: MeantIn): Axle[] {
  const ofKind = FIRST_AXLES[kind];
  const count = read.count('axles', 1, MOST_AXLES) ?? usual.axles ?? ofKind.length;
  const written = read.text('chamber');
  const chamber = written === '' ? null : writtenChamber(written);
  if (written !== '' && !chamber)
    read.no('chamber', `“${written}” is no chamber: write its number, and LS for a long stroke.`);
  const tyres = read.word<Axle['tyres']>('tyres');
  const [adjuster, suspension] = [read.word<'automatic'>('adjuster'), read.word<'air'>('suspension')];
  const [tyreSize, target] = [read.text('tyreSize'), read.text('target')];
  const axle: Axle = {
    brake: read.word('brake') ?? usual.brake,
    chamber,
    tyres: tyres ?? usual.tyres,
    hub: read.word('hub') ?? usual.hub,
    ...(adjuster ? { adjuster } : {}),
    ...(suspension ? { suspension } : {}),
    ...(tyreSize ? { tyreSize } : {}),
    ...(target ? { target: withUnit(target, pressure) } : {}),
  };
  // What steers has single tyres, whatever the list says of the rest.
  return Array.from({ length: count }, (_, at) =>
    at === 0 && ofKind[0]?.steer ? { ...axle, tyres: 'single', steer: true } : axle,
  );
}

function featuresOf(read: Reader, meant: MeantIn): UnitForm['features'] {
  const weight = (field: UnitField) => read.text(field) && withUnit(read.text(field), meant.weight);
  const abs = read.word('abs');
  const said = {
    yearBuilt: read.count('yearBuilt', 1950, 2100),
    abs: abs === undefined ? undefined : abs === 'yes',
    grossWeight: weight('grossWeight'),
    payload: weight('payload'),
    height: read.text('height'),
    width: read.text('width'),
  };
  return Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined && value !== ''));
}

/** The field that something in a unit is told by. */
const fieldAt = (path: readonly PropertyKey[]): UnitField =>
  UNIT_FIELDS.find((field) => path.includes(field)) ?? (path.includes('axles') ? 'axles' : 'number');

/** A line of a table as the unit it tells of. */
function movedLine({ columns }: Table, { line, cells }: TableLine, mapping: Mapping, meant: MeantIn): MovedLine {
  const read = new Reader(new Map(columns.map((column, at) => [column, cells[at] ?? ''])), mapping);
  const kind = read.word<UnitKind>('kind') ?? meant.usual.kind;
  const form = {
    number: read.text('number'),
    kind,
    body: read.text('body'),
    site: read.text('site'),
    axles: axlesOf(read, kind, meant),
    features: featuresOf(read, meant),
  };
  const papers = (Object.keys(PAPER_OF) as (keyof typeof PAPER_OF)[]).flatMap((field) => {
    const until = read.day(field, meant.days);
    return until ? [{ name: PAPER_OF[field], until }] : [];
  });
  const meter = read.text('meter');
  const whole = movedUnitSchema.safeParse({
    form,
    papers,
    ...(meter ? { meter: withUnit(meter, meant.distance) } : {}),
  });
  for (const issue of whole.error?.issues ?? []) {
    const field = fieldAt(issue.path);
    if (read.wrong.some((each) => each.field === field)) continue;
    read.no(field, field === 'number' && read.text('number') === '' ? 'It has no number.' : `${issue.message}.`);
  }
  return read.wrong.length || !whole.success ? { line, wrong: read.wrong } : { line, unit: whole.data };
}

/** Every line of a table, with numbers that stand twice named at the later one. */
export function movedLines(table: Table, mapping: Mapping, meant: MeantIn): MovedLine[] {
  const seen = new Map<string, number>();
  return table.lines.map((each) => {
    const moved = movedLine(table, each, mapping, meant);
    if ('wrong' in moved) return moved;
    const { number } = moved.unit.form;
    const before = seen.get(number);
    if (before)
      return { line: each.line, wrong: [{ field: 'number', message: `${number} stands in line ${before} already.` }] };
    seen.set(number, each.line);
    return moved;
  });
}
