import { useCallback, useEffect, useRef, useState } from 'react';
import { atOnce } from '../device/at-once';
import { device } from '../device/device';
import { thisWindow } from '../device/this-window';
import { useSession } from './session';

const here = thisWindow<object>();
const NOTHING: readonly never[] = [];

interface Typed<T> {
  value: T;
  /** It was begun earlier and never sent. */
  earlier: boolean;
}

const withoutHeavy = <T extends object>(value: T, heavy: readonly (keyof T)[]): Partial<T> =>
  Object.fromEntries(Object.entries(value).filter(([name]) => !heavy.includes(name as keyof T))) as Partial<T>;

/**
 * A form as it is being filled in: kept on the device at every change, through reload and crash, until it is cleared.
 * `null` while the device is asked for what was begun before. Forms belong to the person who fills them in. What is `heavy`,
 * photos, is too large to be written before the next line runs: the device's database alone keeps it.
 */
export function useTyped<T extends object>(form: string, empty: T, heavy: readonly (keyof T)[] = NOTHING) {
  const key = `${useSession().person.id} ${form}`;
  const first = useRef(empty);
  const latest = useRef(empty);
  const [typed, setTyped] = useState<Typed<T> | null>(null);

  useEffect(() => {
    let shown = true;
    void device()
      .then((db) => db.get('typed', key))
      .catch(() => undefined)
      .then((stored) => {
        if (!shown) return;
        const kept = atOnce.get<T>(key);
        const found = here.get(key) ?? (kept ? { ...(stored as object | undefined), ...kept } : stored);
        latest.current = { ...first.current, ...(found as Partial<T> | undefined) };
        setTyped({ value: latest.current, earlier: found !== undefined });
      });
    return () => {
      shown = false;
    };
  }, [key]);

  const change = useCallback(
    (part: Partial<T> | ((now: T) => Partial<T>)) => {
      latest.current = { ...latest.current, ...(typeof part === 'function' ? part(latest.current) : part) };
      const value = latest.current;
      setTyped((now) => now && { ...now, value });
      atOnce.keep(key, withoutHeavy(value, heavy));
      void device()
        .then((db) => db.put('typed', value, key))
        .then(
          () => {
            here.drop(key);
            if (latest.current === value) atOnce.drop(key);
          },
          () => here.keep(key, value),
        );
    },
    [key, heavy],
  );
  const clear = useCallback(() => {
    latest.current = first.current;
    setTyped({ value: first.current, earlier: false });
    here.drop(key);
    atOnce.drop(key);
    return device()
      .then((db) => db.delete('typed', key))
      .catch(() => undefined);
  }, [key]);
  return typed && { ...typed, change, clear };
}
