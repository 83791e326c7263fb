const DAY_MS = 86_400_000;

const inZone = (zone: string, options: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: zone, ...options });

/** A day and its month stay on one line. */
const unbroken = (date: string): string => date.replace(/(\d) (?=[A-Z])/g, '$1\u00a0');

/** An instant as `24 Nov, 07:15` in the shop's zone. */
export const clock = (at: string, zone: string): string =>
  unbroken(inZone(zone, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }).format(new Date(at)));

/** An instant as `24 Nov` in the shop's zone; with its year when it is not this year's. */
export const dayOf = (at: string, zone: string, now = new Date()): string => {
  const year = inZone(zone, { year: 'numeric' });
  const other = year.format(new Date(at)) !== year.format(now);
  const options = { day: 'numeric', month: 'short', ...(other ? { year: 'numeric' as const } : {}) } as const;
  return unbroken(inZone(zone, options).format(new Date(at)));
};

const plain = (day: string): Date => new Date(`${day}T12:00:00Z`);

/** A plain date as `Tue 24 Nov`. */
export const dayName = (day: string): string =>
  unbroken(inZone('UTC', { weekday: 'short', day: 'numeric', month: 'short' }).format(plain(day)));

/** Whole days from one plain date to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((plain(to).getTime() - plain(from).getTime()) / DAY_MS);

/** The plain date some days later. */
export const dayAfter = (day: string, days: number): string =>
  new Date(plain(day).getTime() + days * DAY_MS).toISOString().slice(0, 10);

/** A due date as people say it: `in 9 days`, `today`, `6 days over`. */
export function dueWords(today: string, on: string): string {
  const days = daysBetween(today, on);
  if (days === 0) return 'due today';
  const count = Math.abs(days);
  const words = `${count} ${count === 1 ? 'day' : 'days'}`;
  return days < 0 ? `${words} over` : `due in ${words}`;
}
