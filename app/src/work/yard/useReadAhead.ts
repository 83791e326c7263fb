import { useCallback, useEffect, useRef } from 'react';
import { openedLately } from '../../device/lately';
import { readAhead } from '../../server/queries';

/** Rows are near when they were in sight for this long. */
const LOOKED_MS = 600;

/**
 * Reads ahead the pages of what is near – in sight, or just beyond – and of what was opened lately, so that they can be
 * measured where there is no signal. The rest of the fleet is not.
 */
export function useReadAhead(): { seen: (ids: readonly string[]) => void } {
  const latest = useRef<readonly string[]>([]);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  const seen = useCallback((ids: readonly string[]) => {
    latest.current = ids;
    clearTimeout(timer.current);
    timer.current = setTimeout(() => {
      void readAhead([...ids, ...openedLately()], () => latest.current === ids);
    }, LOOKED_MS);
  }, []);
  return { seen };
}
