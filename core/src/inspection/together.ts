import { type ReportedDefect, seenDefects } from '../defects';
import { holds, type JudgeAnswer, judge } from '../judge';
import type { Book, BookId, Verdict } from '../limits';
import { isByEye, type Reading, readingKey, readingPlace, type Step } from '../reading';
import { lifeOf, type PartLife, type Unit } from '../trailer';
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
  const elsewhere = purpose === 'full' ? [] : standing.filter(({ key, kind }) => !isByEye(kind) && !taken.has(key));
  return [...own, ...elsewhere.map(({ value }) => value), ...seenDefects(defects)];
}

/**
 * Of what stands the readings that may be believed of the parts now fitted: one of a part that was replaced since says
 * nothing good of the new one. What failed stays until it is read again. `at` are instants.
 */
export const ofFittedParts = <T extends { kind: string; value: Reading; verdict: Verdict; at: string }>(
  lives: readonly PartLife[],
  standing: readonly T[],
): T[] =>
  standing.filter((each) => {
    if (lives.length === 0 || holds(each.verdict)) return true;
    const life = lifeOf(lives, { kind: each.kind, ...readingPlace(each.value) });
    return life === null || each.at >= life.since;
  });

/** What a unit meets as it stands: its standing readings and open defects, judged together whoever read them and when. */
export function judgeStanding(book: Book, unit: Unit, { standing, defects }: StandingThere): JudgeAnswer {
  const readings = standing.filter(({ kind }) => !isByEye(kind)).map(({ value }) => value);
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
