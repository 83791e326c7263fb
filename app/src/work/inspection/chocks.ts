import { type Draft, isChocked, type Step } from '@zealous-axle/core';

/** Before the first brake is let go: whether the wheels are chocked is asked once. What is only corrected measures nothing. */
export const asksChocks = (draft: Draft, step: Step): boolean => !draft.chocked && !draft.closed && isChocked(step);
