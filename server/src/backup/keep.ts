/** How many backups are kept of the newest days, weeks and months. */
export interface KeepRule {
  days: number;
  weeks: number;
  months: number;
}

/** `7d,4w,12m` as it is written in a setting; null where it is no such rule. */
export function readKeepRule(text: string): KeepRule | null {
  const [, days, weeks, months] = /^(\d{1,3})d,(\d{1,3})w,(\d{1,3})m$/.exec(text.trim()) ?? [];
  const rule = { days: Number(days), weeks: Number(weeks), months: Number(months) };
  return days && rule.days > 0 ? rule : null;
}

const DAY_MS = 86_400_000;
/** Weeks are counted from a Monday. */
const weekOf = (day: string): number => Math.floor((Date.parse(`${day}T00:00:00Z`) / DAY_MS + 3) / 7);

/** The newest of each of the newest `most` groups. */
function newestOf(days: readonly string[], groupOf: (day: string) => string | number, most: number): string[] {
  const groups = new Map<string | number, string>();
  for (const day of days) if (!groups.has(groupOf(day))) groups.set(groupOf(day), day);
  return [...groups.values()].slice(0, most);
}

/** Of days (`2026-03-02`) on which a backup was made, those that are no longer kept. The newest always is. */
export function outlived(days: readonly string[], { days: most, weeks, months }: KeepRule): string[] {
  const newest = [...days].sort().reverse();
  const kept = new Set([
    ...newest.slice(0, 1),
    ...newestOf(newest, (day) => day, most),
    ...newestOf(newest, weekOf, weeks),
    ...newestOf(newest, (day) => day.slice(0, 7), months),
  ]);
  return newest.filter((day) => !kept.has(day));
}
