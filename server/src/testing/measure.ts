import { expectedReadings, type MeasuredStep, type Reading, type Unit } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import type { TestFleet, World } from './world';

const AXLE = { brake: 's-cam', tyres: 'single', hub: 'oil' } as const;
/** The running gear of the tests' trailer, as far as its steps are concerned. */
export const TEST_UNIT: Unit = { id: 'T', kind: 'semitrailer', axles: [AXLE, AXLE] };

/** A good reading for a step. */
export function goodReading({ kind, axle, side, tyre }: MeasuredStep): Reading {
  switch (kind) {
    case 'stroke-applied':
      return { kind, axle, side, value: '1 5/8 in', reservoir: '95 psi' };
    case 'lining':
      return { kind, axle, side, points: ['1/2 in'] };
    case 'tread':
      return { kind, axle, side, tyre: tyre ?? 'single', grooves: [['9/32']] };
    case 'hub-oil':
      return { kind, axle, side, level: 'between', condition: 'clear', leak: 'none' };
  }
}

/** A full inspection by the technician, with `odd` in place of the good reading of the same kind and place. */
export async function inspectAll(world: World, fleet: TestFleet, odd: readonly Reading[] = []): Promise<string> {
  const who = `technician@${fleet.slug}`;
  const inspection = uuidv7();
  await world.done(who, 'start-inspection', { inspection, unit: fleet.unit, purpose: 'full' });
  for (const step of expectedReadings(TEST_UNIT)) {
    const other = odd.find((each) => each.kind === step.kind && each.axle === step.axle && each.side === step.side);
    await world.done(who, 'take-reading', { reading: uuidv7(), inspection, value: other ?? goodReading(step) });
  }
  await world.done(who, 'close-inspection', { inspection, outcome: 'complete' });
  return inspection;
}
