import { type Draft, entryOf } from '@zealous-axle/core';
import { useMemo } from 'react';
import { endsOf, type PlacedReading } from '../../parts/ends';
import type { EndState } from '../../parts/RunningGear';
import { useShown } from '../../session/rules';
import { verdictOf } from './judged';

const draftEnds = (draft: Draft, shown: (text: string) => string): Record<string, EndState> =>
  endsOf(
    draft.unit,
    draft.steps.flatMap((step): PlacedReading[] => {
      const { saved } = entryOf(draft, step);
      const { axle, side, tyre, kind } = step;
      if (!saved || axle === null || side === null) return [];
      return [{ axle, side, tyre, kind, verdict: verdictOf(draft, saved.value), value: saved.value }];
    }),
    [],
    shown,
  );

/** The plan's state from what was taken so far; the same until another reading is taken. */
export function useDraftEnds(draft: Draft | null | undefined): Record<string, EndState> {
  const { shown } = useShown();
  const taken = Object.values(draft?.entries ?? {})
    .map(({ saved }) => saved?.reading ?? '')
    .join(' ');
  // biome-ignore lint/correctness/useExhaustiveDependencies: a draft changes at every keystroke, what was taken does not.
  return useMemo(() => (draft ? draftEnds(draft, shown) : {}), [taken, draft?.inspection, draft?.unit, shown]);
}
