import type { JobView } from '@zealous-axle/core';
import { dayName } from '../../look/dates';

/** What a job waits for, and until when. */
export function onHoldWords({ waits }: Pick<JobView, 'waits'>): string {
  const parts = waits.map(({ name, count }) => `${count} × ${name}`).join(', ');
  return `On hold for ${parts}, expected ${dayName(waits.at(-1)?.due ?? '')}`;
}
