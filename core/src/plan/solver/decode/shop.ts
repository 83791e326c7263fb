import type { Model } from '../figures';
import { jobsOf, type Promised } from './jobs';
import { layoutOf } from './layout';
import { roomsAndStays } from './rooms';

/**
 * What it costs that a visit goes on in the room of the one before, with set-up that one has ended already: the wheels
 * would be off again without time for it. As one visit the two share it as they should. A shop of few jobs finds that
 * one; in a large one the search gets on better over plans that have some of it. All of it together is less than a job
 * without a place.
 */
const OFF_AGAIN = { few: 1e7, many: 1e4 };
/** Jobs that are few: a search comes near the best plan of them, and can afford what takes many decodes. */
export const FEW = 40;

/** Everything a decoder reads and nothing changes: jobs, rooms, people, and where each thing stands in the state. */
export function shopOf(model: Model, promised: ReadonlyMap<number, Promised>, joining: boolean) {
  const jobs = jobsOf(model, promised);
  const rooms = roomsAndStays(model, jobs);
  const layout = layoutOf(model, { ...jobs, ...rooms });
  return Object.freeze({
    model,
    /** Whether a visit may be part of the pinned stay that follows it in its room. */
    joining,
    offAgain: jobs.count <= FEW ? OFF_AGAIN.few : OFF_AGAIN.many,
    ...jobs,
    ...rooms,
    ...layout,
  });
}
export type DecoderShop = ReturnType<typeof shopOf>;

/** The rooms that have all these kinds. */
export function roomFits({ fits, rooms, roomKinds }: DecoderShop, kinds: number): number[] {
  const known = fits.get(kinds);
  if (known) return known;
  const list = rooms.flatMap((_, at) => ((kinds & ~roomKinds[at]!) === 0 ? [at] : []));
  fits.set(kinds, list);
  return list;
}
