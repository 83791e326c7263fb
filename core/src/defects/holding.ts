import { severityOf } from '../catalogue';
import urgency from './urgency.json';

/** A book by its name, as the catalogue asks for it. */
export type BookName = Parameters<typeof severityOf>[1];

/** What signs are weighed by: a book, and what the fleet is stricter about. */
export interface SignRules {
  book: BookName;
  signs?: readonly { code: string; presses: 'before-use' | 'hold'; reason: string; by: string }[];
}

/** The fleet's own stricter rule for a sign; null where it goes by the book. */
export const ownRuleOf = ({ signs }: SignRules, code: string) => signs?.find((each) => each.code === code) ?? null;

/** Whether a sign breaks the law by a book, or a roadside criterion: it cannot be put off. */
export function breaksLaw(code: string, book: BookName): boolean {
  const verdict = severityOf(code, book)?.verdict;
  return verdict === 'out-of-service' || verdict === 'violation';
}

/** Held until somebody answers by practice, where the law names no figure. Source: `urgency.json`. */
export const heldByPractice = (code: string): boolean => urgency.holds.includes(code);
export const PRACTICE_HOLDS = urgency.source;

/** Past the law, and yet it does not hold: it is repaired before its next use. Source: `urgency.json`. */
export const withoutHold = (code: string): boolean => urgency.withoutHold.includes(code);
export const WITHOUT_HOLD = urgency.withoutHoldSource;

/** It holds until it is repaired, or nothing is found: no answer lifts that. Source: each book's severities, `urgency.json`. */
export const holdsByLaw = (code: string, book: BookName): boolean => breaksLaw(code, book) && !withoutHold(code);

/**
 * Whether a sign holds its unit from the report on, whoever saw it: what breaks the law by its book, a lamp that stops
 * nothing excepted, what is held by practice, and what the fleet holds by a rule of its own. A driver's report and an
 * inspection have one table.
 */
export const holdsFromReport = (code: string, rules: SignRules): boolean =>
  heldByPractice(code) || holdsByLaw(code, rules.book) || ownRuleOf(rules, code)?.presses === 'hold';

/** Whether a report of a sign cannot be put off: by law, by practice, or by the fleet's own rule. */
export const cannotWait = (code: string, rules: SignRules): boolean =>
  heldByPractice(code) || breaksLaw(code, rules.book) || ownRuleOf(rules, code) !== null;

/** Why a fleet may not have its own rule for a sign; null when it may. It is stricter than its book, or none. */
export function ownSignRefusal(code: string, presses: 'before-use' | 'hold', book: BookName): string | null {
  const says = severityOf(code, book);
  if (!says) return 'The catalog has no such sign.';
  if (says.verdict === 'within') return 'The limit book does not call this a fault, so it cannot be stricter.';
  if (holdsFromReport(code, { book })) return 'This already holds the unit from the report on.';
  if (presses === 'before-use' && breaksLaw(code, book)) return 'This already has to be repaired before the next use.';
  return null;
}

/** It may be run with by daylight where a book lets it, once somebody of the shop has written that down. Source: `urgency.json`. */
export const byDaylight = (code: string, book: BookName): boolean =>
  (urgency.byDaylight as Partial<Record<BookName, readonly string[]>>)[book]?.includes(code) ?? false;

/** Whoever finds it may tie it up there and then, with a photo: it is no job. Source: `urgency.json`. */
export const onTheSpot = (code: string): boolean => urgency.onTheSpot.includes(code);
