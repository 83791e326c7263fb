import { type Act, BENCH, SHOP } from '../life';

export const JOB_STATES = ['open', 'placed', 'started', 'done', 'certified', 'cancelled'] as const;
export type JobState = (typeof JOB_STATES)[number];
export type JobAct = 'make' | 'place' | 'take off' | 'start' | 'work on' | 'finish' | 'reopen' | 'certify' | 'cancel';
export type JobNeed =
  | 'a bay'
  | 'a day'
  | 'what was done'
  | 'every step ticked'
  | 'every part taken'
  | 'the torque and its tool'
  | 'a valid qualification'
  | 'the readings taken again'
  | 'a statement'
  | 'a reason';

/** A repair from the foreman's list to the signed certificate. */
export const JOB_LIFE: readonly Act<JobState, JobAct, JobNeed>[] = [
  { act: 'make', from: [], to: 'open', who: SHOP },
  { act: 'place', from: ['open', 'placed'], to: 'placed', who: SHOP, needs: ['a bay', 'a day'] },
  { act: 'take off', from: ['placed'], to: 'open', who: SHOP },
  { act: 'cancel', from: ['open', 'placed'], to: 'cancelled', who: SHOP, needs: ['a reason'] },
  { act: 'start', from: ['placed'], to: 'started', who: BENCH },
  { act: 'work on', from: ['started'], to: 'started', who: BENCH },
  {
    act: 'finish',
    from: ['started'],
    to: 'done',
    who: BENCH,
    needs: ['what was done', 'every step ticked', 'every part taken', 'the torque and its tool'],
  },
  { act: 'reopen', from: ['done'], to: 'started', who: BENCH, needs: ['a reason'] },
  {
    act: 'certify',
    from: ['done'],
    to: 'certified',
    who: BENCH,
    needs: ['the readings taken again', 'a valid qualification', 'a statement'],
  },
];

export const OPEN_JOB_STATES: readonly JobState[] = ['open', 'placed', 'started', 'done'];
export const isOpenJob = (state: JobState): boolean => OPEN_JOB_STATES.includes(state);
