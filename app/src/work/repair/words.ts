import type { JobView } from '@zealous-axle/core';
import { dayName } from '../../look/dates';

/** Minutes as hours and minutes: `1 h 35 min`. */
export function minutesWords(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  return [hours ? `${hours} h` : '', rest || !hours ? `${rest} min` : ''].filter(Boolean).join(' ');
}

/** What a job waits for, and until when. */
export function onHoldWords({ waits }: Pick<JobView, 'waits'>): string {
  const parts = waits.map(({ name, count }) => `${count} × ${name}`).join(', ');
  return `On hold for ${parts}, expected ${dayName(waits.at(-1)?.due ?? '')}`;
}
