import type { Step } from '@zealous-axle/core';
import type { Draft, Entry } from '../../../data/draft';
import type { Note } from '../../../data/note';
import type { StepJudgement } from '../judged';

/** What every pad is given: the step with what is entered at it, and how to change that. */
export interface PadProps {
  draft: Draft;
  step: Step;
  entry: Entry;
  judged: StepJudgement;
  update: (change: (draft: Draft) => Draft) => void;
  /** Changes what is chosen at the step. */
  note: (change: Note) => void;
  /** Types into a field of the step. */
  type: (field: string, text: string) => void;
  /** Chooses and takes the reading at once. */
  saveWith: (change: Note) => void;
}
