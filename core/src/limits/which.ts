import { must, type Nanometres, parseLength } from '../measure';
import type { WheelEnd } from '../trailer';
import type { Book, Limit } from './book';

const matches = (limit: Limit, end: WheelEnd): boolean => {
  const { brake, steer, liningStyle, chamber } = limit.where;
  if (brake && !brake.includes(end.brake)) return false;
  if (steer !== undefined && steer !== end.steer) return false;
  if (liningStyle && !liningStyle.includes(end.liningStyle ?? 'unknown')) return false;
  if (!chamber) return true;
  return (
    chamber.type === end.chamber?.type &&
    chamber.size === end.chamber.size &&
    (chamber.stroke ?? 'standard') === (end.chamber.stroke ?? 'standard')
  );
};

/** The limits of a book that apply to a reading at a wheel end, in the book's order. */
export const limitsFor = (book: Book, reading: Limit['reading'], end: WheelEnd): Limit[] =>
  book.limits.filter((limit) => limit.reading === reading && matches(limit, end));

/** The one limit that decides the verdict of a reading here; null when the book has none for this equipment. */
export const limitFor = (
  book: Book,
  reading: Limit['reading'],
  end: WheelEnd,
  judges: Limit['judges'] = 'verdict',
): Limit | null => limitsFor(book, reading, end).find((limit) => limit.judges === judges) ?? null;

/** Whether a length keeps a limit. Equality is decided by the limit's own words. */
export function keeps(limit: Pick<Limit, 'is' | 'value'>, nm: Nanometres): boolean {
  const value = limitNm(limit);
  if (limit.is === 'at-most') return nm <= value;
  return limit.is === 'at-least' ? nm >= value : nm > value;
}

/** How far inside its limit a length stands: negative when past it, zero exactly at it. */
export const marginOf = (limit: Pick<Limit, 'is' | 'value'>, nm: Nanometres): Nanometres =>
  limit.is === 'at-most' ? limitNm(limit) - nm : nm - limitNm(limit);

const figures = new Map<string, Nanometres>();

/** A limit's figure in nanometres. Each text is read once. */
export function limitNm({ value }: Pick<Limit, 'value'>): Nanometres {
  const known = figures.get(value) ?? must(parseLength(value, 'none'));
  figures.set(value, known);
  return known;
}
