import { z } from 'zod';
import { must, parseAmount } from '../measure';
import type { Features } from '../trailer';
import { amountText, type Book, type Limit } from './book';
import { BOOKS, type BookId, isBookId } from './books';
import { checkSigns, type KeptCheck } from './own-checks';
import type { OwnSign } from './own-signs';
import { ofPolicy, type Policies } from './policies';

/** A fleet's own limit: a limit of the book made stricter, with its reason and author. */
export const fleetLimitSchema = z.strictObject({
  id: z.string(),
  /** The id of the book's limit it tightens. */
  tightens: z.string(),
  value: amountText,
  reason: z.string(),
  by: z.string(),
  at: z.string(),
});
export type FleetLimit = z.infer<typeof fleetLimitSchema>;

/** What a fleet judges by: its book, the policies it follows, and its own stricter limits. */
export interface FleetRules {
  book: BookId;
  policies: Policies;
  limits: readonly FleetLimit[];
  /** Signs it is stricter about than the book. */
  signs?: readonly OwnSign[];
  /** What it looks at besides. */
  checks?: readonly KeptCheck[];
}

/** Everything a fleet is stricter about than its book: signs of the catalogue, and those of its own checks. */
export const allSigns = ({ signs = [], checks }: Pick<FleetRules, 'signs' | 'checks'>): OwnSign[] => [
  ...signs,
  ...checkSigns(checks),
];

/** What a unit is judged by: its fleet's rules, by a book of its own where it runs under other law. */
export const rulesFor = <R extends FleetRules>(rules: R, features: Features): R =>
  features.book ? { ...rules, book: bookIdOf(features, rules) } : rules;

/** The book of a unit: its own, or its fleet's. Throws where its own is not known here: nothing is judged by another. */
export function bookIdOf({ book }: Pick<Features, 'book'>, fleet: Pick<FleetRules, 'book'>): BookId {
  if (!book) return fleet.book;
  if (!isBookId(book)) throw new Error(`no limit book “${book}”`);
  return book;
}

const STRICTER: Record<Limit['is'], 'less' | 'more'> = {
  'at-most': 'less',
  'less-than': 'less',
  'at-least': 'more',
  'more-than': 'more',
};

/** Why a fleet may not have this limit; null when it may. Stricter is allowed, as strict or looser is not. */
export function fleetLimitRefusal(book: Book, tightens: string, value: string): string | null {
  const limit = book.limits.find(({ id }) => id === tightens);
  if (!limit) return 'The book has no such limit.';
  if (limit.judges !== 'verdict') return 'This figure is from the roadside criteria. No fleet can change it.';
  const [own, law] = [parseAmount(value), must(parseAmount(limit.value))];
  if (!own.ok) return own.message;
  if (own.value.dimension !== law.dimension) return `This limit is a ${law.dimension}: write it like ${limit.value}.`;
  const stricter = STRICTER[limit.is] === 'less' ? own.value.value < law.value : own.value.value > law.value;
  if (stricter) return null;
  const same = own.value.value === law.value;
  return same
    ? `${value} is already the book’s limit.`
    : `${value} is looser than ${limit.value} (${limit.source}): a fleet’s limit may be stricter, never looser.`;
}

const ownLimit = (book: Book, own: FleetLimit): Limit[] => {
  const limit = book.limits.find(({ id }) => id === own.tightens);
  if (!limit || fleetLimitRefusal(book, own.tightens, own.value) !== null) return [];
  return [
    {
      ...limit,
      id: `fleet.${own.id}`,
      value: own.value,
      fails: 'shop-limit',
      from: 'fleet',
      source: `The fleet’s own limit, by ${own.by}: ${own.reason}`,
      sure: 'practice',
    },
  ];
};

/**
 * The book a fleet judges by: the shipped one with the fleet's policies chosen and its own limits on top. A fleet's
 * limit that a newer edition has overtaken is left out: the book's is then the stricter.
 */
export function bookFor({ book, policies, limits, signs, checks = [] }: FleetRules): Book {
  const shipped: Book = BOOKS[book];
  const chosen = shipped.limits.filter(({ where }) => ofPolicy(where.policy, policies));
  return {
    ...shipped,
    policies,
    signs: allSigns({ signs: signs ?? [], checks }),
    checks,
    limits: [...chosen, ...limits.flatMap((own) => ownLimit({ ...shipped, limits: chosen }, own))],
  };
}

const plain = new Map<BookId, Book>();

/** A book as it ships, with every policy at its default: what is judged by when no fleet is named. */
export function plainBook(id: BookId): Book {
  const known = plain.get(id) ?? bookFor({ book: id, policies: {}, limits: [] });
  plain.set(id, known);
  return known;
}
