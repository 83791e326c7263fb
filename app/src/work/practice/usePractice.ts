import { useQuery } from '@tanstack/react-query';
import type { Practice } from '@zealous-axle/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { findPractice, keepPractice } from '../../device/practice';
import { call } from '../../server/client';
import { useSession } from '../../session/session';

/** What one is to practise, and what came of it. */
export const useOwnPractice = () =>
  useQuery({ queryKey: ['practice'], queryFn: () => call<Practice>('GET', '/practice') });

/** Something of one's practice that the device keeps: undefined until it was looked for, null where there is none. */
export function useKept<T>(name: string): [T | null | undefined, (value: T | null) => void, boolean] {
  const { person } = useSession();
  const [value, setValue] = useState<T | null | undefined>(undefined);
  const [kept, setKept] = useState(true);
  const own = useRef(name);
  own.current = name;
  useEffect(() => {
    let here = true;
    setValue(undefined);
    void findPractice<T>(person.id, name).then((found) => here && setValue(found));
    return () => {
      here = false;
    };
  }, [person.id, name]);
  const keep = useCallback(
    (next: T | null) => {
      setValue(next);
      void keepPractice(person.id, own.current, next).then(setKept);
    },
    [person.id],
  );
  return [value, keep, kept];
}

/**
 * How far somebody has come with one exercise, kept on the device so that a reload goes on from there: undefined until it
 * was looked for, null where it is to begin. Another exercise of the same name begins anew.
 */
export function useBegun<T>(name: string, exercise: string): [T | null | undefined, (come: T | null) => void] {
  const [kept, keep] = useKept<{ exercise: string; come: T }>(`begun/${name}`);
  const tell = useCallback((come: T | null) => keep(come === null ? null : { exercise, come }), [keep, exercise]);
  return [kept === undefined ? undefined : kept?.exercise === exercise ? kept.come : null, tell];
}
