import { type CommandBody, judgedLength, keyOf, type Reading } from '@zealous-axle/core';
import type { Debrief } from '@zealous-axle/core/practice';
import type { Walk } from './walk';

type Off = CommandBody<'finish-practice'>['off'];

/** Kinds a person reads off a scale: how far off tells how they read. */
const READ_OFF = new Set<Reading['kind']>([
  'stroke-applied',
  'stroke-free',
  'lining',
  'tread',
  'king-pin',
  'guard-height',
  'drum',
  'rotor',
]);

/** How far each figure was off, in nanometres. */
export function offOf(walk: Walk, told: Debrief): Off {
  return told.compared.flatMap(({ unit, step, figure }) => {
    const own = walk.taken.filter((each) => each.unit === unit && each.key === keyOf(step)).at(-1);
    const read = own ? judgedLength(own.reading) : null;
    return READ_OFF.has(step.kind) && read !== null && figure !== null ? [{ kind: step.kind, off: read - figure }] : [];
  });
}
