import { type CommandBody, judgedFigure, keyOf, kindAs } from '@zealous-axle/core';
import type { Debrief } from '@zealous-axle/core/practice';
import type { Walk } from './walk';

type Off = CommandBody<'finish-practice'>['off'];

/** How far each figure was off, in nanometres. */
export function offOf(walk: Walk, told: Debrief): Off {
  return told.compared.flatMap(({ unit, step, figure }) => {
    const own = walk.taken.filter((each) => each.unit === unit && each.key === keyOf(step)).at(-1);
    const read = own ? judgedFigure(own.reading) : null;
    return kindAs(step.kind).scale && read !== null && figure !== null ? [{ kind: step.kind, off: read - figure }] : [];
  });
}
