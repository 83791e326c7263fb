import {
  bookIdOf,
  judge,
  judgeReading,
  plainBook,
  type Random,
  type Reading,
  readFindings,
  readingKey,
  readingPlace,
  type Unit,
  wheelEnd,
} from '@zealous-axle/core';
import { FLEET } from './fleet';
import { seededId } from './seeded-id';

const bookOf = ({ features }: Unit) => bookIdOf(features ?? {}, FLEET);
const MINUTE_MS = 60_000;
const INSPECTION_MINUTES = 95;

/** A unit measured by somebody, some time ago. */
export interface Measured {
  fleetId: string;
  unit: Unit;
  values: readonly Reading[];
  by: string;
  at: Date;
}

/** One past inspection as the rows it left, and what it found. */
export function pastInspection({ fleetId, unit, values, by, at }: Measured, random: Random) {
  const id = seededId(random, at);
  const own = { fleetId, unitId: unit.id };
  const answer = judge({
    book: bookOf(unit),
    units: [unit],
    readings: values.map((value) => ({ ...value, unit: unit.id })),
  });
  const [found] = answer.units;
  if (!found) throw new Error(`no judgment of ${unit.id}`);
  const closedAt = new Date(at.getTime() + INSPECTION_MINUTES * MINUTE_MS);
  return {
    findings: answer.findings,
    inspection: {
      ...own,
      id,
      purpose: 'full' as const,
      startedBy: by,
      startedAt: at,
      closedAt,
      outcome: 'complete' as const,
      verdict: found.verdict,
    },
    readings: values.map((value, index) => ({
      ...own,
      id: seededId(random, at),
      inspectionId: id,
      key: readingKey(value),
      value,
      takenBy: by,
      takenAt: new Date(at.getTime() + (index + 1) * MINUTE_MS),
    })),
    judgement: {
      ...own,
      id: seededId(random, at),
      inspectionId: id,
      book: answer.book.id,
      edition: answer.book.edition,
      verdict: found.verdict,
      complete: found.complete,
      brakes: found.brakes,
      findings: readFindings(unit, answer.findings, values),
      judgedAt: closedAt,
    },
  };
}
export type Past = ReturnType<typeof pastInspection>;

/** What stands on a unit after its last inspection. */
export const standing = (unit: Unit, readings: Past['readings']) =>
  readings.map(({ fleetId, unitId, key, id, inspectionId, value, takenAt, takenBy }) => {
    const { axle, side } = readingPlace(value);
    const end = axle && side ? wheelEnd(unit, axle, side) : null;
    const { verdict } = judgeReading(plainBook(bookOf(unit)), end, value);
    return { fleetId, unitId, key, readingId: id, inspectionId, value, verdict, takenAt, takenBy, recordedAt: takenAt };
  });
