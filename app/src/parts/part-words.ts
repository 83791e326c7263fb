import type { CHECK_PRESSES, Part } from '@zealous-axle/core';

/** What the parts of a unit are called where one is chosen. */
export const PART_WORDS: Record<Part, string> = {
  brake: 'Brake',
  tyre: 'Tire',
  wheel: 'Wheel, nuts',
  hub: 'Hub',
  suspension: 'Suspension',
  frame: 'Frame',
  coupling: 'Coupling',
  lamps: 'Lamps',
  body: 'Body, doors',
  air: 'Air',
  engine: 'Engine bay',
  steering: 'Steering',
  cab: 'Cab',
  emergency: 'Emergency equipment',
  bus: 'Passengers',
  papers: 'Papers',
  other: 'Something else',
};

/** How much a sign presses, in words. */
export const PRESSES_WORDS: Record<(typeof CHECK_PRESSES)[number], string> = {
  'next-visit': 'At its next visit',
  'before-use': 'Before its next use',
  hold: 'Holds the unit',
};
