import { type Day, dayAfter, daysBetween } from '../measure';
import { jobOf, type Template, workFor } from '../repair';
import type { Side, Unit } from '../trailer';
import type { WearingKind } from './settings';

/** A part that reaches its limit, where and by when. */
export interface Due {
  unit: Pick<Unit, 'axles'> & { id: string };
  kind: WearingKind;
  axle: number;
  side: Side;
  on: Day;
}

export interface Week {
  from: Day;
  positions: number;
  minutes: number;
  parts: Map<string, number>;
}

/**
 * What each week from today asks for, were everything done in the week its limit is reached: the work of one unit in one
 * week is one job by the templates, so that wheels come off an axle once.
 */
export function weeksAhead(dues: readonly Due[], templates: readonly Template[], today: Day, weeks: number): Week[] {
  const out = Array.from(
    { length: weeks },
    (_, n): Week => ({
      from: dayAfter(today, n * 7),
      positions: 0,
      minutes: 0,
      parts: new Map(),
    }),
  );
  const jobs = new Map<string, Due[]>();
  for (const due of dues) {
    const n = Math.floor(Math.max(0, daysBetween(today, due.on)) / 7);
    if (n >= weeks) continue;
    const key = `${n} ${due.unit.id}`;
    jobs.set(key, [...(jobs.get(key) ?? []), due]);
  }
  for (const [key, here] of jobs) {
    const week = out[Number(key.split(' ')[0])];
    const axles = here[0]?.unit.axles;
    if (!week || !axles) continue;
    const work = jobOf(
      workFor(
        templates,
        here.map(({ kind, axle, side }) => ({ code: kind, axle, side })),
        axles,
      ),
      axles,
    );
    week.positions += here.length;
    week.minutes += work.minutes;
    for (const { part, count } of work.parts) week.parts.set(part, (week.parts.get(part) ?? 0) + count);
  }
  return out;
}
