import { type ReportedDefect, seenDefects } from '../defects';
import { type JudgeAnswer, judge } from '../judge';
import type { Book, BookId } from '../limits';
import { type Reading, readingKey, type Step } from '../reading';
import type { Unit } from '../trailer';
import type { Purpose } from './life';

/** What is known of a unit beside an inspection: the readings that stand on it, and the defects reported. */
export interface StandingThere {
  standing: readonly { key: string; kind: string; value: Reading }[];
  defects: readonly ReportedDefect[];
}

export interface Together extends StandingThere {
  purpose: Purpose;
  inspection: string;
  /** What its route asked for. */
  steps: readonly Step[];
  /** Its own readings, superseded ones left out. */
  own: readonly Reading[];
}

/**
 * What is judged together: an inspection's own readings; beside a walk or a repair also those that stand elsewhere on
 * the unit, so that it neither passes what was never measured nor hides what was; and every open defect found by eye.
 * What a check found elsewhere stands as its defect until that is repaired, not as the old look at it.
 */
export function judgedTogether({
  purpose,
  own,
  standing,
  defects,
}: Pick<Together, 'purpose' | 'own' | 'standing' | 'defects'>): Reading[] {
  const taken = new Set<string>(own.map(readingKey));
  const elsewhere = purpose === 'full' ? [] : standing.filter(({ key, kind }) => kind !== 'check' && !taken.has(key));
  return [...own, ...elsewhere.map(({ value }) => value), ...seenDefects(defects)];
}

/** What a unit meets as it stands: its standing readings and open defects, judged together whoever read them and when. */
export function judgeStanding(book: Book, unit: Unit, { standing, defects }: StandingThere): JudgeAnswer {
  const readings = standing.filter(({ kind }) => kind !== 'check').map(({ value }) => value);
  return judgeAll(book, unit, [...readings, ...seenDefects(defects)]);
}

function judgeAll(book: Book, { id, kind, axles }: Unit, readings: readonly Reading[], expected: readonly Step[] = []) {
  const units = [{ id, kind, axles }];
  const own = readings.map((value) => ({ ...value, unit: id }));
  return judge({ book: book.id as BookId, units, readings: own }, { book, expected });
}

/** The judgement of an inspection: the same on the device and on the server. */
export const judgeTogether = (book: Book, unit: Unit, together: Together): JudgeAnswer =>
  judgeAll(book, unit, judgedTogether(together), together.steps);
