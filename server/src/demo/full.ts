import { keyOf, type Reading, ROUTES, readingKey, routeSteps, type Step, type Unit } from '@zealous-axle/core';
import { later, type Teller } from './teller';

const AIR: Record<string, object> = {
  'leak-released': { start: '112 psi', end: '111 psi', seconds: 60, vehicles: 'single' },
  'leak-applied': { start: '96 psi', end: '94.5 psi', seconds: 60, vehicles: 'single' },
  'suspension-leak': { start: '100 psi', end: '99 psi', seconds: 300 },
};

/** A good answer to any step that the usual readings do not cover. */
function goodAt(step: Step): Reading {
  const end = { axle: step.axle ?? 1, side: step.side ?? 'left' } as const;
  switch (step.kind) {
    case 'check':
      return { kind: 'check', check: step.item ?? '', ...(step.axle ? end : {}), found: [], how: 'seen' };
    case 'air-test':
      return { kind: 'air-test', test: step.item, ...AIR[step.item ?? ''] } as Reading;
    case 'rotor':
      return { kind: 'rotor', ...end, value: '41.5 mm' };
    case 'drum':
      return { kind: 'drum', ...end, value: '16.55 in' };
    case 'stroke-free':
      return { kind: 'stroke-free', ...end, value: '5/8 in', method: 'bar' };
    case 'pressure':
      return {
        kind: 'pressure',
        ...end,
        tyre: step.tyre ?? 'single',
        value: '101 psi',
      };
    case 'dual':
      return { kind: 'dual', ...end, touching: false };
    case 'wheel-nuts':
      return { kind: 'wheel-nuts', ...end, holes: 10, loose: [], missing: [], rust: [] };
    case 'end-play':
      return { kind: 'end-play', ...end, value: '0.003 in' };
    case 'king-pin':
      return { kind: 'king-pin', pin: ['1.982 in', '1.979 in'] };
    case 'guard-height':
      return { kind: 'guard-height', value: '21 1/2 in', built: 2019 };
    case 'slider-pins':
      return { kind: 'slider-pins', pins: 4, seated: 4 };
    case 'mud-flap':
      return { kind: 'mud-flap', side: end.side, value: '6 1/2 in' };
    default:
      throw new Error(`the demo has no usual reading for ${keyOf(step)}`);
  }
}

const MINUTES: Record<string, number> = {
  approach: 3,
  front: 6,
  coupling: 7,
  lamps: 6,
  side: 8,
  flaps: 2,
  strokes: 12,
  ends: 44,
  rear: 3,
  air: 11,
  roll: 2,
};

/** A whole periodic inspection by the full route; the readings in `odd` replace the good ones. */
export async function inspectFully(
  { id, tell }: Teller,
  { unit, last }: { unit: Unit; last: readonly Reading[] },
  hoursAgo: number,
  odd: readonly Reading[],
): Promise<void> {
  const route = ROUTES.find((each) => each.id === 'full');
  if (!route) throw new Error('no full route');
  const inspection = id();
  const steps = routeSteps(route, unit);
  const usual = new Map([...last, ...odd].map((reading) => [readingKey(reading), reading]));
  await tell('technician', 'start-inspection', hoursAgo, {
    inspection,
    unit: unit.id,
    purpose: 'full',
    route: { id: route.id, name: route.name },
    steps,
  });
  const minutesIn = (section: string | undefined) => MINUTES[section ?? ''] ?? 3;
  let minutes = 0;
  for (const step of steps) {
    minutes += minutesIn(step.section) / steps.filter(({ section }) => section === step.section).length;
    const value = usual.get(keyOf(step)) ?? goodAt(step);
    await tell('technician', 'take-reading', later(hoursAgo, minutes), { reading: id(), inspection, value });
  }
  await tell('technician', 'close-inspection', later(hoursAgo, minutes), {
    inspection,
    outcome: 'complete',
    sections: route.sections.map((section) => ({ id: section.id, seconds: minutesIn(section.id) * 60 })),
  });
}
