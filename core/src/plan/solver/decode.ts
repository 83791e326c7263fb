import { STRIDE } from './decoder-layout';
import { DecoderPlaces } from './decoder-places';
import { type Choice, FEW } from './decoder-state';

export type { Promised } from './decoder-jobs';
export { type Choice, FEW } from './decoder-state';

/** Past the last change by so many positions, an attempt that already costs so many times what may be added is given up; of many jobs sooner. */
const PAST = { few: 12, many: 4 };
const HOPELESS = { few: 1.5, many: 1 };

/** Where a job was put. */
export interface Put {
  job: number;
  bay: number;
  technicians: number[];
  start: number;
  end: number;
  setup: number;
}

/**
 * Gives every job of a {@link Choice} its place, one after the other in the order: the earliest start that its visit, its
 * room, its crew and what it waits for allow. Decodes again only from the first place that changed: the states before
 * it are kept every few positions, and where a state comes out as it was, the rest is known.
 */
export class Decoder extends DecoderPlaces {
  private differs = 0;

  /** The cost of a choice, decoded whole, and kept. */
  decode(choice: Choice): number {
    this.take(choice);
    const cost = this.run(0, this.count, Number.POSITIVE_INFINITY);
    this.keep(cost);
    return cost;
  }

  /**
   * The cost of a choice that differs from the kept one only between order positions `from` and `to`; given up as soon as it costs more than `limit`,
   * and then infinite. It is kept by {@link keep}, or forgotten by {@link forget}.
   */
  attempt(choice: Choice, from: number, to: number, limit: number): number {
    this.take(choice);
    return this.run(Math.min(from, this.count), to, limit);
  }

  /** The first position of the order at which a visit's jobs were put, as it is kept; of all jobs of a trailer. */
  firstPut(trailer: number): number {
    let first = this.count;
    for (const at of this.jobsOf[trailer]!) if (this.kept.putAt[at]! < first) first = this.kept.putAt[at]!;
    return first;
  }
  /** The position at which a job was put: its own, or where something made it come sooner. */
  putPosition(at: number): number {
    return this.kept.putAt[at]!;
  }
  /** The stay that a job's visit belongs to, as it was decoded last: visits that follow each other in one room are one. */
  stayOf(at: number): number {
    return this.state[this.atVisitStay + this.visit[at]!]!;
  }
  /** When a job must be done at the latest, for something pinned. */
  latestOf(at: number): number {
    return this.latest[at]!;
  }
  startOf(at: number): number {
    return this.kept.start[at]!;
  }
  endOf(at: number): number {
    return this.kept.end[at]!;
  }
  /** The room a job stands in, as it is kept; -1 where it has no place. */
  roomOfJob(at: number): number {
    return this.kept.roomOf[at]!;
  }
  releaseOf(at: number): number {
    return this.release[at]!;
  }
  /** The job that ends last, as it is kept; -1 where none has a place. */
  lastEnding(): number {
    let last = -1;
    for (let at = 0; at < this.count; at++)
      if (this.kept.roomOf[at]! >= 0 && (last < 0 || this.kept.end[at]! > this.kept.end[last]!)) last = at;
    return last;
  }
  /** The job whose end lets another begin, as both are kept: in its room, or – `own` – of its trailer; -1 for none. */
  bindingOf(at: number, own: boolean): number {
    const { start, end, roomOf } = this.kept;
    for (let other = 0; other < this.count; other++) {
      if (other === at || end[other]! !== start[at]! || roomOf[other]! < 0) continue;
      const mate = this.trailer[other] === this.trailer[at];
      if (own ? mate : !mate && roomOf[other] === roomOf[at]) return other;
    }
    return -1;
  }

  private take({ order, visit, room, person }: Choice): void {
    this.order = order;
    this.visit = visit;
    this.visitRoom = room;
    this.person = person;
    const { position, visitSize, visitKinds, pairSize, count } = this;
    visitSize.fill(0);
    visitKinds.fill(0);
    pairSize.fill(0);
    for (let index = 0; index < count; index++) {
      const at = order[index]!;
      position[at] = index;
      const own = visit[index]!;
      visitSize[own]!++;
      visitKinds[own]! |= this.kind[index]!;
      const group = this.groupOnTrailer[index]!;
      if (group >= 0) pairSize[this.pairBase[own]! + group]!++;
    }
  }

  private run(from: number, to: number, limit: number): number {
    this.decodes++;
    const point = Math.floor(from / STRIDE);
    const S = this.state;
    S.set(this.keptStates[point]!);
    this.cost = this.keptCosts[point]!;
    this.limit = limit;
    this.broken = false;
    this.triedFrom = point;
    this.triedTo = point;
    this.rest = null;
    const { order, count, atPlaced } = this;
    const size = count <= FEW ? 'few' : 'many';
    const past = to + PAST[size];
    const hopeless = (limit - this.keptCost) * HOPELESS[size];
    // Past the last change the kept states may come out again: then the rest is known.
    for (let index = point * STRIDE; index < count; index++) {
      if (index % STRIDE === 0 && index > point * STRIDE) {
        const here = index / STRIDE;
        this.triedStates[here]!.set(S);
        this.triedCosts[here] = this.cost;
        this.triedTo = here;
        if (index > to && !this.waitsElsewhere && this.isAsKept(here)) {
          this.rest = this.cost - this.keptCosts[here]!;
          return this.keptCost + this.rest;
        }
        // How late the last job is so far says nothing yet of how late the last of all will be.
        const later = this.sumWeights.makespanMinutes * (S[0]! - this.keptStates[here]![0]!);
        const added = this.cost - this.keptCosts[here]! - later;
        if (index >= past && added > hopeless) return Number.POSITIVE_INFINITY;
      }
      const at = order[index]!;
      if (S[atPlaced + at] !== 0) continue;
      this.at = index;
      if (!this.place(at) || this.broken) {
        if (this.depth > 0) {
          this.busy.fill(0);
          this.depth = 0;
        }
        return Number.POSITIVE_INFINITY;
      }
    }
    return this.cost;
  }

  /** Makes what was last tried what is kept. */
  keep(cost: number): void {
    const { kept } = this;
    kept.start.set(this.start);
    kept.end.set(this.end);
    kept.roomOf.set(this.roomOf);
    kept.setup.set(this.setup);
    kept.putAt.set(this.putAt);
    kept.team.set(this.team);
    for (let point = this.triedFrom + 1; point <= this.triedTo; point++) {
      const state = this.keptStates[point]!;
      this.keptStates[point] = this.triedStates[point]!;
      this.triedStates[point] = state;
      this.keptCosts[point] = this.triedCosts[point]!;
    }
    if (this.rest !== null)
      for (let point = this.triedTo + 1; point < this.points; point++)
        this.keptCosts[point] = this.keptCosts[point]! + this.rest;
    this.keptCost = cost;
  }

  /** Whether the state has come out as it is kept: what follows then is as it is kept too. */
  private isAsKept(point: number): boolean {
    const [S, kept] = [this.state, this.keptStates[point]!];
    // What differed last mostly differs still.
    if (S[this.differs] !== kept[this.differs]) return false;
    for (let index = 0; index < this.stateSize; index++)
      if (S[index] !== kept[index]) {
        this.differs = index;
        return false;
      }
    return true;
  }

  /** Puts back where the jobs stood before the last attempt. */
  forget(): void {
    const { kept } = this;
    this.start.set(kept.start);
    this.end.set(kept.end);
    this.roomOf.set(kept.roomOf);
    this.setup.set(kept.setup);
    this.putAt.set(kept.putAt);
    this.team.set(kept.team);
  }

  /** Where the jobs stand as they are kept; those without a place are left out. */
  puts(): Put[] {
    const { kept, mostPeople } = this;
    return this.free.flatMap((job, at) =>
      kept.roomOf[at]! < 0
        ? []
        : [
            {
              job,
              bay: this.rooms[kept.roomOf[at]!]!.bay,
              technicians: [...kept.team.subarray(at * mostPeople, at * mostPeople + this.people[at]!)],
              start: kept.start[at]!,
              end: kept.end[at]!,
              setup: kept.setup[at]!,
            },
          ],
    );
  }
}
