import type { Book } from '../limits';
import { said } from '../said';
import { chamberWords, type Unit, wheelEnd } from '../trailer';
import type { Finding } from './finding';
import { findingOf } from './findings';
import { opinion } from './opinion';

/** One finding for each axle whose two chambers are known and differ in size. Source: 49 CFR 393.47(b). */
export function judgeChamberMatch(book: Book, unit: Unit): Finding[] {
  return unit.axles.flatMap((_, index) => {
    const axle = index + 1;
    const left = wheelEnd(unit, axle, 'left')?.chamber;
    const right = wheelEnd(unit, axle, 'right')?.chamber;
    if (!left || !right || (left.type === right.type && left.size === right.size)) return [];
    const found = opinion({
      verdict: 'violation',
      measured: `${chamberWords(left)}, ${chamberWords(right)}`,
      rule: book.chamberMatch.source,
      sure: book.chamberMatch.sure,
      said: [said('chambers-differ', { axle, left: chamberWords(left), right: chamberWords(right) })],
    });
    return [findingOf(unit.id, { axle }, 'chamber-match', found)];
  });
}
