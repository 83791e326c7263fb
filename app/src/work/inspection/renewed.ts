import { type Doubt, type Draft, lifeOf, parseKey, renewedBy, type Step } from '@zealous-axle/core';
import type { Renewed } from './taking';

/** The part a doubtful reading is of, where its having been renewed would explain it; else null. */
export function renewedAt({ kind, axle, side, tyre }: Step, { way }: Doubt): Renewed | null {
  const renewed = renewedBy(kind);
  if (!renewed || renewed.way !== way || axle === null || side === null) return null;
  return { part: renewed.part, axle, side, tyre: renewed.part === 'tyre' ? tyre : null };
}

/** A draft that knows the part is another: what was read before is not of it. */
export function asRenewed(draft: Draft, renewed: Renewed): Draft {
  const life = { ...renewed, number: '', limit: null, since: new Date().toISOString(), by: '', job: null };
  const before = Object.entries(draft.previous).filter(([key]) => lifeOf([life], parseKey(key)) === null);
  return { ...draft, lives: [...(draft.lives ?? []), life], previous: Object.fromEntries(before) };
}
