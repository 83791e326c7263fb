import type { Finding, Reading } from '@zealous-axle/core';
import type { PlacedReading } from '../../parts/ends';

/** Readings with the verdicts their findings gave them, at their places. */
export function placedOf(readings: readonly Reading[], findings: readonly Finding[]): PlacedReading[] {
  return readings.flatMap((value) => {
    const { kind, axle, side } = value;
    if (!axle || !side) return [];
    const tyre = 'tyre' in value ? (value.tyre ?? null) : null;
    const found = findings.find(
      (each) => each.kind === kind && each.axle === axle && each.side === side && each.tyre === tyre,
    );
    return [{ axle, side, tyre, kind, verdict: found?.verdict ?? 'not-judged', value }];
  });
}
