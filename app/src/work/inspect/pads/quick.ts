import { type Step, stepWords } from '@zealous-axle/core';
import { type Draft, entryOf } from '../../../data/draft';
import type { Note } from '../../../data/note';
import { stepPlace } from '../words';

export const USUAL_HOLES = 10;
export const USUAL_PINS = 4;

/** One tap for what is looked at and found in order: what the button says, and what is then noted. */
export interface Quick {
  label: string;
  note: Note;
}

/** The one-tap answer of a step; null where there is none, or where something else was noted already. */
export function quickAt(draft: Draft, step: Step): Quick | null {
  const { note } = entryOf(draft, step);
  switch (step.kind) {
    case 'check': {
      if (note.found?.length) return null;
      const words = [stepPlace(step), stepWords(step)].filter(Boolean).join(' ');
      return { label: `Good: ${words}`, note: { found: [], how: 'seen' } };
    }
    case 'wheel-nuts': {
      if (note.loose?.length || note.missing?.length || note.rust?.length) return null;
      const holes = note.holes ?? draft.carried.holes ?? USUAL_HOLES;
      return {
        label: `${stepPlace(step)}: all ${holes} present and tight`,
        note: { holes, loose: [], missing: [], rust: [] },
      };
    }
    case 'slider-pins': {
      const pins = note.pins ?? USUAL_PINS;
      return note.seated === undefined ? { label: `All ${pins} pins are seated`, note: { pins, seated: pins } } : null;
    }
    case 'dual':
      return note.touching === undefined && !note.size
        ? { label: `${stepPlace(step)}: the tyres do not touch`, note: { touching: false } }
        : null;
    default:
      return null;
  }
}
