import { CrewFinder } from './decoder-crew';
import { NEVER } from './figures';

/** What a job without a place costs beyond being late and held until the horizon. */
const UNPLACED = 1e9;

/** A decoder's knowledge of stays: which one a visit belongs to, what set-up it carries, and what is done where it stands. */
export abstract class DecoderStays extends CrewFinder {
  /** Minutes of set-up a job carries in a visit, whose stay it is; `opens` where it is the visit's first. */
  protected setupOf(at: number, visit: number, stay: number, moving: number): number {
    const group = this.groupOnTrailer[at]!;
    if (group < 0) return moving;
    const S = this.state;
    const pair = this.pairBase[visit]! + group;
    const done = S[this.atPairDone + pair]!;
    const paid = done === 0 ? S[this.atGroupStay + this.group[at]!] === stay : S[this.atPairPaid + pair] === 1;
    if (paid) return moving;
    return moving + (done === 0 ? this.off[at]! : 0) + (done + 1 === this.pairSize[pair] ? this.on[at]! : 0);
  }

  /**
   * The stay that a visit begun at `start` would belong to in a room: one it goes on with, a pinned one it comes just
   * before, or its own. Where the trailer is pinned elsewhere between, it is its own.
   */
  protected stayIn(room: number, visit: number, trailer: number, start: number): number {
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

  protected betterRoom(room: number, than: number): boolean {
    const flex = this.roomFlex[room]! - this.roomFlex[than]!;
    return flex < 0 || (flex === 0 && this.state[this.atRoomFree + room]! > this.state[this.atRoomFree + than]!);
  }
  protected put(at: number, visit: number, trailer: number, room: number, start: number, setup: number): boolean {
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
  protected leaveOut(at: number, visit: number, trailer: number): boolean {
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
}
