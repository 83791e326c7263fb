import { severityOf } from '../../catalogue';
import { DEFAULT_BOOK, type Verdict } from '../../limits';
import data from './made-up.json';

export type Level = (typeof LEVELS)[number];

/** Levels of the practice yard, the plainest first. Source: `made-up.json`, practice. */
export const LEVELS = data.levels;
/** Routes made for practice, beside those that ship and the shop's own. */
export const PRACTICE_ROUTES = data.routes;
/** What something in good order commonly reads, from and to. */
export const GOOD = data.good;
/** What a fault reads, from and to, and what it makes of whatever has it, where that is not its code's own severity. */
const FAULTS = data.faults;
/** The figures of a fault, least and greatest; throws where it has none. */
export function figureOf(id: string, on: 'figure' | 'disc' = 'figure'): readonly [number, number] {
  const figure = FAULTS[id]?.[on];
  if (!figure) throw new Error(`${id} has no figures`);
  return figure;
}
/** What a fault is promised to be judged by itself: at least, and at worst where the place or the route's other steps add to it. */
export interface Promised {
  least: Verdict;
  worst: Verdict;
}
/** The promise of a fault, a code, or a code with the check it is seen by: a code's is its severity in the book. */
export function promiseOf(id: string): Promised {
  const [code = ''] = id.split('@');
  const least = FAULTS[code]?.meets ?? severityOf(code, DEFAULT_BOOK)?.verdict ?? 'shop-limit';
  return { least, worst: FAULTS[code]?.atWorst ?? least };
}

/** Codes that cannot be true together at one place. */
export const EXCLUSIVE = data.exclusive;
/** What a mistake would cost, in hundredths. */
export const COST = data.cost;
/** What the marks of a hundred are for. */
export const MARKS = data.marks;

/** What made the wet night: the scale is dirty, it is dark, and the eye is not square on. */
export const isNight = (level: number): boolean => level >= 5;
