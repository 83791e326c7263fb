import type { Draft, Step } from '@zealous-axle/core';
import { createContext, useContext } from 'react';
import type { EndState } from '../../parts/RunningGear';
import type { StepJudgement } from './kinds';
import type { Inspecting } from './useInspecting';

/**
 * The inspection one is at. It reaches the few parts of the screen that change at every keystroke directly, so that all
 * around them is drawn only when a step ends.
 */
export interface Current {
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

export const CurrentContext = createContext<Current | null>(null);

/** The inspection one is at; only inside of an inspection's screen. */
export function useCurrent(): Current {
  const current = useContext(CurrentContext);
  if (!current) throw new Error('No inspection here.');
  return current;
}
