import { severityOf } from '../catalogue';
import urgency from './urgency.json';

/** A book by its name, as the catalogue asks for it. */
export type BookName = Parameters<typeof severityOf>[1];

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
 * nothing excepted, and what is held by practice. A driver's report and an inspection have one table.
 */
export const holdsFromReport = (code: string, book: BookName): boolean =>
  heldByPractice(code) || holdsByLaw(code, book);

/** It may be run with by daylight, once somebody of the shop has written that down. Source: `urgency.json`. */
export const byDaylight = (code: string): boolean => urgency.byDaylight.includes(code);
