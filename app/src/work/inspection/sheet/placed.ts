import { type Finding, keyOf, type Reading, readingKey } from '@zealous-axle/core';
import type { PlacedReading } from '../../../parts/ends';

/** What the findings say at each place, with the reading behind it where this inspection took one. */
export function placedOf(readings: readonly Reading[], findings: readonly Finding[]): PlacedReading[] {
  const taken = new Map(readings.map((value) => [readingKey(value), value]));
  return findings.flatMap(({ kind, axle, side, tyre, verdict }) => {
    if (!axle || !side || kind === 'defect') return [];
    const place = { kind, axle, side, tyre };
    const value = taken.get(keyOf(place)) ?? null;
    return [{ ...place, kind: value?.kind ?? kind, verdict, value }];
  });
}
