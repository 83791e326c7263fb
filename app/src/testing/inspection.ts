import { type Draft, newDraft, type Unit } from '@zealous-axle/core';
import { AXLE } from '@zealous-axle/core/testing';

/** A hopper with one axle. */
export const HOPPER: Unit & { number: string; body: string } = {
  id: 'u',
  number: 'H-90',
  body: 'Hopper',
  kind: 'semitrailer',
  axles: [AXLE],
};

/** A full inspection of the hopper just begun by the North American book, changed as a test wants it. */
export const begun = (more: Partial<Draft> = {}): Draft => ({
  ...newDraft({
    inspection: 'i',
    unit: HOPPER,
    rules: { book: 'na', policies: {}, limits: [] },
    purpose: 'full',
    job: null,
    previous: {},
    startedAt: '2026-07-01T08:00:00Z',
  }),
  ...more,
});
