import { NEVER } from '../figures';
import { search } from './crew';
import { type DecoderShop, roomFits } from './shop';
import type { DecoderState } from './state';
import { betterRoom, leaveOut, put, setupOf, stayIn } from './stays';

/** Gives a job its place: what must stand before it first, then its own visit. */
export function place(shop: DecoderShop, now: DecoderState, at: number): boolean {
  const S = now.state;
  if (S[shop.atPlaced + at] !== 0) return true;
  if (now.busy[at] !== 0) return false;
  now.busy[at] = 1;
  now.depth++;
  const well = placeNow(shop, now, at);
  if (well) {
    now.busy[at] = 0;
    now.depth--;
  }
  return well;
}

function placeNow(shop: DecoderShop, now: DecoderState, at: number): boolean {
  const S = now.state;
  const before = shop.before[at]!;
  for (let index = 0; index < before.length; index++) if (!place(shop, now, before[index]!)) return false;
  const trailer = shop.trailer[at]!;
  const own = now.visit[at]!;
  if (
    S[shop.atHoldingLeft + trailer]! > 0 &&
    own !== holdingVisit(shop, now, trailer) &&
    !placeHolding(shop, now, trailer)
  )
    return false;
  const open = S[shop.atTrailerVisit + trailer]! - 1;
  if (open >= 0 && open !== own && !finish(shop, now, open)) return false;
  if (S[shop.atPlaced + at] !== 0) return true;
  if (S[shop.atVisitRoom + own]! >= 0) return goOn(shop, now, at, own, trailer);
  if (shop.hasAfter && !readyToOpen(shop, now, own, trailer)) return false;
  if (S[shop.atPlaced + at] !== 0) return true;
  return S[shop.atVisitRoom + own]! >= 0 ? goOn(shop, now, at, own, trailer) : openVisit(shop, now, at, own, trailer);
}

/** The visit of what holds a trailer: its first one. */
function holdingVisit(shop: DecoderShop, now: DecoderState, trailer: number): number {
  const here = shop.jobsOf[trailer]!;
  for (let index = 0; index < here.length; index++)
    if (shop.outOfService[here[index]!] !== 0) return now.visit[here[index]!]!;
  return -1;
}

/** What holds a trailer is placed before any other visit of it opens. */
function placeHolding(shop: DecoderShop, now: DecoderState, trailer: number): boolean {
  const S = now.state;
  while (S[shop.atHoldingLeft + trailer]! > 0) {
    const next = firstOf(shop, now, trailer, -1);
    if (next < 0 || !place(shop, now, next)) return false;
  }
  return true;
}

/** The first unplaced job of a trailer in the order: of one visit, or – with -1 – of those that hold it. */
function firstOf(shop: DecoderShop, now: DecoderState, trailer: number, visit: number): number {
  const S = now.state;
  let [first, best] = [-1, NEVER];
  const here = shop.jobsOf[trailer]!;
  for (let index = 0; index < here.length; index++) {
    const at = here[index]!;
    if (S[shop.atPlaced + at] !== 0) continue;
    if (visit >= 0 ? now.visit[at] !== visit : shop.outOfService[at] === 0) continue;
    if (now.position[at]! < best) {
      best = now.position[at]!;
      first = at;
    }
  }
  return first;
}

/** Places what a visit still has, so that its room is free. */
function finish(shop: DecoderShop, now: DecoderState, visit: number): boolean {
  const S = now.state;
  const trailer = shop.trailer[visit]!;
  while (S[shop.atVisitDone + visit]! < now.visitSize[visit]!) {
    const next = firstOf(shop, now, trailer, visit);
    if (next < 0 || !place(shop, now, next)) return false;
  }
  return true;
}

/** Before a visit opens, everything elsewhere that its jobs wait for has its place: an open visit waits for nobody. */
function readyToOpen(shop: DecoderShop, now: DecoderState, visit: number, trailer: number): boolean {
  const S = now.state;
  const here = shop.jobsOf[trailer]!;
  for (let index = 0; index < here.length; index++) {
    const at = here[index]!;
    if (now.visit[at] !== visit) continue;
    const before = shop.before[at]!;
    for (let each = 0; each < before.length; each++) {
      const needed = before[each]!;
      if (S[shop.atPlaced + needed] === 0 && now.visit[needed] !== visit && !place(shop, now, needed)) return false;
    }
  }
  return true;
}

/** The earliest a job could begin by what it waits for. */
function earliest(shop: DecoderShop, now: DecoderState, at: number, trailer: number): number {
  let from = shop.release[at]!;
  const free = now.state[shop.atTrailerEnd + trailer]!;
  if (free > from) from = free;
  const before = shop.before[at]!;
  for (let index = 0; index < before.length; index++) {
    const end = now.end[before[index]!]!;
    if (end > from) from = end;
  }
  return from;
}

/** The next job of a visit that stands in its room. */
function goOn(shop: DecoderShop, now: DecoderState, at: number, visit: number, trailer: number): boolean {
  const S = now.state;
  const room = S[shop.atVisitRoom + visit]!;
  const setup = setupOf(shop, now, at, visit, S[shop.atVisitStay + visit]!, 0);
  const minutes = shop.minutes[at]! + setup;
  const from = earliest(shop, now, at, trailer);
  const start = search(shop, now, at, from, minutes, room, trailer);
  if (start === NEVER) return leaveOut(shop, now, at, visit, trailer);
  const fixed = shop.fixedOf[trailer]!;
  for (let index = 0; index < fixed.length; index++) {
    const stay = fixed[index]!;
    if (stay.from >= S[shop.atTrailerEnd + trailer]! && start >= stay.from) return false;
  }
  for (let each = 0; each < shop.people[at]!; each++) now.team1[each] = now.found[each]!;
  return put(shop, now, at, visit, trailer, room, start, setup);
}

/** The first job of a visit: in the room where it can begin first, the least flexible of them. */
function openVisit(shop: DecoderShop, now: DecoderState, at: number, visit: number, trailer: number): boolean {
  const S = now.state;
  const kinds = now.visitKinds[visit]!;
  const fits = roomFits(shop, kinds);
  const only = now.visitRoom[visit]!;
  const from = earliest(shop, now, at, trailer);
  const people = shop.people[at]!;
  const { team1, found } = now;
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
      if ((only >= 0 && only !== room) || (shop.roomOnly[room]! >= 0 && shop.roomOnly[room] !== trailer)) continue;
      const standing = S[shop.atRoomVisit + room]! - 1;
      if (standing >= 0) {
        blocked = leavesFirst(shop, now, blocked, standing);
        continue;
      }
      const free = S[shop.atRoomFree + room]!;
      const begin = free > from ? free : from;
      if (begin > best || (begin === best && best < NEVER && shop.roomFlex[room]! >= shop.roomFlex[bestRoom]!))
        continue;
      let stay = stayIn(shop, now, room, visit, trailer, begin);
      let setup = setupOf(shop, now, at, visit, stay, stay === visit + 1 ? shop.shunt : 0);
      const known =
        begin >= searchedFrom &&
        begin <= searchedStart &&
        setup === searchedSetup &&
        shop.roomHours[room] === searchedHours &&
        shop.roomTo[room] === NEVER;
      let start = known ? searchedStart : search(shop, now, at, begin, shop.minutes[at]! + setup, room, trailer);
      const really = start === NEVER ? stay : stayIn(shop, now, room, visit, trailer, start);
      if (really !== stay) {
        // It begins only after its trailer was elsewhere: then it is a stay of its own.
        stay = really;
        setup = setupOf(shop, now, at, visit, stay, stay === visit + 1 ? shop.shunt : 0);
        start = search(shop, now, at, begin, shop.minutes[at]! + setup, room, trailer);
      }
      if (!known && shop.roomTo[room] === NEVER) {
        searchedFrom = begin;
        searchedStart = start;
        searchedSetup = setup;
        searchedHours = shop.roomHours[room]!;
      }
      if (start < best || (start === best && start < NEVER && betterRoom(shop, now, room, bestRoom))) {
        best = start;
        bestRoom = room;
        bestSetup = setup;
        bestStay = stay;
        if (!known || best !== start) for (let each = 0; each < people; each++) team1[each] = found[each]!;
      }
    }
    if (bestRoom >= 0) {
      S[shop.atVisitStay + visit] = bestStay;
      return put(shop, now, at, visit, trailer, bestRoom, best, bestSetup);
    }
    if (blocked < 0) return leaveOut(shop, now, at, visit, trailer);
    if (!finish(shop, now, blocked)) return false;
  }
}

/** The one of two visits, by a job of each, whose trailer is free first; the other where there is no first. */
function leavesFirst(shop: DecoderShop, now: DecoderState, one: number, other: number): number {
  if (one < 0) return other;
  const S = now.state;
  return S[shop.atTrailerEnd + shop.trailer[other]!]! < S[shop.atTrailerEnd + shop.trailer[one]!]! ? other : one;
}
