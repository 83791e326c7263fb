import { type Promised, zeros } from './decoder-jobs';
import { DecoderRooms } from './decoder-rooms';
import type { Model } from './figures';
import { freeTime } from './shop';
import type { Span } from './spans';

/** How many order positions lie between two stored states. */
export const STRIDE = 12;
/** Free spans of one technician that are kept in mind; beyond it the shortest is forgotten, which only loses chances. */
const SPARE_SPANS = 24;

/** Where everything that changes while a choice is decoded stands: one array, so that it is stored and compared at once. */
export abstract class DecoderLayout extends DecoderRooms {
  protected readonly state: Int32Array;
  protected readonly stateSize: number;
  protected readonly spanRoom: number;
  protected readonly atRoomFree: number;
  protected readonly atRoomVisit: number;
  protected readonly atRoomStay: number;
  protected readonly atVisitRoom: number;
  protected readonly atVisitDone: number;
  protected readonly atVisitStay: number;
  protected readonly atTrailerEnd: number;
  protected readonly atTrailerVisit: number;
  protected readonly atTrailerStay: number;
  protected readonly atHoldingLeft: number;
  protected readonly atHeldEnd: number;
  protected readonly atPairDone: number;
  protected readonly atPairPaid: number;
  protected readonly atGroupStay: number;
  protected readonly atPlaced: number;
  protected readonly atSpans: number;
  protected readonly atSpanFrom: number;
  protected readonly atSpanTo: number;

  // Stored states of what is kept, and of what is tried.
  protected readonly points: number;
  protected keptStates: Int32Array[];
  protected keptCosts: Float64Array;
  protected triedStates: Int32Array[];
  protected triedCosts: Float64Array;

  /** When each technician is free, before anything is planned. */
  protected readonly time: readonly Span[][];

  constructor(model: Model, promised: ReadonlyMap<number, Promised>) {
    super(model, promised);
    this.time = freeTime(model);
    const [n, r, t] = [this.count, this.rooms.length, this.trailers.size];
    const people = this.time.length;
    this.spanRoom = SPARE_SPANS + Math.max(0, ...this.time.map((spans) => spans.length));
    let size = 1;
    const take = (length: number) => {
      const at = size;
      size += length;
      return at;
    };
    this.atRoomFree = take(r);
    this.atRoomVisit = take(r);
    this.atRoomStay = take(r);
    this.atVisitRoom = take(n);
    this.atVisitDone = take(n);
    this.atVisitStay = take(n);
    this.atTrailerEnd = take(t);
    this.atTrailerVisit = take(t);
    this.atTrailerStay = take(t);
    this.atHoldingLeft = take(t);
    this.atHeldEnd = take(t);
    this.atPairDone = take(this.pairs);
    this.atPairPaid = take(this.pairs);
    this.atGroupStay = take(model.groups.length);
    this.atPlaced = take(n);
    this.atSpans = take(people);
    this.atSpanFrom = take(people * this.spanRoom);
    this.atSpanTo = take(people * this.spanRoom);
    this.stateSize = size;
    this.state = zeros(size);
    this.points = Math.ceil((n + 1) / STRIDE) + 1;
    const states = () => Array.from({ length: this.points }, () => zeros(size));
    this.keptStates = states();
    this.triedStates = states();
    this.keptCosts = new Float64Array(this.points);
    this.triedCosts = new Float64Array(this.points);
  }
}
