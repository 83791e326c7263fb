import { CODE_LETTERS } from '@zealous-axle/core';

const GROUPS = 3;
const IN_A_GROUP = 4;

/** A code that opens the door once, drawn on this device: `K7QM-2XWD-9HRT`. */
export function onceCode(): string {
  const letters = [...crypto.getRandomValues(new Uint32Array(GROUPS * IN_A_GROUP))].map(
    (number) => CODE_LETTERS[number % CODE_LETTERS.length],
  );
  return Array.from({ length: GROUPS }, (_, group) =>
    letters.slice(group * IN_A_GROUP, (group + 1) * IN_A_GROUP).join(''),
  ).join('-');
}
