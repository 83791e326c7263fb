import type { Model } from '../figures';
import { freeTime } from '../shop';

/** How many order positions lie between two stored states. */
export const STRIDE = 12;
/** Free spans of one technician that are kept in mind; beyond it the shortest is forgotten, which only loses chances. */
const SPARE_SPANS = 24;

/** How many there are of what stands in the state. */
interface Counts {
  count: number;
  rooms: { length: number };
  trailers: { size: number };
  pairs: number;
}

/** Where everything that changes while a choice is decoded stands: one array, so that it is stored and compared at once. */
export function layoutOf(model: Model, { count, rooms, trailers, pairs }: Counts) {
  /** When each technician is free, before anything is planned. */
  const time = freeTime(model);
  const spanRoom = SPARE_SPANS + Math.max(0, ...time.map((spans) => spans.length));
  let size = 1;
  const take = (length: number) => {
    const at = size;
    size += length;
    return at;
  };
  const at = {
    atRoomFree: take(rooms.length),
    atRoomVisit: take(rooms.length),
    atRoomStay: take(rooms.length),
    atVisitRoom: take(count),
    atVisitDone: take(count),
    atVisitStay: take(count),
    atTrailerEnd: take(trailers.size),
    atTrailerVisit: take(trailers.size),
    atTrailerStay: take(trailers.size),
    atHoldingLeft: take(trailers.size),
    atHeldEnd: take(trailers.size),
    atPairDone: take(pairs),
    atPairPaid: take(pairs),
    atGroupStay: take(model.groups.length),
    atPlaced: take(count),
    atSpans: take(time.length),
    atSpanFrom: take(time.length * spanRoom),
    atSpanTo: take(time.length * spanRoom),
  };
  return { ...at, time, spanRoom, stateSize: size, points: Math.ceil((count + 1) / STRIDE) + 1 };
}
