import { axleSchema, catalogueEntry, expectedReadings, randomOf, readingSchema, unsound } from '@zealous-axle/core';
import { largeUnit } from './large-unit';

const made = (seed: number, count: number) => {
  const making = {
    fleetId: 'f',
    now: new Date('2026-11-02T12:00:00Z'),
    random: randomOf(seed),
    technicians: ['t'],
    drivers: ['d'],
    foremen: ['m'],
    bays: ['b'],
  };
  return Array.from({ length: count }, (_, rank) => largeUnit(making, rank));
};

test('every reading made up is one the program would have taken, two hundred of each unit and more', () => {
  for (const { unit, readings } of made(1, 150)) {
    for (const axle of unit.axles) expect(axleSchema.safeParse(axle).success).toBe(true);
    expect(readings.length).toBeGreaterThanOrEqual(200);
    for (const { value } of readings) {
      expect(readingSchema.safeParse(value).error).toBeUndefined();
      expect(unsound(value, unit)).toBeNull();
    }
  }
});

test('what stands is what was read last, and what an inspection found is reported and holds', () => {
  const units = made(2, 150);
  for (const { unit, standing, inspections, holds, released } of units) {
    expect(standing).toHaveLength(expectedReadings(unit).length);
    expect(new Set(standing.map(({ inspectionId }) => inspectionId))).toEqual(new Set([inspections.at(-1)?.id]));
    const bad = ['out-of-service', 'violation'].includes(inspections.at(-1)?.verdict ?? '');
    expect(holds.length - released.length).toBe(bad ? 1 : 0);
  }
  const defects = units.flatMap((each) => each.defects);
  expect(defects.filter(({ origin }) => origin === 'inspection').length).toBeGreaterThan(0);
  for (const { code, origin } of defects) if (origin === 'driver') expect(catalogueEntry(code)).not.toBeNull();
});

test('the same seed makes the same fleet', () => {
  expect(made(3, 3)).toEqual(made(3, 3));
  expect(made(3, 3)).not.toEqual(made(4, 3));
});
