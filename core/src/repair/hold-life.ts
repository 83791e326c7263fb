import { type Act, BENCH } from '../life';

/** A trailer is held from the first hold until a release ends them all. */
export const HOLD_LIFE: readonly Act<'held' | 'released', 'hold' | 'release', 'a statement'>[] = [
  { act: 'hold', from: [], to: 'held', who: BENCH },
  { act: 'release', from: ['held'], to: 'released', who: BENCH, needs: ['a statement'] },
];
