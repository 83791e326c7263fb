import type { Act } from '../life';
import { BENCH, EVERYBODY, SHOP } from '../life';

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
export type DefectAct =
  | 'report'
  | 'triage'
  | 'dismiss'
  | 'plan'
  | 'unplan'
  | 'finish'
  | 'reopen'
  | 'certify'
  | 'acknowledge';

/** From the driver's report to the next driver's eyes. Its job carries it from `planned` to `certified`. */
export const DEFECT_LIFE: readonly Act<DefectState, DefectAct, 'a reason'>[] = [
  { act: 'report', from: [], to: 'reported', who: EVERYBODY },
  { act: 'triage', from: ['reported'], to: 'triaged', who: SHOP },
  { act: 'dismiss', from: ['reported', 'triaged'], to: 'dismissed', who: SHOP, needs: ['a reason'] },
  { act: 'plan', from: ['reported', 'triaged'], to: 'planned', who: SHOP },
  { act: 'unplan', from: ['planned'], to: 'triaged', who: SHOP },
  { act: 'finish', from: ['planned'], to: 'done', who: BENCH },
  { act: 'reopen', from: ['done'], to: 'planned', who: BENCH },
  { act: 'certify', from: ['done'], to: 'certified', who: BENCH },
  { act: 'acknowledge', from: ['certified'], to: 'acknowledged', who: EVERYBODY },
];

/** Still to be worked on: what a release waits for. */
export const OPEN_DEFECT_STATES: readonly DefectState[] = ['reported', 'triaged', 'planned', 'done'];
export const isOpenDefect = (state: DefectState): boolean => OPEN_DEFECT_STATES.includes(state);
