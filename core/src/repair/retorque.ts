import { type Day, dayAfter, must, parseDistance, readsAfter } from '../measure';
import shipped from './templates.json';

/** When wheels that were off are torqued again: within days, and between two distances run.  Source: `templates.json`. */
export const RETORQUE: Readonly<{ days: number; from: string; to: string }> = shipped.retorque;

/** What a re-torque is due at: a day, and what the meter reads then – known only where it was read. */
export interface RetorqueDue {
  due: Day;
  dueMeter: string | null;
}

/** When wheels torqued on a day are due, `reads` being what the unit's meter last read, or null. */
export const retorqueDue = (today: Day, reads: string | null): RetorqueDue => ({
  due: dayAfter(today, RETORQUE.days),
  dueMeter: reads === null ? null : readsAfter(reads, RETORQUE.to),
});

/** Whether it is past its day, or its meter past what it may run, whichever is first. */
export function retorqueLapsed({ due, dueMeter }: RetorqueDue, today: Day, reads: string | null): boolean {
  if (due < today) return true;
  return dueMeter !== null && reads !== null && must(parseDistance(reads)) > must(parseDistance(dueMeter));
}
