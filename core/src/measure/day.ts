import { TZDate } from '@date-fns/tz';
import { addMonths } from 'date-fns/addMonths';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { formatISO } from 'date-fns/formatISO';
import { lastDayOfMonth } from 'date-fns/lastDayOfMonth';
import { parseISO } from 'date-fns/parseISO';

/** A plain date, `2026-03-02`: what stands on paper, in no zone. */
export type Day = string;

const plain = (at: Date): Day => formatISO(at, { representation: 'date' });

/** The date an instant has in a zone of the IANA list. */
export const dayIn = (zone: string, at: Date | string): Day => plain(new TZDate(new Date(at), zone));

const DAY_MS = 86_400_000;
/** The date so many days later; earlier where `days` is negative. A plain date is in no zone: its days are all alike. */
export const dayAfter = (day: Day, days: number): Day =>
  new Date(Date.parse(day) + days * DAY_MS).toISOString().slice(0, 10);

/** Whole days from one date to another; negative where the other is earlier. */
export const daysBetween = (from: Day, to: Day): number => differenceInCalendarDays(parseISO(to), parseISO(from));

/** The last day of the month so many months after `2026-03`. */
export const lastDayAfter = (month: string, months: number): Day =>
  plain(lastDayOfMonth(addMonths(parseISO(`${month}-01`), months)));
