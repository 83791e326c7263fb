import { useQuery } from '@tanstack/react-query';
import { type Known, type KnownThings, type Mapping, type MeantIn, namedIn } from '@zealous-axle/core';
import { useMemo } from 'react';
import { call } from '../../../server/client';
import type { Chosen } from './remembered';

/** What the fleet has of what a list names: asked of the server, since the device does not keep every number. Null while it is not known. */
export function useKnown(chosen: Chosen, mapping: Mapping, meant: MeantIn | null) {
  const named = useMemo(
    () => (meant ? namedIn(chosen.list, chosen.table, { mapping, meant }) : null),
    [chosen, mapping, meant],
  );
  const { data, isError, refetch } = useQuery({
    queryKey: ['set-up', 'known', named],
    enabled: named !== null,
    queryFn: () => call<KnownThings>('POST', '/moves-in/known', named ?? undefined),
    // A list is asked for once more as it is put right: no answer is kept.
    persister: undefined,
    gcTime: 0,
    placeholderData: (before) => before,
  });
  const known = useMemo<Known | null>(
    () =>
      data
        ? {
            units: new Map(data.units.map((unit) => [unit.number, unit])),
            parts: new Set(data.parts),
            signIns: new Set(data.signIns),
          }
        : null,
    [data],
  );
  return { known, failed: isError, again: () => void refetch() };
}
