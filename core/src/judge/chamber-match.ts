import type { Book } from '../limits';
import { chamberWords, type Unit, wheelEnd } from '../trailer';
import type { Finding } from './finding';
import { findingOf } from './findings';
import { nmOf, opinion } from './opinion';

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
      because: `The chambers of axle ${axle} differ: ${chamberWords(left)} on the left, ${chamberWords(right)} on the right.`,
    });
    return [findingOf(unit.id, { axle }, 'chamber-match', found)];
  });
}

/** One finding for each axle whose slack adjusters differ in length, or one of which is automatic and the other not. */
export function judgeAdjusterMatch(book: Book, unit: Unit): Finding[] {
  return unit.axles.flatMap((_, index) => {
    const axle = index + 1;
    const [left, right] = [wheelEnd(unit, axle, 'left'), wheelEnd(unit, axle, 'right')];
    if (!left || !right) return [];
    const lengths = left.slack && right.slack && nmOf(left.slack) !== nmOf(right.slack);
    const kinds = left.adjuster && right.adjuster && left.adjuster !== right.adjuster;
    if (!lengths && !kinds) return [];
    const [one, other] = lengths ? [left.slack, right.slack] : [left.adjuster, right.adjuster];
    const found = opinion({
      verdict: lengths ? 'violation' : 'shop-limit',
      measured: `${one}, ${other}`,
      rule: lengths ? book.adjusterMatch.source : 'Workshop practice',
      sure: lengths ? book.adjusterMatch.sure : 'practice',
      because: `The slack adjusters of axle ${axle} differ: ${one} on the left, ${other} on the right.`,
    });
    return [findingOf(unit.id, { axle }, 'adjuster-match', found)];
  });
}
