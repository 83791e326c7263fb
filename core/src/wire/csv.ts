import { type Reading, readingItem, readingPlace, readingSchema } from './reading';

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

const PLACE_KEYS = ['kind', 'axle', 'side', 'tyre', 'value', 'check', 'test'];
const JOIN = '; ';
const ROW_JOIN = ' | ';

/** A field of a reading as text: lists by semicolons, places of a tread by bars, yes and no in words. */
function written(value: unknown): string {
  if (Array.isArray(value))
    return value.every(Array.isArray)
      ? value.map((row) => (row as string[]).join(JOIN)).join(ROW_JOIN)
      : value.join(', ');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return String(value);
}

/** The main value of a reading, what stands in the column `value`. */
function mainValue(reading: Reading): string {
  if (reading.kind === 'lining') return reading.points.join(JOIN);
  if (reading.kind === 'tread') return written(reading.grooves);
  return 'value' in reading && reading.value !== undefined ? reading.value : '';
}
const MAIN = ['points', 'grooves'];

/** A reading as a row of `readings.csv`. What has no column of its own stands in `detail` as `name=value` by bars. */
export function readingRow(reading: Reading, known: { unit: string; taken: string; by: string }): ReadingRow {
  const { axle, side, tyre } = readingPlace(reading);
  const detail = Object.entries(reading)
    .filter(([name, value]) => value !== undefined && ![...PLACE_KEYS, ...MAIN, 'code'].includes(name))
    .map(([name, value]) => `${name}=${written(value)}`);
  return {
    ...known,
    kind: reading.kind,
    item: readingItem(reading) ?? '',
    axle: axle === null ? '' : String(axle),
    side: side ?? '',
    tyre: tyre ?? '',
    value: mainValue(reading),
    detail: detail.join(ROW_JOIN),
  };
}

const NUMBERS = ['presses', 'holes', 'pins', 'seated', 'seconds'];
const NUMBER_LISTS = ['loose', 'missing', 'rust'];
const TEXT_LISTS = ['wear', 'found', 'distances', 'diameters', 'pin', 'collar'];
const FLAGS = ['hot', 'heavy', 'touching', 'smoking'];

const listOf = (text: string): string[] =>
  text
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean);

function fieldOf(name: string, text: string): unknown {
  if (NUMBERS.includes(name)) return Number(text);
  if (NUMBER_LISTS.includes(name)) return listOf(text).map(Number);
  if (TEXT_LISTS.includes(name)) return listOf(text);
  return FLAGS.includes(name) ? text === 'yes' : text;
}

function detailOf(text: string): Record<string, unknown> {
  const parts = text
    .split('|')
    .map((each) => each.trim())
    .filter(Boolean);
  return Object.fromEntries(
    parts.map((part) => {
      const at = part.indexOf('=');
      const name = at < 0 ? part : part.slice(0, at).trim();
      return [name, fieldOf(name, at < 0 ? '' : part.slice(at + 1).trim())];
    }),
  );
}

function mainFields(kind: string, text: string): Record<string, unknown> {
  if (text === '') return {};
  const lengths = (part: string) =>
    part
      .split(';')
      .map((each) => each.trim())
      .filter(Boolean);
  if (kind === 'lining') return { points: lengths(text) };
  if (kind === 'tread') return { grooves: text.split('|').map(lengths) };
  return { value: text };
}

const ITEM_FIELD: Record<string, string> = { check: 'check', 'air-test': 'test', defect: 'code' };

/** A row of `readings.csv` as a reading, or one sentence saying what is wrong with it. */
export function rowReading(row: Partial<ReadingRow>): { ok: true; value: Reading } | { ok: false; message: string } {
  const text = (name: keyof ReadingRow) => (row[name] ?? '').trim();
  const kind = text('kind');
  const item = ITEM_FIELD[kind];
  const parsed = readingSchema.safeParse({
    kind,
    ...(text('axle') ? { axle: Number(text('axle')) } : {}),
    ...(text('side') ? { side: text('side') } : {}),
    ...(text('tyre') ? { tyre: text('tyre') } : {}),
    ...(item && text('item') ? { [item]: text('item') } : {}),
    ...mainFields(kind, text('value')),
    ...detailOf(text('detail')),
  });
  if (parsed.success) return { ok: true, value: parsed.data };
  const [issue] = parsed.error.issues;
  return { ok: false, message: `${issue?.path.join('.') || 'kind'}: ${issue?.message ?? 'not understood'}` };
}
