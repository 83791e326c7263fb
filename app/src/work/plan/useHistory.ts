import type { KeptSlot } from '@zealous-axle/core';
import { useCallback, useState } from 'react';

type Slots = readonly KeptSlot[];

/** The slots as they are changed by hand, with the way back and forth again; `published` while nothing is changed. */
export function useHistory(published: Slots) {
  const [past, setPast] = useState<readonly Slots[]>([]);
  const [future, setFuture] = useState<readonly Slots[]>([]);
  const [own, setOwn] = useState<Slots | null>(null);
  const slots = own ?? published;
  const step = (from: readonly Slots[], onto: typeof setPast, rest: typeof setFuture) => {
    const last = from.at(-1);
    if (!last) return;
    onto(from.slice(0, -1));
    rest((all) => [...all, slots]);
    setOwn(last);
  };
  return {
    slots,
    changed: own !== null,
    change: useCallback(
      (next: Slots) => {
        setPast((all) => [...all, slots]);
        setFuture([]);
        setOwn(next);
      },
      [slots],
    ),
    undo: past.length ? () => step(past, setPast, setFuture) : null,
    redo: future.length ? () => step(future, setFuture, setPast) : null,
    drop: useCallback(() => {
      setPast([]);
      setFuture([]);
      setOwn(null);
    }, []),
  };
}
