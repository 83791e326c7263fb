import { DecoderStays } from './decoder-stays';
import { NEVER } from './figures';

/** A decoder that gives a job its place: what must stand before it first, then its own visit. */
export abstract class DecoderPlaces extends DecoderStays {
  protected place(at: number): boolean {
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
}
