import { TZDate } from '@date-fns/tz';
import { daysBetween } from '@zealous-axle/core';
import { format } from 'date-fns/format';
import { isSameYear } from 'date-fns/isSameYear';
import { parseISO } from 'date-fns/parseISO';

/** A day and its month stay on one line. */
const NARROW = '\u00a0';
const DAY = `d'${NARROW}'MMM`;

const inZone = (at: string, zone: string): TZDate => new TZDate(new Date(at), zone);

/** An instant as `24 Nov, 07:15` in the shop's zone. */
export const clock = (at: string, zone: string): string => format(inZone(at, zone), `${DAY}, HH:mm`);

/** An instant with its year, where two may be years apart: `24 Nov 2026, 07:15`. */
export const exactly = (at: string, zone: string): string => format(inZone(at, zone), `${DAY} yyyy, HH:mm`);

/** An instant as `24 Nov` in the shop's zone; with its year when it is not this year's. */
export const dayOf = (at: string, zone: string, now = new Date()): string => {
  const day = inZone(at, zone);
  return format(day, isSameYear(day, new TZDate(now, zone)) ? DAY : `${DAY} yyyy`);
};

/** The month an instant is in: `Nov 2026`. */
export const monthOf = (at: Date): string => format(inZone(at.toISOString(), 'UTC'), 'MMM yyyy');

/** A plain date as `Tue 24 Nov`. */
export const dayName = (day: string): string => format(parseISO(day), `EEE ${DAY}`);

/** A due date as people say it: `in 9 days`, `today`, `6 days over`. */
export function dueWords(today: string, on: string): string {
  const days = daysBetween(today, on);
  if (days === 0) return 'due today';
  const count = Math.abs(days);
  const words = `${count} ${count === 1 ? 'day' : 'days'}`;
  return days < 0 ? `${words} overdue` : `due in ${words}`;
}
