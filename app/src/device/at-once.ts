const PREFIX = 'za-at-once ';

/**
 * What must outlive this very moment: written before the next line runs, where the device's database still takes its time.
 * It stands for what is on its way there, and goes once that has come.
 */
export const atOnce = {
  keep(key: string, value: object): void {
    try {
      localStorage.setItem(PREFIX + key, JSON.stringify(value));
    } catch {
      // No room, or none allowed: the database is on its way, as it always was.
    }
  },
  get<T extends object>(key: string): T | undefined {
    try {
      const kept = localStorage.getItem(PREFIX + key);
      return kept === null ? undefined : (JSON.parse(kept) as T);
    } catch {
      return undefined;
    }
  },
  drop(key: string): void {
    try {
      localStorage.removeItem(PREFIX + key);
    } catch {
      // Then there is nothing to drop.
    }
  },
};
