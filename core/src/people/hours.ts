import { TZDate } from '@date-fns/tz';
import { z } from 'zod';
import { type Day, dayAfter, dayIn, dayText, wordsText } from '../measure';

/** An hour of the day in the fleet's zone, like 06:00; 24:00 is its end. */
export const hourText = z
  .string()
  .trim()
  .regex(/^(([01]\d|2[0-3]):[0-5]\d|24:00)$/, 'write an hour like 06:00');

/** Hours worked on days of the week, 1 for Monday to 7. A shift over midnight ends before it begins: 22:00 to 06:00. */
export const shiftSchema = z
  .strictObject({ days: z.array(z.int().min(1).max(7)).min(1).max(7), from: hourText, to: hourText })
  .refine(({ from, to }) => from !== to, { path: ['to'], message: 'a shift does not end when it begins' });
export type Shift = z.infer<typeof shiftSchema>;

/** Days, both of them included, on which somebody or something is not there. */
export const awaySchema = z
  .strictObject({ from: dayText, until: dayText, reason: wordsText(80) })
  .refine(({ from, until }) => from <= until, { path: ['until'], message: 'it ends before it begins' });
export type Away = z.infer<typeof awaySchema>;

/** From an instant to an instant, as they are sent. */
export type Span = [from: string, to: string];

/** The instant of an hour of a day in a zone; one that a spring forward leaves out is the one after it. */
export function instantAt(zone: string, day: Day, hour: string): Date {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  const [hours = 0, minutes = 0] = hour.split(':').map(Number);
  return new Date(new TZDate(year, month - 1, date, hours, minutes, 0, zone).getTime());
}

/** The instant a day begins in a zone. */
export const dayBegins = (zone: string, day: Day): string => instantAt(zone, day, '00:00').toISOString();

const weekday = (day: Day): number => new Date(`${day}T12:00:00Z`).getUTCDay() || 7;
const isOn = (day: Day, { from, until }: Pick<Away, 'from' | 'until'>): boolean => from <= day && day <= until;

/** A week's hours, and the days on which they do not hold. */
export interface WeeklyHours {
  hours: readonly Shift[];
  away: readonly Pick<Away, 'from' | 'until'>[];
}

/**
 * The spans of weekly hours that lie, whole or in part, in `days` days from the day of `now`: in order, those before `now`
 * left out. A shift belongs to the day it begins on: an absence on that day takes all of it, over midnight too.
 */
export function spansOf(zone: string, now: Date, days: number, { hours, away }: WeeklyHours): Span[] {
  const today = dayIn(zone, now);
  const spans: Span[] = [];
  // A night shift of yesterday may still run.
  for (let ahead = -1; ahead <= days; ahead++) {
    const day = dayAfter(today, ahead);
    if (away.some((each) => isOn(day, each))) continue;
    for (const { days: on, from, to } of hours) {
      if (!on.includes(weekday(day))) continue;
      const end = instantAt(zone, to <= from ? dayAfter(day, 1) : day, to);
      const begin = instantAt(zone, day, from);
      if (end > now && begin < end) spans.push([begin.toISOString(), end.toISOString()]);
    }
  }
  return spans.sort((a, b) => (a[0] < b[0] ? -1 : a[0] > b[0] ? 1 : 0));
}
