import type { Exercise } from './exercise';
import data from './pace.json';

/** Whether something was finished faster than anybody can answer so many items: it is kept, and counts for nothing. Source: `pace.json`, practice. */
export const tooFast = (
  { what }: Pick<Exercise, 'what'>,
  { seconds, items }: { seconds: number; items: readonly unknown[] },
): boolean =>
  // Seconds are told whole: up to one more may have gone by.
  (seconds + 1) * 1_000 < items.length * data.leastMsAnItem[what];
