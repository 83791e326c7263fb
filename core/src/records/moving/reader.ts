import { meantBy, wordsOf } from './columns';
import type { Mapping, MoveField } from './fields';
import { type DayOrder, writtenDay } from './written-day';

/** What is wrong with a line: its field, or its column where that has none, and a sentence. */
export interface Wrong {
  field: MoveField;
  column?: string;
  message: string;
}

const BARE = /^\d[\d., ]*$/;
/** A bare figure with the unit it is meant in. */
export const withUnit = (text: string, unit: string): string => (BARE.test(text) ? `${text} ${unit}` : text);

/** Reads one line by a mapping: its values by field, what is wrong noted beside. */
export class Reader {
  readonly wrong: Wrong[] = [];
  constructor(
    private readonly cells: ReadonlyMap<string, string>,
    private readonly mapping: Mapping,
  ) {}
  text(field: MoveField): string {
    const column = this.mapping[field];
    return column === undefined ? '' : (this.cells.get(column) ?? '');
  }
  /** What stands in a column that no field tells. */
  cell(column: string): string {
    return this.cells.get(column) ?? '';
  }
  no(field: MoveField, message: string, column?: string): undefined {
    this.wrong.push({ field, message, ...(column ? { column } : {}) });
    return undefined;
  }
  /** What must stand there. */
  must(field: MoveField, without: string): string {
    const text = this.text(field);
    if (text === '') this.no(field, without);
    return text;
  }
  /** The program's word for what stands there; nothing where nothing stands. */
  word<W extends string>(field: MoveField): W | undefined {
    const text = this.text(field);
    if (text === '') return undefined;
    const own = meantBy(field, text);
    return own ? (own as W) : this.no(field, `“${text}” is not known: write ${wordsOf(field).join(', ')}.`);
  }
  /** As whoever moves it in said of the whole list; an empty cell of a column that tells it is not said, and wrong. */
  private orSaid<V>(field: MoveField, value: V | undefined, said: V): V {
    if (value !== undefined) return value;
    const isBlank = this.mapping[field] !== undefined && this.text(field) === '';
    const words = wordsOf(field);
    if (isBlank) this.no(field, `Empty. Enter ${words.length ? words.join(', ') : 'a number'}.`);
    return said;
  }
  wordOr<W extends string>(field: MoveField, said: W): W {
    return this.orSaid(field, this.word<W>(field), said);
  }
  countOr<N extends number | null>(field: MoveField, least: number, most: number, said: N): number | N {
    return this.orSaid<number | N>(field, this.count(field, least, most), said);
  }
  count(field: MoveField, least: number, most: number): number | undefined {
    const text = this.text(field);
    if (text === '') return undefined;
    const value = /^\d{1,6}(\.0+)?$/.test(text) ? Number(text) : Number.NaN;
    if (value >= least && value <= most) return value;
    return this.no(field, `“${text}” is out of range. Enter a number from ${least} to ${most}.`);
  }
  day(field: MoveField, order: DayOrder): string | undefined {
    const text = this.text(field);
    if (text === '') return undefined;
    return writtenDay(text, order) ?? this.no(field, `“${text}” is not a date. Enter one like 2026-03-31.`);
  }
  /** A day that has been. */
  past(field: MoveField, order: DayOrder, today: string): string | undefined {
    const day = this.day(field, order);
    return day === undefined || day <= today ? day : this.no(field, `${day} is in the future.`);
  }
  /** Money in hundredths, as shops write it: `1,250.00`, `$12.5`, `80`. */
  money(field: MoveField): number | undefined {
    const text = this.text(field);
    if (text === '') return undefined;
    const plain = text
      .replace(/^[^\d-]+/, '')
      .replace(/,(?=\d{3}(\D|$))/g, '')
      .replace(/\s*[^\d.]+$/, '');
    if (/^\d{1,6}(\.\d{1,2})?$/.test(plain)) return Math.round(Number(plain) * 100);
    return this.no(field, `“${text}” is not a price. Enter one like 12.50.`);
  }
}
