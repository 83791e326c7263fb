import type { Act } from '../life';

export const DEFECT_STATES = [
  'reported',
  'triaged',
  'planned',
  'done',
  'certified',
  'acknowledged',
  'dismissed',
] as const;
export type DefectState = (typeof DEFECT_STATES)[number];
export type DefectAct = 'triage' | 'dismiss' | 'plan' | 'unplan' | 'finish' | 'reopen' | 'certify' | 'acknowledge';

const shop = ['foreman', 'manager'] as const;
const bench = ['technician', 'foreman', 'manager'] as const;
const all = ['driver', ...bench] as const;

/** From the driver's report to the next driver's eyes. Its job carries it from `planned` to `certified`. */
export const DEFECT_LIFE: readonly Act<DefectState, DefectAct, 'a reason'>[] = [
  { act: 'triage', from: ['reported'], to: 'triaged', who: shop },
  { act: 'dismiss', from: ['reported', 'triaged'], to: 'dismissed', who: shop, needs: ['a reason'] },
  { act: 'plan', from: ['reported', 'triaged'], to: 'planned', who: shop },
  { act: 'unplan', from: ['planned'], to: 'triaged', who: shop },
  { act: 'finish', from: ['planned'], to: 'done', who: bench },
  { act: 'reopen', from: ['done'], to: 'planned', who: bench },
  { act: 'certify', from: ['done'], to: 'certified', who: bench },
  { act: 'acknowledge', from: ['certified'], to: 'acknowledged', who: all },
];

/** Still to be worked on: what a release waits for. */
export const isOpenDefect = (state: DefectState): boolean =>
  state === 'reported' || state === 'triaged' || state === 'planned' || state === 'done';
