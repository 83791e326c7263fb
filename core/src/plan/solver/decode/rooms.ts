import type { Model } from '../figures';
import { pinnedStays, type Room, roomsOf } from '../shop';
import type { Span } from '../spans';
import type { DecoderJobs } from './jobs';

type Hours = readonly Span[] | null;

/** The opening hours of each room as a number: rooms that are open alike have the same. Null is always open. */
function hoursOf(model: Model, rooms: readonly Room[]): { roomHours: Int32Array; hours: Hours[] } {
  const known = new Map<string, number>();
  const hours: Hours[] = [];
  const roomHours = Int32Array.from(rooms, ({ bay }) => {
    const open = model.bays[bay]?.open ?? [];
    const key = JSON.stringify(open);
    const found = known.get(key);
    if (found !== undefined) return found;
    const [only] = open;
    hours.push(only && only.from <= 0 && only.to >= model.horizon ? null : open);
    known.set(key, hours.length - 1);
    return hours.length - 1;
  });
  return { roomHours, hours };
}

/** What a decoder reads of the bays: between what is pinned in them, as rooms, and the pinned stays. */
export function roomsAndStays(model: Model, { trailers, count }: DecoderJobs) {
  const stays = pinnedStays(model);
  const rooms = roomsOf(model, stays);
  /** When each trailer is worked on by what is pinned, in order. */
  const fixedOf: Span[][] = [];
  for (const [trailer, at] of trailers)
    fixedOf[at] = stays.flatMap((stay) => (stay.trailer === trailer ? stay.slots : []));
  return {
    rooms,
    stays,
    fixedOf,
    roomKinds: Int32Array.from(rooms, ({ bay }) => model.bays[bay]?.kinds ?? 0),
    roomTo: Int32Array.from(rooms, ({ to }) => to),
    roomBefore: Int32Array.from(rooms, ({ before }) => before),
    roomOnly: Int32Array.from(rooms, ({ only }) => (only < 0 ? -1 : (trailers.get(only) ?? count))),
    roomFlex: Int32Array.from(rooms, ({ bay }) => model.bays[bay]?.flexibility ?? 0),
    ...hoursOf(model, rooms),
    trailerOfStay: Int32Array.from(stays, ({ trailer }) => trailers.get(trailer) ?? -1),
    /** The rooms that have all kinds of a set, found as they are asked for. */
    fits: new Map<number, number[]>(),
  };
}
