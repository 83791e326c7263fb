import type { Step } from '@zealous-axle/core';
import { createContext, useContext } from 'react';
import type { Draft } from '../../data/draft';
import type { EndState } from '../../parts/RunningGear';
import type { StepJudgement } from './judged';
import type { Inspecting } from './useInspecting';

/**
 * The inspection in hand. It reaches the few parts of the screen that change at every keystroke directly, so that all
 * around them is drawn only when a step ends.
 */
export interface Hand {
  draft: Draft;
  ends: Readonly<Record<string, EndState>>;
  /** The step at the cursor with what is entered there, judged; null when no step is left. */
  now: { step: Step; judged: StepJudgement } | null;
  update: (change: (draft: Draft) => Draft) => void;
  inspecting: Inspecting;
  why: boolean;
  onWhy: () => void;
  onSkip: () => void;
  onGo: (cursor: number) => void;
}

export const HandContext = createContext<Hand | null>(null);

/** What is in hand; only inside of an inspection's screen. */
export function useHand(): Hand {
  const hand = useContext(HandContext);
  if (!hand) throw new Error('There is no inspection in hand here.');
  return hand;
}
