import { z } from 'zod';
import {
  isReadingKind,
  kindAs,
  READING_KINDS,
  type Reading,
  type ReadingKind,
  readingItem,
  readingPlace,
  readingSchema,
} from '../reading';

/** Columns of `readings.csv`, imported and exported alike. */
export const READING_COLUMNS = [
  'unit',
  'taken',
  'by',
  'kind',
  'item',
  'axle',
  'side',
  'tyre',
  'value',
  'detail',
] as const;
export type ReadingRow = Record<(typeof READING_COLUMNS)[number], string>;

const LIST = '; ';
const ROWS = ' | ';

/** The field that stands in the column `value`, and the one that stands in `item`. */
const valueField = (kind: ReadingKind): string => kindAs(kind).column ?? 'value';
const ITEM_FIELD: Partial<Record<ReadingKind, string>> = {
  check: 'check',
  'own-check': 'check',
  'air-test': 'test',
  defect: 'code',
};

/** A field of a reading as text: lists by commas, rows by bars, yes and no in words. */
function fieldText(value: unknown): string {
  if (Array.isArray(value)) return value.join(', ');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return String(value);
}

/** The main value of a reading: several points by semicolons, the spots round a tyre by bars. */
function mainText(value: unknown): string {
  if (!Array.isArray(value)) return value === undefined ? '' : String(value);
  return value.every(Array.isArray) ? value.map((row) => (row as string[]).join(LIST)).join(ROWS) : value.join(LIST);
}

/** The fields of each kind that stand in a column of their own. */
const IN_COLUMNS: ReadonlyMap<ReadingKind, ReadonlySet<string>> = new Map(
  READING_KINDS.map((kind) => [
    kind,
    new Set(['kind', 'axle', 'side', 'tyre', valueField(kind), ITEM_FIELD[kind] ?? 'kind']),
  ]),
);

/** What has no column of its own, as `name=value` by bars. */
function detailText(reading: Readonly<Record<string, unknown>>, inColumns?: ReadonlySet<string>): string {
  let text = '';
  for (const name in reading) {
    const value = reading[name];
    if (value === undefined || inColumns?.has(name)) continue;
    text += `${text ? ROWS : ''}${name}=${fieldText(value)}`;
  }
  return text;
}

/** A reading as the cells of a row of `readings.csv`, in the order of {@link READING_COLUMNS}. Written out: a fleet has millions. */
export function readingCells(reading: Reading, unit: string, taken: string, by: string): string[] {
  const { axle, side, tyre } = readingPlace(reading);
  const fields = reading as Readonly<Record<string, unknown>>;
  return [
    unit,
    taken,
    by,
    reading.kind,
    readingItem(reading) ?? '',
    axle === null ? '' : String(axle),
    side ?? '',
    tyre ?? '',
    mainText(fields[valueField(reading.kind)]),
    detailText(fields, IN_COLUMNS.get(reading.kind)),
  ];
}

const parts = (text: string, by: string): string[] =>
  text
    .split(by)
    .map((each) => each.trim())
    .filter(Boolean);

/** A schema less what makes it optional. */
const bare = (schema: z.ZodType): z.ZodType =>
  schema instanceof z.ZodOptional ? bare(schema.unwrap() as z.ZodType) : schema;

/** A text as the value a field's schema asks for; one that is no such value is left to the schema to refuse. */
function fieldValue(schema: z.ZodType | undefined, text: string): unknown {
  const field = schema && bare(schema);
  if (field instanceof z.ZodArray) return parts(text, ',').map((each) => fieldValue(field.element as z.ZodType, each));
  if (field instanceof z.ZodTuple) return parts(text, ',');
  if (field instanceof z.ZodNumber) return Number(text);
  return field instanceof z.ZodBoolean ? text === 'yes' : text;
}

function mainValue(kind: ReadingKind, text: string): unknown {
  if (kind === 'tread') return text.split('|').map((row) => parts(row, ';'));
  return kindAs(kind).column ? parts(text, ';') : text;
}

/** The fields of a reading from a row, by the shape of its kind. */
function fieldsOf(kind: ReadingKind, text: (name: keyof ReadingRow) => string): Record<string, unknown> {
  const { shape } = kindAs(kind).schema;
  const item = ITEM_FIELD[kind];
  const detail = parts(text('detail'), '|').map((part) => {
    const at = part.indexOf('=');
    const name = at < 0 ? part : part.slice(0, at).trim();
    return [name, fieldValue(shape[name] as z.ZodType | undefined, at < 0 ? '' : part.slice(at + 1).trim())];
  });
  return {
    ...(text('axle') ? { axle: Number(text('axle')) } : {}),
    ...(text('side') ? { side: text('side') } : {}),
    ...(text('tyre') ? { tyre: text('tyre') } : {}),
    ...(item && text('item') ? { [item]: text('item') } : {}),
    ...(text('value') ? { [valueField(kind)]: mainValue(kind, text('value')) } : {}),
    ...Object.fromEntries(detail),
  };
}

/** A row of `readings.csv` as a reading, or one sentence saying what is wrong with it. */
export function rowReading(row: Partial<ReadingRow>): { ok: true; value: Reading } | { ok: false; message: string } {
  const text = (name: keyof ReadingRow) => (row[name] ?? '').trim();
  const kind = text('kind');
  const parsed = readingSchema.safeParse({ ...(isReadingKind(kind) ? fieldsOf(kind, text) : {}), kind });
  if (parsed.success) return { ok: true, value: parsed.data };
  const [issue] = parsed.error.issues;
  return { ok: false, message: `${issue?.path.join('.') || 'kind'}: ${issue?.message ?? 'not understood'}` };
}
