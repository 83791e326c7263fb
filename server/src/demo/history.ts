import {
  expectedReadings,
  formatLength,
  keyOf,
  type MeasuredStep,
  type Random,
  type Reading,
  type Unit,
  wheelEnd,
} from '@zealous-axle/core';

/** A 32nd of an inch: the step in which the demo's gauges are read. */
const NM_32ND = 793_750;
const in32nds = (count: number, style: 'fraction' | '32nds' = 'fraction') => formatLength(count * NM_32ND, style);

/** The state of one measured thing between two inspections, in 32nds of an inch; a hub has none. */
interface Wearing {
  now: number;
  perDay: number;
  renewAt: number;
  fresh: number;
}

const begin = (step: MeasuredStep, unit: Unit, random: Random): Wearing => {
  const disc = wheelEnd(unit, step.axle, step.side)?.brake === 'air-disc';
  if (step.kind === 'tread')
    return { now: 10 + random.next() * 8, perDay: 0.012 + random.next() * 0.012, renewAt: 4, fresh: 18 };
  if (step.kind === 'lining')
    return disc
      ? { now: 16 + random.next() * 8, perDay: 0.012 + random.next() * 0.01, renewAt: 7, fresh: 25 }
      : { now: 15 + random.next() * 9, perDay: 0.014 + random.next() * 0.014, renewAt: 10, fresh: 24 };
  const limit32nds = unit.kind === 'tractor' ? 44 : 46;
  return { now: limit32nds + random.next() * 6, perDay: 0, renewAt: 0, fresh: 0 };
};

/** What a step reads when nothing is wrong. */
function read(step: MeasuredStep, wearing: Wearing, random: Random): Reading {
  const { axle, side } = step;
  const jitter = Math.round(wearing.now + (random.next() - 0.5) * 0.6);
  switch (step.kind) {
    case 'stroke-applied': {
      const count = Math.round((wearing.now + (random.next() - 0.5) * 4) / 2) * 2;
      return { kind: 'stroke-applied', axle, side, value: in32nds(count), reservoir: '95 psi' };
    }
    case 'lining':
      return { kind: 'lining', axle, side, points: [in32nds(jitter)] };
    case 'tread':
      return { kind: 'tread', axle, side, tyre: step.tyre ?? 'single', grooves: [[in32nds(jitter, '32nds')]] };
    case 'hub-oil':
      return {
        kind: 'hub-oil',
        axle,
        side,
        level: random.next() < 0.8 ? 'between' : 'full',
        condition: 'clear',
        leak: 'none',
      };
  }
}

/** What wears as one: the tyres of a dual are matched and renewed as a pair. */
const partOf = (step: MeasuredStep): string => keyOf({ ...step, tyre: null });

/**
 * The readings of a unit's inspections over the given days, oldest first: linings and treads wear and are renewed
 * before their limits, strokes stay level. A small chamber has less stroke to give, so its readings are scaled to it.
 */
export function wornReadings(unit: Unit, days: readonly number[], random: Random): Reading[][] {
  const steps = expectedReadings(unit);
  const parts = new Map<string, Wearing>();
  for (const step of steps) if (!parts.has(partOf(step))) parts.set(partOf(step), begin(step, unit, random));
  return days.map((day, index) => {
    const passed = index === 0 ? 0 : day - (days[index - 1] ?? day);
    for (const part of parts.values()) {
      part.now -= part.perDay * passed;
      if (part.now < part.renewAt) part.now = part.fresh;
    }
    return steps.map((step) => read(step, scaledStroke(unit, step, parts.get(partOf(step)) as Wearing), random));
  });
}

const STROKE_SCALE: Record<string, number> = { '16': 0.82, '20': 0.84, '24': 0.95, '30': 1 };

function scaledStroke(unit: Unit, step: MeasuredStep, state: Wearing): Wearing {
  if (step.kind !== 'stroke-applied') return state;
  const size = wheelEnd(unit, step.axle, step.side)?.chamber?.size ?? '30';
  return { ...state, now: state.now * (STROKE_SCALE[size] ?? 1) };
}
