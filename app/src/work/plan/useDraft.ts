import {
  type Board,
  type KeptSlot,
  type Objective,
  type PlanRequest,
  planDifference,
  type Slot,
} from '@zealous-axle/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { openPlanner, type Planner } from './planner';
import { named } from './words';

/** Steps of a search on this device: after a move by hand, and where it is asked for more. */
const STEPS = { move: 120, more: 2_500, gains: 150 };
const NOTHING: Objective = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };

interface Terms {
  of: readonly KeptSlot[];
  against: readonly KeptSlot[];
  published: Objective;
  now: Objective;
}

/** A place a job may be put at: its bay, its people, when. */
export interface Place {
  bay: string;
  technicians: readonly string[];
  start: string;
}

/** What a search is asked, with what is pinned by hand. */
const askedWith = (request: PlanRequest, slots: readonly KeptSlot[]): PlanRequest => {
  const pins = new Map(slots.filter(({ pinned }) => pinned).map((slot) => [slot.job, slot]));
  return {
    ...request,
    jobs: request.jobs.map((job) => {
      const pin = pins.get(job.id);
      return { ...job, pinned: pin ? { bay: pin.bay, technicians: pin.technicians, start: pin.start } : null };
    }),
  };
};
const plain = (slots: readonly KeptSlot[]): Slot[] => slots.map(({ pinned: _, ...slot }) => slot);

/** Who could do a job instead, where its people cannot: one crew after another, the present one first. */
function crewsFor(request: PlanRequest, job: string, present: readonly string[]): string[][] {
  const asked = request.jobs.find(({ id }) => id === job);
  const able = request.technicians.filter(({ skills }) => asked && skills.includes(asked.skill)).map(({ id }) => id);
  if (asked?.technicians !== 1) return [[...present]];
  return [[...present], ...able.filter((id) => !present.includes(id)).map((id) => [id])];
}

/**
 * The plan as it is being changed on this device: every change is tried by the planner before it is made, and can be
 * taken back. Nothing of it is anybody's plan before it is published.
 */
export function useDraft(board: Board) {
  const planner = useRef<Planner | null>(null);
  useEffect(() => {
    planner.current = openPlanner();
    return () => planner.current?.close();
  }, []);
  const request = board.request;
  const published = useMemo(() => {
    const asked = new Set(request.jobs.map(({ id }) => id));
    return board.slots.filter(({ job }) => asked.has(job));
  }, [board.slots, request.jobs]);
  const begun = useMemo(() => {
    const asked = new Set(request.jobs.map(({ id }) => id));
    return board.slots.filter(({ job }) => !asked.has(job));
  }, [board.slots, request.jobs]);
  const [past, setPast] = useState<readonly (readonly KeptSlot[])[]>([]);
  const [future, setFuture] = useState<readonly (readonly KeptSlot[])[]>([]);
  const [own, setOwn] = useState<readonly KeptSlot[] | null>(null);
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const slots = own ?? published;
  const [known, setKnown] = useState<Terms | null>(null);
  // Terms of other slots say nothing of these: until the planner has answered there are none.
  const terms = known?.of === slots && known.against === published ? known : null;

  useEffect(() => {
    let still = true;
    const ask = async () => {
      const one = (each: readonly KeptSlot[]) => planner.current?.ask('terms', { request, slots: plain(each) });
      const [before, now] = await Promise.all([one(published), one(slots)]);
      if (still && before && now) setKnown({ of: slots, against: published, published: before, now });
    };
    void ask().catch(() => undefined);
    return () => {
      still = false;
    };
  }, [request, published, slots]);

  const change = useCallback(
    (next: readonly KeptSlot[]) => {
      setPast((all) => [...all, slots]);
      setFuture([]);
      setOwn(next);
    },
    [slots],
  );

  /** Has the planner do something, says what came of it, and never two things at once. */
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

  const fits = (job: string, places: readonly Place[]) =>
    planner.current?.ask('fits', {
      request: askedWith(
        request,
        slots.filter((slot) => slot.job !== job),
      ),
      job,
      places: places.map((place) => ({ ...place, technicians: [...place.technicians] })),
    });

  /** Where a job may stand at a bay or with a person from a time on, or what that breaks. */
  const tryPlace = async (job: string, place: Place): Promise<{ place: Place | null; why: string | null }> => {
    const crews = crewsFor(request, job, place.technicians);
    const found = await fits(
      job,
      crews.map((technicians) => ({ ...place, technicians })),
    );
    return { place: found?.place ?? null, why: found?.why ? named(found.why, board) : null };
  };

  /** Pins a job there; whatever must make room for it is planned again. */
  const move = (job: string, wanted: Place) =>
    during(async (by) => {
      const { place, why } = await tryPlace(job, wanted);
      if (!place) return why;
      const others = slots.filter((slot) => slot.job !== job);
      const pinned = [
        ...others,
        { job, ...place, technicians: [...place.technicians], end: place.start, setupMinutes: 0, pinned: true },
      ];
      const found = await by.ask('again', {
        request: askedWith(request, pinned),
        before: plain(slots),
        steps: STEPS.move,
      });
      const pins = new Set(pinned.filter((slot) => slot.pinned).map((slot) => slot.job));
      change(found.slots.map((slot) => ({ ...slot, pinned: pins.has(slot.job) })));
      const left = found.unplaced.map(({ job: id }) => board.jobs.find((each) => each.id === id)?.number ?? '');
      return left.length ? `Moved. ${left.join(', ')} no longer has a place: give it one, or take this back.` : null;
    });

  const setPinned = (job: string, pinned: boolean) =>
    change(slots.map((slot) => (slot.job === job ? { ...slot, pinned } : slot)));

  /** Searches further from here, everything that is pinned left alone. */
  const searchOn = () =>
    during(async (by) => {
      const found = await by.ask('plan', { request: askedWith(request, slots), from: plain(slots), steps: STEPS.more });
      const pins = new Set(slots.filter((slot) => slot.pinned).map((slot) => slot.job));
      const better = planDifference({ slots: plain(slots), objective: found.objective }, found);
      if (better.moves.length === 0) return 'Nothing better was found here.';
      change(found.slots.map((slot) => ({ ...slot, pinned: pins.has(slot.job) })));
      return null;
    });

  const step = (from: typeof past, onto: typeof setPast, rest: typeof setFuture) => {
    const last = from.at(-1);
    if (!last || busy) return;
    onto(from.slice(0, -1));
    rest((all) => [...all, slots]);
    setOwn(last);
    setSaid(null);
  };
  const drop = useCallback(() => {
    setPast([]);
    setFuture([]);
    setOwn(null);
    setSaid(null);
  }, []);

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
    changed: own !== null && (difference.moves.length > 0 || pinsDiffer(published, slots)),
    busy,
    said,
    say: setSaid,
    move,
    tryPlace,
    setPinned,
    searchOn,
    undo: past.length ? () => step(past, setPast, setFuture) : null,
    redo: future.length ? () => step(future, setFuture, setPast) : null,
    drop,
    explain: () => planner.current?.ask('explain', { request: askedWith(request, slots), slots: plain(slots) }),
    gains: () =>
      planner.current?.ask('gains', { request: askedWith(request, slots), slots: plain(slots), steps: STEPS.gains }),
  };
}
export type Draft = ReturnType<typeof useDraft>;

const pinsDiffer = (one: readonly KeptSlot[], other: readonly KeptSlot[]): boolean => {
  const pins = new Map(one.map(({ job, pinned }) => [job, pinned]));
  return other.some(({ job, pinned }) => pins.get(job) !== pinned);
};
