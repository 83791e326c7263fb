import type { Model } from '../figures';
import { PlanTooLate } from '../too-late';
import type { Promised } from './jobs';
import { forget, isKept, keep, run, take } from './run';
import { roomFits, shopOf } from './shop';
import { type Choice, stateOf } from './state';

export type { Promised } from './jobs';
export { type DecoderShop, FEW } from './shop';
export type { Choice } from './state';

/** Where a job was put. */
export interface Put {
  job: number;
  bay: number;
  technicians: number[];
  start: number;
  end: number;
  setup: number;
}

/** When the time for trying is over, and when there is none left even for what is begun. */
export interface DecoderClock {
  over: () => boolean;
  tooLate: () => boolean;
}
const NO_CLOCK: DecoderClock = { over: () => false, tooLate: () => false };

/**
 * Gives every job of a {@link Choice} its place, one after the other in the order: the earliest start that its visit, its
 * room, its crew and what it waits for allow. Decodes again only from the first place that changed: the states before
 * it are kept every few positions, and where a state comes out as it was, the rest is known.
 */
export class Decoder {
  /** What it reads and nothing changes. */
  readonly shop;
  private readonly now;

  /** `clock` says when the time for trying is over, and when there is none left at all. */
  constructor(
    model: Model,
    promised: ReadonlyMap<number, Promised> = new Map(),
    joining = true,
    private readonly clock: DecoderClock = NO_CLOCK,
  ) {
    this.shop = shopOf(model, promised, joining);
    this.now = stateOf(this.shop);
  }

  /** Whether the time for trying is over. */
  isOver(): boolean {
    return this.clock.over();
  }

  /** Decodes begun so far. */
  get decodes(): number {
    return this.now.decodes;
  }

  /** The cost of a choice, decoded whole, and kept. Throws {@link PlanTooLate} where there is no time left at all. */
  decode(choice: Choice): number {
    const { shop, now, clock } = this;
    if (isKept(now, choice)) return now.keptCost;
    now.giveUp = () => {
      if (clock.tooLate()) throw new PlanTooLate();
      return false;
    };
    take(shop, now, choice);
    const cost = run(shop, now, 0, shop.count, Number.POSITIVE_INFINITY);
    keep(shop, now, cost);
    now.isWhole = true;
    return cost;
  }

  /**
   * The cost of a choice that differs from the kept one only between order positions `from` and `to`; given up as soon as it costs more than `limit`,
   * and then infinite, as when the time is over. It is kept by {@link keep}, or forgotten by {@link forget}.
   */
  attempt(choice: Choice, from: number, to: number, limit: number): number {
    const { shop, now } = this;
    now.giveUp = this.clock.over;
    now.isWhole = false;
    take(shop, now, choice);
    // What is kept of a choice that came to no end is of several: nothing of it is gone on from.
    if (!Number.isFinite(now.keptCost)) return run(shop, now, 0, shop.count, limit);
    return run(shop, now, Math.min(from, shop.count), to, limit);
  }

  /** Makes what was last tried what is kept. */
  keep(cost: number): void {
    keep(this.shop, this.now, cost);
  }
  /** Puts back where the jobs stood before the last attempt. */
  forget(): void {
    forget(this.now);
  }

  /** The rooms that have all these kinds. */
  roomFits(kinds: number): number[] {
    return roomFits(this.shop, kinds);
  }

  /** The first position of the order at which a visit's jobs were put, as it is kept; of all jobs of a trailer. */
  firstPut(trailer: number): number {
    let first = this.shop.count;
    for (const at of this.shop.jobsOf[trailer]!) if (this.now.kept.putAt[at]! < first) first = this.now.kept.putAt[at]!;
    return first;
  }
  /** The position at which a job was put: its own, or where something made it come sooner. */
  putPosition(at: number): number {
    return this.now.kept.putAt[at]!;
  }
  /** The stay that a job's visit belongs to, as it was decoded last: visits that follow each other in one room are one. */
  stayOf(at: number): number {
    return this.now.state[this.shop.atVisitStay + this.now.visit[at]!]!;
  }
  /** When a job must be done at the latest, for something pinned. */
  latestOf(at: number): number {
    return this.shop.latest[at]!;
  }
  startOf(at: number): number {
    return this.now.kept.start[at]!;
  }
  endOf(at: number): number {
    return this.now.kept.end[at]!;
  }
  /** The room a job stands in, as it is kept; -1 where it has no place. */
  roomOfJob(at: number): number {
    return this.now.kept.roomOf[at]!;
  }
  releaseOf(at: number): number {
    return this.shop.release[at]!;
  }
  /** The job that ends last, as it is kept; -1 where none has a place. */
  lastEnding(): number {
    let last = -1;
    for (let at = 0; at < this.shop.count; at++)
      if (this.now.kept.roomOf[at]! >= 0 && (last < 0 || this.now.kept.end[at]! > this.now.kept.end[last]!)) last = at;
    return last;
  }
  /** The job whose end lets another begin, as both are kept: in its room, or – `own` – of its trailer; -1 for none. */
  bindingOf(at: number, own: boolean): number {
    const { start, end, roomOf } = this.now.kept;
    for (let other = 0; other < this.shop.count; other++) {
      if (other === at || end[other]! !== start[at]! || roomOf[other]! < 0) continue;
      const mate = this.shop.trailer[other] === this.shop.trailer[at];
      if (own ? mate : !mate && roomOf[other] === roomOf[at]) return other;
    }
    return -1;
  }

  /** Where the jobs stand as they are kept; those without a place are left out. */
  puts(): Put[] {
    const { kept } = this.now;
    const { mostPeople } = this.shop;
    return this.shop.free.flatMap((job, at) =>
      kept.roomOf[at]! < 0
        ? []
        : [
            {
              job,
              bay: this.shop.rooms[kept.roomOf[at]!]!.bay,
              technicians: [...kept.team.subarray(at * mostPeople, at * mostPeople + this.shop.people[at]!)],
              start: kept.start[at]!,
              end: kept.end[at]!,
              setup: kept.setup[at]!,
            },
          ],
    );
  }
}
