import { type Act, BENCH, EVERYBODY, SHOP } from '../life';

/**
 * Wheels to be torqued again: asked for by the end of a job, done by whoever is there, or lapsed into a report. What is to
 * be measured first is a report's own state: `DEFECT_LIFE`.
 */
export const RETORQUE_LIFE: readonly Act<'due' | 'done' | 'lapsed', 'ask for' | 'do' | 'lapse', 'its day passed'>[] = [
  { act: 'ask for', from: [], to: 'due', who: BENCH },
  { act: 'do', from: ['due', 'lapsed'], to: 'done', who: EVERYBODY },
  { act: 'lapse', from: ['due'], to: 'lapsed', who: SHOP, needs: ['its day passed'] },
];
