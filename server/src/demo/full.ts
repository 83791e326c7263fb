import { goodReading, keyOf, type Reading, ROUTES, readingKey, routeSteps, type Unit } from '@zealous-axle/core';
import { later, type Teller } from './teller';

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
    const value = usual.get(keyOf(step)) ?? goodReading(step.kind, step);
    await tell('technician', 'take-reading', later(hoursAgo, minutes), { reading: id(), inspection, value });
  }
  await tell('technician', 'close-inspection', later(hoursAgo, minutes), {
    inspection,
    outcome: 'complete',
    sections: route.sections.map((section) => ({ id: section.id, seconds: minutesIn(section.id) * 60 })),
  });
}
