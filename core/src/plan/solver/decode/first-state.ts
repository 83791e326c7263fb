import type { DecoderShop } from './shop';

/** The state before the first job, and what any plan costs at least. */
export function firstState(shop: DecoderShop): { state: Int32Array; cost: number } {
  const state = new Int32Array(shop.stateSize);
  standRooms(shop, state);
  standStays(shop, state);
  standPeople(shop, state);
  return { state, cost: leastCost(shop, state) };
}

function standRooms(shop: DecoderShop, S: Int32Array): void {
  for (const [at, room] of shop.rooms.entries()) {
    S[shop.atRoomFree + at] = room.from;
    S[shop.atRoomStay + at] = room.after >= 0 ? shop.count + 1 + room.after : 0;
  }
  for (let at = 0; at < shop.count; at++) S[shop.atVisitRoom + at] = -1;
}

function standStays(shop: DecoderShop, S: Int32Array): void {
  for (const [stay, { trailer, slots, groups }] of shop.stays.entries()) {
    for (const group of groups) if (group >= 0) S[shop.atGroupStay + group] = shop.count + 1 + stay;
    const at = shop.trailers.get(trailer);
    if (at === undefined) continue;
    // A trailer that is worked on now goes on from there; what is pinned for later is gone round.
    for (const slot of slots)
      if (slot.from <= 0) S[shop.atTrailerEnd + at] = Math.max(S[shop.atTrailerEnd + at]!, slot.to);
    S[shop.atTrailerStay + at] = shop.count + 1 + stay;
  }
}

function standPeople(shop: DecoderShop, S: Int32Array): void {
  for (const [person, spans] of shop.time.entries()) {
    S[shop.atSpans + person] = spans.length;
    for (const [index, { from, to }] of [...spans].reverse().entries()) {
      S[shop.atSpanFrom + person * shop.spanRoom + index] = from;
      S[shop.atSpanTo + person * shop.spanRoom + index] = to;
    }
  }
}

/** What is pinned costs what it costs; what is free at least what its own release and minutes make. */
function leastCost(shop: DecoderShop, S: Int32Array): number {
  const { sumWeights, outOfService, release, minutes, leastLate } = shop;
  const pinned = shop.model.jobs.flatMap((job) => (job.pinned ? [{ ...job, pinned: job.pinned }] : []));
  S[0] = pinned.reduce((last, job) => Math.max(last, job.pinned.end), 0);
  let cost = S[0]! * sumWeights.makespanMinutes;
  const heldAlready = new Map<number, number>();
  for (const { pinned: put, weight, due, trailer, outOfService: holds } of pinned) {
    cost += weight * sumWeights.weightedLateness * Math.max(0, put.end - due) + sumWeights.setupMinutes * put.setup;
    if (holds) heldAlready.set(trailer, Math.max(heldAlready.get(trailer) ?? 0, put.end));
  }
  for (const end of heldAlready.values()) cost += sumWeights.heldMinutes * Math.max(0, end);
  for (const [trailer, here] of shop.jobsOf.entries())
    for (const at of here) {
      cost += leastLate[at]!;
      if (outOfService[at] === 0) continue;
      S[shop.atHoldingLeft + trailer]!++;
      const before = heldAlready.get(shop.model.jobs[shop.free[at]!]!.trailer) ?? 0;
      const known = S[shop.atHeldEnd + trailer] || before;
      const least = Math.max(known, release[at]! + minutes[at]!);
      cost += sumWeights.heldMinutes * (least - known);
      S[shop.atHeldEnd + trailer] = least;
    }
  return cost;
}
