import { type Draft, entryOf } from '../../data/draft';
import { endsOf, type PlacedReading } from '../../parts/ends';
import { verdictOf } from './judged';

/** The plan's state from what was taken so far. */
export const draftEnds = (draft: Draft) =>
  endsOf(
    draft.unit,
    draft.steps.flatMap((step): PlacedReading[] => {
      const { saved } = entryOf(draft, step);
      const { axle, side, tyre, kind } = step;
      if (!saved || axle === null || side === null) return [];
      return [{ axle, side, tyre, kind, verdict: verdictOf(draft, saved.value), value: saved.value }];
    }),
  );
