import { checkEntry, type Draft, isChocked, type Step } from '@zealous-axle/core';

/** Before the first brake is let go: whether the wheels are chocked is asked once. What is only corrected measures nothing. */
export const asksChocks = (draft: Draft, step: Step): boolean => !draft.chocked && !draft.closed && isChocked(step);

/** Whether the unit is moved for a step. */
export const isMoved = ({ kind, item }: Step): boolean => kind === 'check' && (checkEntry(item ?? '')?.rolls ?? false);

/** Before the unit is moved: whether the chocks are out, once, wherever they may have been laid. */
export const asksChocksOut = (draft: Draft, step: Step): boolean =>
  draft.chocked !== false && !draft.closed && isMoved(step);
