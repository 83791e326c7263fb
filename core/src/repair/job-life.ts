import type { Act } from '../life';

export const JOB_STATES = ['open', 'placed', 'started', 'done', 'certified', 'cancelled'] as const;
export type JobState = (typeof JOB_STATES)[number];
export type JobAct = 'place' | 'start' | 'finish' | 'reopen' | 'certify' | 'cancel';
export type JobNeed =
  | 'a bay'
  | 'a day'
  | 'what was done'
  | 'the torque and its tool'
  | 'the readings taken again'
  | 'a statement'
  | 'a reason';

const shop = ['foreman', 'manager'] as const;
const bench = ['technician', 'foreman', 'manager'] as const;

/** A repair from the foreman's list to the signed certificate. */
export const JOB_LIFE: readonly Act<JobState, JobAct, JobNeed>[] = [
  { act: 'place', from: ['open', 'placed'], to: 'placed', who: shop, needs: ['a bay', 'a day'] },
  { act: 'cancel', from: ['open', 'placed'], to: 'cancelled', who: shop, needs: ['a reason'] },
  { act: 'start', from: ['placed'], to: 'started', who: bench },
  { act: 'finish', from: ['started'], to: 'done', who: bench, needs: ['what was done', 'the torque and its tool'] },
  { act: 'reopen', from: ['done'], to: 'started', who: bench, needs: ['a reason'] },
  {
    act: 'certify',
    from: ['done'],
    to: 'certified',
    who: bench,
    needs: ['the readings taken again', 'a statement'],
  },
];

export const isOpenJob = (state: JobState): boolean => state !== 'certified' && state !== 'cancelled';
