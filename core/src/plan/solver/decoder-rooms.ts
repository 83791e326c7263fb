import { DecoderJobs, type Promised } from './decoder-jobs';
import type { Model } from './figures';
import { pinnedStays, type Room, roomsOf, type Stay } from './shop';
import type { Span } from './spans';

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

/** What a decoder reads of the shop: its bays between what is pinned in them, as rooms, and the pinned stays. */
export abstract class DecoderRooms extends DecoderJobs {
  readonly rooms: Room[];
  readonly stays: Stay[];
  protected readonly roomKinds: Int32Array;
  protected readonly roomTo: Int32Array;
  protected readonly roomBefore: Int32Array;
  protected readonly roomOnly: Int32Array;
  protected readonly roomFlex: Int32Array;
  protected readonly roomHours: Int32Array;
  protected readonly hours: Hours[];
  protected readonly trailerOfStay: Int32Array;
  /** When each trailer is worked on by what is pinned, in order. */
  protected readonly fixedOf: Span[][] = [];
  private readonly fits = new Map<number, number[]>();

  constructor(model: Model, promised: ReadonlyMap<number, Promised>) {
    super(model, promised);
    const { trailers } = this;
    this.stays = pinnedStays(model);
    this.rooms = roomsOf(model, this.stays);
    this.roomKinds = Int32Array.from(this.rooms, ({ bay }) => model.bays[bay]?.kinds ?? 0);
    this.roomTo = Int32Array.from(this.rooms, ({ to }) => to);
    this.roomBefore = Int32Array.from(this.rooms, ({ before }) => before);
    this.roomOnly = Int32Array.from(this.rooms, ({ only }) => (only < 0 ? -1 : (trailers.get(only) ?? this.count)));
    this.roomFlex = Int32Array.from(this.rooms, ({ bay }) => model.bays[bay]?.flexibility ?? 0);
    const { roomHours, hours } = hoursOf(model, this.rooms);
    this.roomHours = roomHours;
    this.hours = hours;
    this.trailerOfStay = Int32Array.from(this.stays, ({ trailer }) => trailers.get(trailer) ?? -1);
    for (const [trailer, at] of trailers)
      this.fixedOf[at] = this.stays.flatMap((stay) => (stay.trailer === trailer ? stay.slots : []));
  }

  /** The rooms that have all these kinds. */
  roomFits(kinds: number): number[] {
    const known = this.fits.get(kinds);
    if (known) return known;
    const list = this.rooms.flatMap((_, at) => ((kinds & ~this.roomKinds[at]!) === 0 ? [at] : []));
    this.fits.set(kinds, list);
    return list;
  }
}
