import type { UnitField } from '@zealous-axle/core';

/** What a list may tell of a unit, in words. */
export const FIELD_WORDS: Record<UnitField, string> = {
  number: 'Number',
  kind: 'Kind',
  body: 'Body',
  site: 'Where it stands',
  yearBuilt: 'Year built',
  axles: 'How many axles',
  brake: 'Brake',
  chamber: 'Chamber',
  adjuster: 'Slack adjuster',
  tyres: 'Single or dual tyres',
  hub: 'Hubs',
  suspension: 'Suspension',
  tyreSize: 'Tyre size',
  target: 'Cold pressure',
  abs: 'ABS',
  grossWeight: 'Gross weight rating',
  payload: 'Payload',
  height: 'Height',
  width: 'Width',
  meter: 'Meter',
  inspection: 'Inspection good until',
  insurance: 'Insurance until',
  registration: 'Registration until',
};
