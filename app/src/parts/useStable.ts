import { useCallback, useRef } from 'react';

/** A function that stays the same from one drawing to the next and always does what the latest one would. */
export function useStable<A extends unknown[], R>(latest: (...args: A) => R): (...args: A) => R {
  const kept = useRef(latest);
  kept.current = latest;
  return useCallback((...args: A) => kept.current(...args), []);
}
