import { type Draft, entryOf, type Step, textOf } from '@zealous-axle/core';
import { type PadField, padOf } from './kinds';

/** What is typed at a step now, in order. */
export const fieldsOf = (draft: Draft, step: Step): PadField[] =>
  padOf(step.kind).fields?.({ draft, step, entry: entryOf(draft, step) }) ?? [];

/** The field being typed into: the chosen one, else the first needed one that is empty, else the first. */
export function currentField(draft: Draft, step: Step): PadField | null {
  const fields = fieldsOf(draft, step);
  const chosen = fields.find(({ id }) => id === entryOf(draft, step).field);
  return chosen ?? fields.find(({ id, optional: may }) => !may && textOf(draft, step, id) === '') ?? fields[0] ?? null;
}

/** The next needed field that is empty after the current one; null when none is. */
export function nextEmptyField(draft: Draft, step: Step): PadField | null {
  const fields = fieldsOf(draft, step);
  const at = fields.findIndex(({ id }) => id === currentField(draft, step)?.id);
  const order = [...fields.slice(at + 1), ...fields.slice(0, at)];
  return order.find(({ id, optional: may }) => !may && textOf(draft, step, id) === '') ?? null;
}
