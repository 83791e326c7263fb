import { z } from 'zod';
import { checkEntry } from '../catalogue';
import type { Verdict } from '../limits';
import { isMeasuredKind, keyOf, type Reading, readingKey, type Step } from '../reading';
import type { Unit } from '../trailer';
import { ROUTES, type Route, routeSteps, wholeSteps } from './route';

/** What a unit is looked at for, apart from a walk round it and its papers: each may be known while another is not. */
export const AREAS = ['ends', 'pressure', 'coupling', 'lamps', 'air'] as const;
export type Area = (typeof AREAS)[number];

export const AREA_WORDS: Record<Area, string> = {
  ends: 'Axle ends',
  pressure: 'Tire pressure',
  coupling: 'Coupling',
  lamps: 'Lamps',
  air: 'Air',
};

export const lookedAtSchema = z.strictObject({
  area: z.enum(AREAS),
  /** Of so many things so many were read or looked at, and stand. */
  of: z.int(),
  read: z.int(),
  /** When the oldest of them was: an instant; null where nothing was. */
  oldest: z.string().nullable(),
  /** Who looked last. */
  by: z.string().nullable(),
});
/** What of one area of a unit was looked at, when and by whom. */
export type LookedAt = z.infer<typeof lookedAtSchema>;

const PART_AREA: Readonly<Record<string, Area>> = { lamps: 'lamps', air: 'air', coupling: 'coupling' };

function areaOf({ kind, item }: Pick<Step, 'kind' | 'item'>): Area | null {
  if (isMeasuredKind(kind)) return 'ends';
  if (kind === 'pressure') return 'pressure';
  if (kind === 'king-pin') return 'coupling';
  if (kind === 'air-test') return 'air';
  return kind === 'check' ? (PART_AREA[checkEntry(item ?? '')?.part ?? ''] ?? null) : null;
}

/** The route that asks for everything a kind of unit is looked at for: the shipped full inspection. */
function wholeRoute(kind: Unit['kind']): Route {
  const full = ROUTES.find(({ id, kinds }) => id.startsWith('full') && kinds.includes(kind));
  if (!full) throw new Error(`no full inspection of a ${kind}`);
  return full;
}

/** A reading that stands, as far as when and by whom is concerned. */
interface Stands {
  key: string;
  at: string;
  by: string;
}

/** What of a unit was looked at, area by area; what a unit has nothing of is left out. `at` are instants. */
export function lookedAt(unit: Unit, standing: readonly Stands[]): LookedAt[] {
  const known = new Map(standing.map((each) => [each.key, each]));
  const steps = wholeSteps(unit, routeSteps(wholeRoute(unit.kind), unit));
  return AREAS.flatMap((area) => {
    const own = steps.filter((step) => areaOf(step) === area);
    if (own.length === 0) return [];
    const read = own.flatMap((step) => known.get(keyOf(step)) ?? []);
    const inOrder = [...read].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
    return [
      { area, of: own.length, read: read.length, oldest: inOrder[0]?.at ?? null, by: inOrder.at(-1)?.by ?? null },
    ];
  });
}

/** Areas of which something was never looked at. */
export const unseenAreas = (looked: readonly LookedAt[]): Area[] =>
  looked.flatMap(({ area, of, read }) => (read < of ? [area] : []));

/** What of a unit an inspection says nothing of, whatever else it says; empty where it says something of each area. */
export function unreadWords(unit: Unit, readings: readonly Reading[]): string {
  const looked = lookedAt(
    unit,
    readings.map((each) => ({ key: readingKey(each), at: '', by: '' })),
  );
  const unread = looked.filter(({ read }) => read === 0).map(({ area }) => AREA_WORDS[area].toLowerCase());
  return unread.length ? `Not looked at here: ${unread.join(', ')}.` : '';
}

/**
 * What may head a unit: no greener than the least known thing under it. Within limits it is only where all of it was
 * looked at and somebody walked round it.
 */
export const headVerdict = (verdict: Verdict, looked: readonly LookedAt[], walked: boolean): Verdict =>
  verdict === 'within' && (unseenAreas(looked).length > 0 || !walked) ? 'not-judged' : verdict;
