import { type Board, type KeptSlot, type Objective, planDifference } from '@zealous-axle/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { askedWith, askMore, askMove, askPlace, type Place, plain } from './asked';
import { openPlanner, type Planner } from './planner';
import { useHistory } from './useHistory';
import { useTerms } from './useTerms';
import { named } from './words';

/** Steps of each search for what one hour more would give. */
const GAIN_STEPS = 150;
const NOTHING: Objective = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };

/** The planner on this device, as long as the board is open. */
function usePlanner() {
  const planner = useRef<Planner | null>(null);
  useEffect(() => {
    planner.current = openPlanner();
    return () => planner.current?.close();
  }, []);
  return planner;
}

/** Has the planner do something, says what came of it, and never two things at once. */
function useAsking(planner: ReturnType<typeof usePlanner>, board: Board) {
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const during = async (work: (by: Planner) => Promise<string | null>): Promise<void> => {
    if (!planner.current || busy) return;
    setBusy(true);
    try {
      setSaid(await work(planner.current));
    } catch (error) {
      setSaid(named(error instanceof Error ? error.message : String(error), board));
    } finally {
      setBusy(false);
    }
  };
  return { busy, said, setSaid, during };
}

/** What was published of the jobs that can still be planned, and of those that have begun. */
function usePublished({ slots, request }: Board) {
  return useMemo(() => {
    const asked = new Set(request.jobs.map(({ id }) => id));
    return {
      published: slots.filter(({ job }) => asked.has(job)),
      begun: slots.filter(({ job }) => !asked.has(job)),
    };
  }, [slots, request.jobs]);
}

/**
 * The plan as it is being changed on this device: every change is tried by the planner before it is made, and can be
 * taken back. Nothing of it is anybody's plan before it is published.
 */
export function useDraft(board: Board) {
  const { request } = board;
  const planner = usePlanner();
  const { published, begun } = usePublished(board);
  const { busy, said, setSaid, during } = useAsking(planner, board);
  const history = useHistory(published);
  const { slots, change } = history;
  const terms = useTerms(planner, request, published, slots);

  const tryPlace = async (job: string, place: Place): Promise<{ place: Place | null; why: string | null }> => {
    const found = planner.current && (await askPlace(planner.current, request, slots, job, place));
    return { place: found?.place ?? null, why: found?.why ? named(found.why, board) : null };
  };

  const move = (job: string, wanted: Place) =>
    during(async (by) => {
      const { place, why } = await tryPlace(job, wanted);
      if (!place) return why;
      const found = await askMove(by, request, slots, job, place);
      change(found.slots);
      const left = found.unplaced.map((id) => board.jobs.find((each) => each.id === id)?.number ?? '');
      return left.length ? `Moved. ${left.join(', ')} is no longer scheduled. Schedule it, or undo.` : null;
    });

  const searchOn = () =>
    during(async (by) => {
      const found = await askMore(by, request, slots);
      if (!found) return 'No better plan found here.';
      change(found);
      return null;
    });

  const asked = () => ({ request: askedWith(request, slots), slots: plain(slots) });
  const quietly = (step: (() => void) | null) => step && (() => unlessBusy(busy, step, setSaid));
  const { drop: forget } = history;
  const difference = planDifference(
    { slots: plain(published), objective: terms?.published ?? NOTHING },
    { slots: plain(slots), objective: terms?.now ?? NOTHING },
  );
  return {
    slots,
    begun,
    published,
    /** The terms of the plan that stands; null until they are known. */
    publishedTerms: terms?.published ?? null,
    difference,
    changed: history.changed && (difference.moves.length > 0 || pinsDiffer(published, slots)),
    busy,
    said,
    say: setSaid,
    move,
    tryPlace,
    setPinned: (job: string, pinned: boolean) =>
      change(slots.map((slot) => (slot.job === job ? { ...slot, pinned } : slot))),
    searchOn,
    undo: quietly(history.undo),
    redo: quietly(history.redo),
    drop: useCallback(() => {
      forget();
      setSaid(null);
    }, [forget, setSaid]),
    explain: () => planner.current?.ask('explain', asked()),
    gains: () => planner.current?.ask('gains', { ...asked(), steps: GAIN_STEPS }),
  };
}
export type Draft = ReturnType<typeof useDraft>;

const unlessBusy = (busy: boolean, step: () => void, say: (words: null) => void): void => {
  if (busy) return;
  step();
  say(null);
};

const pinsDiffer = (one: readonly KeptSlot[], other: readonly KeptSlot[]): boolean => {
  const pins = new Map(one.map(({ job, pinned }) => [job, pinned]));
  return other.some(({ job, pinned }) => pins.get(job) !== pinned);
};
