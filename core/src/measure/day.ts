import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
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

/** The date so many days later; earlier where `days` is negative. */
export const dayAfter = (day: Day, days: number): Day => plain(addDays(parseISO(day), days));

/** Whole days from one date to another; negative where the other is earlier. */
export const daysBetween = (from: Day, to: Day): number => differenceInCalendarDays(parseISO(to), parseISO(from));

/** The last day of the month so many months after `2026-03`. */
export const lastDayAfter = (month: string, months: number): Day =>
  plain(lastDayOfMonth(addMonths(parseISO(`${month}-01`), months)));
