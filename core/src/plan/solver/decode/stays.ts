import { NEVER } from '../figures';
import { endOfSplitJob, occupy } from './crew';
import type { DecoderShop } from './shop';
import type { DecoderState } from './state';

/** What a job without a place costs beyond being late and held until the horizon. */
const UNPLACED = 1e9;

/** Minutes of set-up a job carries in a visit, whose stay it is; `opens` where it is the visit's first. */
export function setupOf(
  shop: DecoderShop,
  now: DecoderState,
  at: number,
  visit: number,
  stay: number,
  moving: number,
): number {
  const group = shop.groupOnTrailer[at]!;
  if (group < 0) return moving;
  const S = now.state;
  const pair = shop.pairBase[visit]! + group;
  const done = S[shop.atPairDone + pair]!;
  const paid = done === 0 ? S[shop.atGroupStay + shop.group[at]!] === stay : S[shop.atPairPaid + pair] === 1;
  if (paid) return moving;
  return moving + (done === 0 ? shop.off[at]! : 0) + (done + 1 === now.pairSize[pair] ? shop.on[at]! : 0);
}

/**
 * The stay that a visit begun at `start` would belong to in a room: one it goes on with, a pinned one it comes just
 * before, or its own. Where the trailer is pinned elsewhere between, it is its own.
 */
export function stayIn(
  shop: DecoderShop,
  now: DecoderState,
  room: number,
  visit: number,
  trailer: number,
  start: number,
): number {
  const S = now.state;
  const standing = S[shop.atRoomStay + room]!;
  const fixed = shop.fixedOf[trailer]!;
  if (standing !== 0 && standing === S[shop.atTrailerStay + trailer]) {
    const left = S[shop.atRoomFree + room]!;
    let between = false;
    for (let index = 0; index < fixed.length; index++)
      if (fixed[index]!.from >= left && fixed[index]!.from < start) between = true;
    if (!between) return standing;
  }
  if (!joins(shop, room, trailer)) return visit + 1;
  for (let index = 0; index < fixed.length; index++)
    if (fixed[index]!.from > start && fixed[index]!.from < shop.roomTo[room]!) return visit + 1;
  return shop.count + 1 + shop.rooms[room]!.before;
}

/** Whether a room ends with a pinned stay of this very trailer. */
function joins(shop: DecoderShop, room: number, trailer: number): boolean {
  const before = shop.roomBefore[room]!;
  return shop.joining && before >= 0 && shop.trailerOfStay[before] === trailer;
}

export function betterRoom(shop: DecoderShop, now: DecoderState, room: number, than: number): boolean {
  const flex = shop.roomFlex[room]! - shop.roomFlex[than]!;
  return flex < 0 || (flex === 0 && now.state[shop.atRoomFree + room]! > now.state[shop.atRoomFree + than]!);
}
export function put(
  shop: DecoderShop,
  now: DecoderState,
  at: number,
  visit: number,
  trailer: number,
  room: number,
  start: number,
  setup: number,
): boolean {
  const S = now.state;
  const people = shop.people[at]!;
  const minutes = shop.minutes[at]! + setup;
  let end = start + minutes;
  if (shop.splits[at] !== 0) end = endOfSplitJob(shop, now, at, room, start, minutes);
  for (let index = 0; index < people; index++) {
    const person = now.team1[index]!;
    now.team[at * shop.mostPeople + index] = person;
    occupy(shop, now, person, start, end);
  }
  now.start[at] = start;
  now.end[at] = end;
  now.roomOf[at] = room;
  now.setup[at] = setup;
  now.putAt[at] = now.at;
  S[shop.atPlaced + at] = 1;
  S[shop.atTrailerEnd + trailer] = end;
  const group = shop.groupOnTrailer[at]!;
  if (group >= 0) {
    const pair = shop.pairBase[visit]! + group;
    if (S[shop.atPairDone + pair] === 0) {
      const stay = S[shop.atVisitStay + visit]!;
      const paid = S[shop.atGroupStay + shop.group[at]!] === stay;
      S[shop.atPairPaid + pair] = paid ? 1 : 0;
      S[shop.atGroupStay + shop.group[at]!] = stay;
      if (paid && stay <= shop.count) now.cost += shop.offAgain;
    }
    S[shop.atPairDone + pair]!++;
  }
  countVisit(shop, now, visit, trailer, room, end);
  let cost = now.cost + shop.sumWeights.setupMinutes * setup - shop.leastLate[at]!;
  if (end > shop.due[at]!) cost += shop.lateWeight[at]! * (end - shop.due[at]!);
  if (shop.outOfService[at] !== 0) {
    S[shop.atHoldingLeft + trailer]!--;
    const held = S[shop.atHeldEnd + trailer]!;
    if (end > held) {
      cost += shop.sumWeights.heldMinutes * (end - held);
      S[shop.atHeldEnd + trailer] = end;
    }
  }
  if (end > S[0]!) {
    cost += shop.sumWeights.makespanMinutes * (end - S[0]!);
    S[0] = end;
  }
  const promised = shop.promisedStart[at]!;
  if (promised !== NEVER && (promised !== start || shop.promisedBay[at] !== shop.rooms[room]!.bay))
    cost += shop.movedWeight;
  now.cost = cost;
  if (cost > now.limit) {
    now.broken = true;
    return false;
  }
  return true;
}

/** One more job of a visit is placed: it stands in its room until the last of them. */
function countVisit(
  shop: DecoderShop,
  now: DecoderState,
  visit: number,
  trailer: number,
  room: number,
  end: number,
): void {
  const S = now.state;
  const done = S[shop.atVisitDone + visit]! + 1;
  S[shop.atVisitDone + visit] = done;
  S[shop.atVisitRoom + visit] = room;
  const over = done === now.visitSize[visit];
  S[shop.atRoomVisit + room] = over ? 0 : visit + 1;
  S[shop.atTrailerVisit + trailer] = over ? 0 : visit + 1;
  if (end > S[shop.atRoomFree + room]!) S[shop.atRoomFree + room] = end;
  // Nobody comes between it and the pinned stay it is part of, nor does its trailer go elsewhere.
  const before = shop.roomBefore[room]!;
  if (over && before >= 0 && S[shop.atVisitStay + visit] === shop.count + 1 + before) {
    S[shop.atRoomFree + room] = NEVER;
    S[shop.atTrailerEnd + trailer] = shop.stays[before]!.to;
  }
  S[shop.atRoomStay + room] = S[shop.atVisitStay + visit]!;
  S[shop.atTrailerStay + trailer] = S[shop.atVisitStay + visit]!;
}

/** A job that has no place before the horizon, nor then what comes after it on its trailer. */
export function leaveOut(shop: DecoderShop, now: DecoderState, at: number, visit: number, trailer: number): boolean {
  const S = now.state;
  now.start[at] = NEVER;
  now.end[at] = NEVER;
  now.roomOf[at] = -1;
  now.setup[at] = 0;
  now.putAt[at] = now.at;
  S[shop.atPlaced + at] = 1;
  if (shop.outOfService[at] !== 0) {
    S[shop.atHoldingLeft + trailer]!--;
    S[shop.atTrailerEnd + trailer] = NEVER;
  }
  const group = shop.groupOnTrailer[at]!;
  if (group >= 0) S[shop.atPairDone + shop.pairBase[visit]! + group]!++;
  const done = S[shop.atVisitDone + visit]! + 1;
  S[shop.atVisitDone + visit] = done;
  const room = S[shop.atVisitRoom + visit]!;
  if (room >= 0 && done === now.visitSize[visit]) {
    S[shop.atRoomVisit + room] = 0;
    S[shop.atTrailerVisit + trailer] = 0;
  }
  now.cost += UNPLACED * (1 + shop.lateWeight[at]!);
  if (now.cost > now.limit) now.broken = true;
  return !now.broken;
}
