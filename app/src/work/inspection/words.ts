import { placeShort, type Step, subjectWords } from '@zealous-axle/core';

/** Where a step is, shortly; nothing for the unit as a whole. */
export const stepPlace = (step: Step): string => (step.axle || step.side ? placeShort(step) : '');

/** A step in a few words, as its save button says it: `1L applied stroke`. */
export function kindWords(step: Step): string {
  const words = subjectWords(step);
  const small = /^[A-Z][a-z]/.test(words) ? words.charAt(0).toLowerCase() + words.slice(1) : words;
  return [stepPlace(step), small].filter(Boolean).join(' ');
}

/** A sentence's first letter. */
export const sentenceCase = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
