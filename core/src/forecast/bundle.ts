import { type Day, dayAfter, daysBetween } from '../measure';
import { jobOf, SET_UPS, type Template, templateFor } from '../repair';
import { type Axle, placeWords, type Side } from '../trailer';
import { wearsDown } from './lives';
import { FORECAST } from './settings';
import type { PositionForecast } from './unit';

/** What could be done while a unit is in the shop anyway, with what it saves and what it throws away. */
export interface Bundle {
  /** The part that asks for it, by its place, and its last reading: answered, it is not asked again until there is a newer one. */
  key: string;
  seen: string;
  template: string;
  name: string;
  where: string;
  on: Day;
  /** Minutes of the work itself, its set-up not counted. */
  minutes: number;
  /** Minutes of setting up that a visit of its own would cost. */
  saves: number;
  /** The part of its life that is thrown away, and what that is of the price of its parts, in hundredths. */
  unused: number;
  unusedCost: number;
}

/** A proposal that was answered with no, and the reading it was answered for. */
export interface Declined {
  key: string;
  seen: string;
}

export interface BundleFacts {
  axles: readonly Axle[];
  positions: readonly PositionForecast[];
  /** Axles whose wheels come off in the unit's open jobs, and what these jobs do: template and axle. */
  axlesOff: readonly number[];
  planned: readonly { template: string; axle: number | null }[];
  declined: readonly Declined[];
  templates: readonly Template[];
  /** Prices in hundredths, by part. */
  prices: ReadonlyMap<string, number>;
  /** Minutes it takes to move a unit into a bay. */
  shuntMinutes: number;
  today: Day;
  /** The next time it is to be in the shop anyway. */
  nextVisit: Day;
}

/** When a unit is next in the shop anyway: the first of its papers that is not due right now, or after a while. */
export const nextVisitOf = (today: Day, papers: readonly Day[]): Day => {
  const usual = dayAfter(today, FORECAST.nextVisitDays);
  const due = papers.filter((day) => daysBetween(today, day) > FORECAST.soonDays).sort();
  return due[0] && due[0] < usual ? due[0] : usual;
};

const both = (axle: number) => (['left', 'right'] as const).map((side: Side) => ({ axle, side }));

/** How much of a part's life is left: what lies between its last reading and the limit, of what lay there when it was new. */
function unusedOf({ kind, lives, first }: PositionForecast): number {
  const points = lives.at(-1)?.points ?? [];
  const [fresh, last] = [points[0], points.at(-1)];
  if (!fresh || !last || !first) return 0;
  const sign = wearsDown(kind) ? 1 : -1;
  const whole = sign * (fresh.nm - first.nm);
  return whole <= 0 ? 0 : Math.max(0, Math.min(1, (sign * (last.nm - first.nm)) / whole));
}

/**
 * What else to do in a visit: parts that reach their limit before the next one, where their wheels come off anyway, or
 * where the work needs none off. Each as its template does it, an axle at a time, never what is planned already, and
 * never what was declined for the same reading.
 */
export function bundlesFor(facts: BundleFacts): Bundle[] {
  const groups = new Map<string, Bundle[]>();
  for (const position of facts.positions) {
    const bundle = bundleOf(position, facts);
    if (!bundle) continue;
    const group = `${bundle.template} ${bundle.where}`;
    groups.set(group, [...(groups.get(group) ?? []), bundle]);
  }
  return [...groups.values()]
    .flatMap((group) => asked(group, facts.declined))
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.key < b.key ? -1 : 1));
}

/** What one part asks for; null where it asks for nothing now. */
function bundleOf(position: PositionForecast, facts: BundleFacts): Bundle | null {
  const { axles, axlesOff, planned, templates, prices, shuntMinutes, today, nextVisit } = facts;
  const { key, kind, axle, side, tyre, first, lives } = position;
  const seen = lives.at(-1)?.points.at(-1)?.at;
  const on = first?.reach?.on;
  if (!axle || !side || !on || !seen || on > nextVisit) return null;
  const template = templateFor(templates, kind, axles[axle - 1]);
  const isPlanned = (id: string) =>
    planned.some((each) => each.template === id && (each.axle === null || each.axle === axle));
  if (!template || isPlanned(template.id) || (template.wheelsOff && !axlesOff.includes(axle))) return null;
  const ends = template.at === 'end' && !template.bothEnds ? [{ axle, side }] : both(axle);
  const work = jobOf([{ template, ends }], axles);
  const setUp = template.wheelsOff ? SET_UPS['wheels-off'] : 0;
  const unused = unusedOf(position);
  const price = work.parts.reduce((sum, { part, count }) => sum + count * (prices.get(part) ?? 0), 0);
  return {
    key,
    seen,
    template: template.id,
    name: template.name,
    where: ends.length === 2 ? `Axle ${axle}` : placeWords({ axle, side, tyre }),
    on: on < today ? today : on,
    minutes: work.minutes - setUp,
    saves: setUp + shuntMinutes,
    unused,
    unusedCost: Math.round(price * unused),
  };
}

/**
 * One piece of work, asked for by the part that is due first, as of the newest of their readings; nothing where it was
 * declined for these very readings, whichever part asked then.
 */
function asked(group: readonly Bundle[], declined: readonly Declined[]): Bundle[] {
  const [first] = [...group].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.key < b.key ? -1 : 1));
  if (!first) return [];
  const seen = group.map((each) => each.seen).reduce((newest, each) => (each > newest ? each : newest));
  const answered = declined.some((each) => each.seen >= seen && group.some(({ key }) => key === each.key));
  return answered ? [] : [{ ...first, seen }];
}
