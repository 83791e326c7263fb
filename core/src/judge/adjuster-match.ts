import type { Book } from '../limits';
import { type Figure, figure, said } from '../said';
import { type Unit, wheelEnd } from '../trailer';
import type { Finding } from './finding';
import { findingOf } from './findings';
import { nmOf, opinion } from './opinion';

/** One finding for each axle whose slack adjusters differ in length, or one of which is automatic and the other not. */
export function judgeAdjusterMatch(book: Book, unit: Unit): Finding[] {
  return unit.axles.flatMap((_, index) => {
    const axle = index + 1;
    const [left, right] = [wheelEnd(unit, axle, 'left'), wheelEnd(unit, axle, 'right')];
    if (!left || !right) return [];
    const lengths = left.slack && right.slack && nmOf(left.slack) !== nmOf(right.slack);
    const kinds = left.adjuster && right.adjuster && left.adjuster !== right.adjuster;
    if (!lengths && !kinds) return [];
    const [one, other] = (lengths ? [left.slack, right.slack] : [left.adjuster, right.adjuster]) as [string, string];
    const shown = (text: string): string | Figure => (lengths ? figure(text) : text);
    const found = opinion({
      verdict: lengths ? 'violation' : 'shop-limit',
      measured: `${one}, ${other}`,
      rule: lengths ? book.adjusterMatch.source : 'Shop practice',
      sure: lengths ? book.adjusterMatch.sure : 'practice',
      said: [said('adjusters-differ', { axle, left: shown(one), right: shown(other) })],
    });
    return [findingOf(unit.id, { axle }, 'adjuster-match', found)];
  });
}
