import {
  type Book,
  bookFor,
  type DisplayUnits,
  type FleetRules,
  forPeople,
  inBoth,
  inUnits,
  type Said,
  type Session,
  sentences,
  wordsInUnits,
} from '@zealous-axle/core';
import { useCallback, useMemo } from 'react';
import { useSession } from './session';

/** What a session's fleet judges by. */
export const rulesOf = ({ fleet: { book, policies, limits, signs, checks } }: Session): FleetRules => ({
  book,
  policies,
  limits,
  signs,
  checks,
});

/** The book of the signed-in person's fleet: policies chosen, own limits on top. */
export function useBook(): Book {
  const session = useSession();
  return useMemo(() => bookFor(rulesOf(session)), [session]);
}

/** The units the signed-in person reads in: their own, or the fleet's. */
export function useUnits(): DisplayUnits {
  const { person, fleet } = useSession();
  return person.units ?? fleet.units;
}

/** What something says, in words, each quantity in the units of whoever reads with what was written beside it. */
export function useWords(): (said: readonly Said[]) => string {
  const { both } = useShown();
  return useCallback((said) => sentences(said, { shown: both }), [both]);
}

/** Quantities in the person's own units: alone, with what was written beside them, rounded as a margin is, or in words. */
export function useShown(): Record<'shown' | 'both' | 'margin' | 'words', (text: string) => string> {
  const units = useUnits();
  return useMemo(
    () => ({
      shown: (text) => inUnits(text, units),
      both: (text) => inBoth(text, units),
      margin: (text) => forPeople(inUnits(text, units)),
      words: (text) => wordsInUnits(text, units),
    }),
    [units],
  );
}
