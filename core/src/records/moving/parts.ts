import { z } from 'zod';
import { partFormSchema, stockSchema } from '../../repair/parts';
import type { Reader } from './reader';

/** A part as it moves in: what it is, and how many the list says lie there. */
export const movedPartSchema = z.strictObject({
  part: z.string().trim().min(1).max(40),
  form: partFormSchema,
  stock: stockSchema,
});
export type MovedPart = z.infer<typeof movedPartSchema>;

/** A part's short name where the list has none: its words, as templates call parts, `hub-seal`. */
const shortName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);

/** What of a part an empty cell means: somebody forgot it, or nothing lies there and nothing is paid. */
export type BlankPart = 'wrong' | 'nothing';

/** What stands in the list, and what whoever moves it in said of what does not. */
export function movedPart(read: Reader, { leadDays, blank }: { leadDays: number; blank: BlankPart }): MovedPart {
  const name = read.must('name', 'No name.');
  const [price, stock] = [read.money('price'), read.count('stock', 0, 100_000)];
  if (blank === 'wrong' && read.text('price') === '') read.no('price', 'No price.');
  if (blank === 'wrong' && read.text('stock') === '') read.no('stock', 'No count in stock.');
  return {
    part: read.text('part') || shortName(name),
    form: { name, price: price ?? 0, leadDays: read.countOr('leadDays', 0, 365, leadDays) },
    stock: stock ?? 0,
  };
}
