import { CrewFinder } from './decoder-crew';
import { STRIDE } from './decoder-layout';
import type { Choice } from './decoder-state';
import { NEVER } from './model';

export type { Promised } from './decoder-jobs';
export { type Choice, FEW } from './decoder-state';

/** Past the last change by so many positions, an attempt that already costs so many times what may be added is given up. */
const PAST = 12;
const HOPELESS = 3;
/** What a job without a place costs beyond being late and held until the horizon. */
const UNPLACED = 1e9;
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
export class Decoder extends CrewFinder {
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
        if (index >= to + PAST && added > (limit - this.keptCost) * HOPELESS) return Number.POSITIVE_INFINITY;
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
    for (let index = 0; index < this.stateSize; index++) if (S[index] !== kept[index]) return false;
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

  private place(at: number): boolean {
    const S = this.state;
    if (S[this.atPlaced + at] !== 0) return true;
    if (this.busy[at] !== 0) return false;
    this.busy[at] = 1;
    this.depth++;
    const well = this.placeNow(at);
    if (well) {
      this.busy[at] = 0;
      this.depth--;
    }
    return well;
  }

  private placeNow(at: number): boolean {
    const S = this.state;
    const before = this.before[at]!;
    for (let index = 0; index < before.length; index++) if (!this.place(before[index]!)) return false;
    const trailer = this.trailer[at]!;
    const own = this.visit[at]!;
    if (S[this.atHoldingLeft + trailer]! > 0 && own !== this.holdingVisit(trailer) && !this.placeHolding(trailer))
      return false;
    const open = S[this.atTrailerVisit + trailer]! - 1;
    if (open >= 0 && open !== own && !this.finish(open)) return false;
    if (S[this.atPlaced + at] !== 0) return true;
    if (S[this.atVisitRoom + own]! >= 0) return this.goOn(at, own, trailer);
    if (this.hasAfter && !this.readyToOpen(own, trailer)) return false;
    if (S[this.atPlaced + at] !== 0) return true;
    return S[this.atVisitRoom + own]! >= 0 ? this.goOn(at, own, trailer) : this.open(at, own, trailer);
  }

  /** The visit of what holds a trailer: its first one. */
  private holdingVisit(trailer: number): number {
    const here = this.jobsOf[trailer]!;
    for (let index = 0; index < here.length; index++)
      if (this.outOfService[here[index]!] !== 0) return this.visit[here[index]!]!;
    return -1;
  }

  /** What holds a trailer is placed before any other visit of it opens. */
  private placeHolding(trailer: number): boolean {
    const S = this.state;
    while (S[this.atHoldingLeft + trailer]! > 0) {
      const next = this.firstOf(trailer, -1);
      if (next < 0 || !this.place(next)) return false;
    }
    return true;
  }

  /** The first unplaced job of a trailer in the order: of one visit, or – with -1 – of those that hold it. */
  private firstOf(trailer: number, visit: number): number {
    const S = this.state;
    let [first, best] = [-1, NEVER];
    const here = this.jobsOf[trailer]!;
    for (let index = 0; index < here.length; index++) {
      const at = here[index]!;
      if (S[this.atPlaced + at] !== 0) continue;
      if (visit >= 0 ? this.visit[at] !== visit : this.outOfService[at] === 0) continue;
      if (this.position[at]! < best) {
        best = this.position[at]!;
        first = at;
      }
    }
    return first;
  }

  /** Places what a visit still has, so that its room is free. */
  private finish(visit: number): boolean {
    const S = this.state;
    const trailer = this.trailer[visit]!;
    while (S[this.atVisitDone + visit]! < this.visitSize[visit]!) {
      const next = this.firstOf(trailer, visit);
      if (next < 0 || !this.place(next)) return false;
    }
    return true;
  }

  /** Before a visit opens, everything elsewhere that its jobs wait for has its place: an open visit waits for nobody. */
  private readyToOpen(visit: number, trailer: number): boolean {
    const S = this.state;
    const here = this.jobsOf[trailer]!;
    for (let index = 0; index < here.length; index++) {
      const at = here[index]!;
      if (this.visit[at] !== visit) continue;
      const before = this.before[at]!;
      for (let each = 0; each < before.length; each++) {
        const needed = before[each]!;
        if (S[this.atPlaced + needed] === 0 && this.visit[needed] !== visit && !this.place(needed)) return false;
      }
    }
    return true;
  }

  /** The earliest a job could begin by what it waits for. */
  private earliest(at: number, trailer: number): number {
    let from = this.release[at]!;
    const free = this.state[this.atTrailerEnd + trailer]!;
    if (free > from) from = free;
    const before = this.before[at]!;
    for (let index = 0; index < before.length; index++) {
      const end = this.end[before[index]!]!;
      if (end > from) from = end;
    }
    return from;
  }

  /** Minutes of set-up a job carries in a visit, whose stay it is; `opens` where it is the visit's first. */
  private setupOf(at: number, visit: number, stay: number, moving: number): number {
    const group = this.groupOnTrailer[at]!;
    if (group < 0) return moving;
    const S = this.state;
    const pair = this.pairBase[visit]! + group;
    const done = S[this.atPairDone + pair]!;
    const paid = done === 0 ? S[this.atGroupStay + this.group[at]!] === stay : S[this.atPairPaid + pair] === 1;
    if (paid) return moving;
    return moving + (done === 0 ? this.off[at]! : 0) + (done + 1 === this.pairSize[pair] ? this.on[at]! : 0);
  }

  /** The next job of a visit that stands in its room. */
  private goOn(at: number, visit: number, trailer: number): boolean {
    const S = this.state;
    const room = S[this.atVisitRoom + visit]!;
    const setup = this.setupOf(at, visit, S[this.atVisitStay + visit]!, 0);
    const minutes = this.minutes[at]! + setup;
    const from = this.earliest(at, trailer);
    const start = this.search(at, from, minutes, room, trailer);
    if (start === NEVER) return this.leaveOut(at, visit, trailer);
    const fixed = this.fixedOf[trailer]!;
    for (let index = 0; index < fixed.length; index++) {
      const stay = fixed[index]!;
      if (stay.from >= S[this.atTrailerEnd + trailer]! && start >= stay.from) return false;
    }
    for (let each = 0; each < this.people[at]!; each++) this.team1[each] = this.found[each]!;
    return this.put(at, visit, trailer, room, start, setup);
  }

  /** The first job of a visit: in the room where it can begin first, the least flexible of them. */
  private open(at: number, visit: number, trailer: number): boolean {
    const S = this.state;
    const kinds = this.visitKinds[visit]!;
    const fits = this.roomFits(kinds);
    const only = this.visitRoom[visit]!;
    const from = this.earliest(at, trailer);
    const people = this.people[at]!;
    const { team1, found } = this;
    for (;;) {
      let best = NEVER;
      let bestRoom = -1;
      let bestSetup = 0;
      let bestStay = 0;
      let blocked = -1;
      // What was searched last: another room with the same hours that is free between gives the same start.
      let searchedFrom = NEVER;
      let searchedStart = -1;
      let searchedSetup = -1;
      let searchedHours = -1;
      for (let index = 0; index < fits.length; index++) {
        const room = fits[index]!;
        if ((only >= 0 && only !== room) || (this.roomOnly[room]! >= 0 && this.roomOnly[room] !== trailer)) continue;
        const standing = S[this.atRoomVisit + room]! - 1;
        if (standing >= 0) {
          blocked = this.leavesFirst(blocked, standing);
          continue;
        }
        const free = S[this.atRoomFree + room]!;
        const begin = free > from ? free : from;
        if (begin > best || (begin === best && best < NEVER && this.roomFlex[room]! >= this.roomFlex[bestRoom]!))
          continue;
        let stay = this.stayIn(room, visit, trailer, begin);
        let setup = this.setupOf(at, visit, stay, stay === visit + 1 ? this.shunt : 0);
        const known =
          begin >= searchedFrom &&
          begin <= searchedStart &&
          setup === searchedSetup &&
          this.roomHours[room] === searchedHours &&
          this.roomTo[room] === NEVER;
        let start = known ? searchedStart : this.search(at, begin, this.minutes[at]! + setup, room, trailer);
        const really = start === NEVER ? stay : this.stayIn(room, visit, trailer, start);
        if (really !== stay) {
          // It begins only after its trailer was elsewhere: then it is a stay of its own.
          stay = really;
          setup = this.setupOf(at, visit, stay, stay === visit + 1 ? this.shunt : 0);
          start = this.search(at, begin, this.minutes[at]! + setup, room, trailer);
        }
        if (!known && this.roomTo[room] === NEVER) {
          searchedFrom = begin;
          searchedStart = start;
          searchedSetup = setup;
          searchedHours = this.roomHours[room]!;
        }
        if (start < best || (start === best && start < NEVER && this.betterRoom(room, bestRoom))) {
          best = start;
          bestRoom = room;
          bestSetup = setup;
          bestStay = stay;
          if (!known || best !== start) for (let each = 0; each < people; each++) team1[each] = found[each]!;
        }
      }
      if (bestRoom >= 0) {
        S[this.atVisitStay + visit] = bestStay;
        return this.put(at, visit, trailer, bestRoom, best, bestSetup);
      }
      if (blocked < 0) return this.leaveOut(at, visit, trailer);
      if (!this.finish(blocked)) return false;
    }
  }

  /** The one of two visits, by a job of each, whose trailer is free first; the other where there is no first. */
  private leavesFirst(one: number, other: number): number {
    if (one < 0) return other;
    const S = this.state;
    return S[this.atTrailerEnd + this.trailer[other]!]! < S[this.atTrailerEnd + this.trailer[one]!]! ? other : one;
  }

  /**
   * The stay that a visit begun at `start` would belong to in a room: one it goes on with, a pinned one it comes just
   * before, or its own. Where the trailer is pinned elsewhere between, it is its own.
   */
  private stayIn(room: number, visit: number, trailer: number, start: number): number {
    const S = this.state;
    const standing = S[this.atRoomStay + room]!;
    const fixed = this.fixedOf[trailer]!;
    if (standing !== 0 && standing === S[this.atTrailerStay + trailer]) {
      const left = S[this.atRoomFree + room]!;
      let between = false;
      for (let index = 0; index < fixed.length; index++)
        if (fixed[index]!.from >= left && fixed[index]!.from < start) between = true;
      if (!between) return standing;
    }
    if (!this.joins(room, trailer)) return visit + 1;
    for (let index = 0; index < fixed.length; index++)
      if (fixed[index]!.from > start && fixed[index]!.from < this.roomTo[room]!) return visit + 1;
    return this.count + 1 + this.rooms[room]!.before;
  }

  /** Whether a room ends with a pinned stay of this very trailer. */
  private joins(room: number, trailer: number): boolean {
    const before = this.roomBefore[room]!;
    return this.joining && before >= 0 && this.trailerOfStay[before] === trailer;
  }

  private betterRoom(room: number, than: number): boolean {
    const flex = this.roomFlex[room]! - this.roomFlex[than]!;
    return flex < 0 || (flex === 0 && this.state[this.atRoomFree + room]! > this.state[this.atRoomFree + than]!);
  }
  private put(at: number, visit: number, trailer: number, room: number, start: number, setup: number): boolean {
    const S = this.state;
    const people = this.people[at]!;
    const minutes = this.minutes[at]! + setup;
    let end = start + minutes;
    if (this.splits[at] !== 0) end = this.endOfSplitJob(at, room, start, minutes);
    for (let index = 0; index < people; index++) {
      const person = this.team1[index]!;
      this.team[at * this.mostPeople + index] = person;
      this.occupy(person, start, end);
    }
    this.start[at] = start;
    this.end[at] = end;
    this.roomOf[at] = room;
    this.setup[at] = setup;
    this.putAt[at] = this.at;
    S[this.atPlaced + at] = 1;
    S[this.atTrailerEnd + trailer] = end;
    const group = this.groupOnTrailer[at]!;
    if (group >= 0) {
      const pair = this.pairBase[visit]! + group;
      if (S[this.atPairDone + pair] === 0) {
        const stay = S[this.atVisitStay + visit]!;
        const paid = S[this.atGroupStay + this.group[at]!] === stay;
        S[this.atPairPaid + pair] = paid ? 1 : 0;
        S[this.atGroupStay + this.group[at]!] = stay;
        if (paid && stay <= this.count) this.cost += this.offAgain;
      }
      S[this.atPairDone + pair]!++;
    }
    this.countVisit(visit, trailer, room, end);
    let cost = this.cost + this.sumWeights.setupMinutes * setup - this.leastLate[at]!;
    if (end > this.due[at]!) cost += this.lateWeight[at]! * (end - this.due[at]!);
    if (this.outOfService[at] !== 0) {
      S[this.atHoldingLeft + trailer]!--;
      const held = S[this.atHeldEnd + trailer]!;
      if (end > held) {
        cost += this.sumWeights.heldMinutes * (end - held);
        S[this.atHeldEnd + trailer] = end;
      }
    }
    if (end > S[0]!) {
      cost += this.sumWeights.makespanMinutes * (end - S[0]!);
      S[0] = end;
    }
    const promised = this.promisedStart[at]!;
    if (promised !== NEVER && (promised !== start || this.promisedBay[at] !== this.rooms[room]!.bay))
      cost += this.movedWeight;
    this.cost = cost;
    if (cost > this.limit) {
      this.broken = true;
      return false;
    }
    return true;
  }

  /** One more job of a visit is placed: it stands in its room until the last of them. */
  private countVisit(visit: number, trailer: number, room: number, end: number): void {
    const S = this.state;
    const done = S[this.atVisitDone + visit]! + 1;
    S[this.atVisitDone + visit] = done;
    S[this.atVisitRoom + visit] = room;
    const over = done === this.visitSize[visit];
    S[this.atRoomVisit + room] = over ? 0 : visit + 1;
    S[this.atTrailerVisit + trailer] = over ? 0 : visit + 1;
    if (end > S[this.atRoomFree + room]!) S[this.atRoomFree + room] = end;
    // Nobody comes between it and the pinned stay it is part of, nor does its trailer go elsewhere.
    const before = this.roomBefore[room]!;
    if (over && before >= 0 && S[this.atVisitStay + visit] === this.count + 1 + before) {
      S[this.atRoomFree + room] = NEVER;
      S[this.atTrailerEnd + trailer] = this.stays[before]!.to;
    }
    S[this.atRoomStay + room] = S[this.atVisitStay + visit]!;
    S[this.atTrailerStay + trailer] = S[this.atVisitStay + visit]!;
  }

  /** A job that has no place before the horizon, nor then what comes after it on its trailer. */
  private leaveOut(at: number, visit: number, trailer: number): boolean {
    const S = this.state;
    this.start[at] = NEVER;
    this.end[at] = NEVER;
    this.roomOf[at] = -1;
    this.setup[at] = 0;
    this.putAt[at] = this.at;
    S[this.atPlaced + at] = 1;
    if (this.outOfService[at] !== 0) {
      S[this.atHoldingLeft + trailer]!--;
      S[this.atTrailerEnd + trailer] = NEVER;
    }
    const group = this.groupOnTrailer[at]!;
    if (group >= 0) S[this.atPairDone + this.pairBase[visit]! + group]!++;
    const done = S[this.atVisitDone + visit]! + 1;
    S[this.atVisitDone + visit] = done;
    const room = S[this.atVisitRoom + visit]!;
    if (room >= 0 && done === this.visitSize[visit]) {
      S[this.atRoomVisit + room] = 0;
      S[this.atTrailerVisit + trailer] = 0;
    }
    this.cost += UNPLACED * (1 + this.lateWeight[at]!);
    if (this.cost > this.limit) this.broken = true;
    return !this.broken;
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
