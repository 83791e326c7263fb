import { NEVER } from '../figures';
import { common, type Span } from '../spans';
import { endOfSplit, openFrom, teams } from '../stretch';
import type { DecoderShop } from './shop';
import type { DecoderState } from './state';

/** The earliest start from `from` on in a room's hours; who is taken stands in `found`. {@link NEVER} for none. */
export function search(
  shop: DecoderShop,
  now: DecoderState,
  at: number,
  from: number,
  minutes: number,
  room: number,
  trailer: number,
): number {
  const hours = shop.hours[shop.roomHours[room]!]!;
  const last = Math.min(shop.roomTo[room]!, shop.latest[at]!, shop.horizon);
  if (shop.splits[at] !== 0) return searchSplit(shop, now, at, from, minutes, room, trailer, last);
  const fixed = shop.fixedOf[trailer]!;
  let begin = from;
  for (;;) {
    if (begin + minutes > last) return NEVER;
    const inHours = hours === null ? begin : openFrom(hours, begin, minutes);
    if (inHours + minutes > last) return NEVER;
    const start =
      shop.people[at] === 1 ? oneFree(shop, now, at, inHours, minutes) : teamFree(shop, now, at, inHours, minutes);
    if (start === NEVER || start + minutes > last) return NEVER;
    let next = hours === null ? start : openFrom(hours, start, minutes);
    for (let index = 0; index < fixed.length; index++) {
      const stay = fixed[index]!;
      if (start < stay.to && start + minutes > stay.from && stay.to > next) next = stay.to;
    }
    if (next === start) return start;
    begin = next;
  }
}

/** When a technician is free for so many minutes, from `from` on. Spans stand from the last to the first: most of what changes is near now. */
function freeAt(shop: DecoderShop, now: DecoderState, person: number, from: number, minutes: number): number {
  const S = now.state;
  const base = person * shop.spanRoom;
  const spans = S[shop.atSpans + person]!;
  const fromAt = shop.atSpanFrom + base;
  const toAt = shop.atSpanTo + base;
  const enough = from + minutes;
  let [low, high] = [0, spans];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (S[toAt + middle]! < enough) high = middle;
    else low = middle + 1;
  }
  for (let index = low - 1; index >= 0; index--) {
    const begin = S[fromAt + index]!;
    if (begin <= from) return from;
    if (begin + minutes <= S[toAt + index]!) return begin;
  }
  return NEVER;
}

function oneFree(shop: DecoderShop, now: DecoderState, at: number, from: number, minutes: number): number {
  const must = now.person[at]!;
  const crew = shop.crew[at]!;
  if (must >= 0) {
    now.found[0] = must;
    return freeAt(shop, now, must, from, minutes);
  }
  let best = NEVER;
  for (let index = 0; index < crew.length; index++) {
    const start = freeAt(shop, now, crew[index]!, from, minutes);
    if (start < best) {
      best = start;
      now.found[0] = crew[index]!;
      if (start === from) break;
    }
  }
  return best;
}

function teamFree(shop: DecoderShop, now: DecoderState, at: number, from: number, minutes: number): number {
  const people = shop.people[at]!;
  const crew = shop.crew[at]!;
  const must = now.person[at]!;
  const { reach, found } = now;
  let begin = from;
  for (;;) {
    let ready = 0;
    for (let index = 0; index < crew.length; index++) {
      const start = freeAt(shop, now, crew[index]!, begin, minutes);
      reach[index] = start;
      if (start === begin) ready++;
    }
    if (must >= 0) {
      const own = reach[crew.indexOf(must)]!;
      if (own === NEVER) return NEVER;
      if (own > begin) {
        begin = own;
        continue;
      }
    }
    if (ready >= people) {
      let taken = 0;
      if (must >= 0) found[taken++] = must;
      for (let index = 0; index < crew.length && taken < people; index++)
        if (reach[index] === begin && crew[index] !== must) found[taken++] = crew[index]!;
      return begin;
    }
    // The next moment at which enough of them could be: the so-manieth smallest.
    let [next, passed] = [begin, 0];
    while (passed < people) {
      let smallest = NEVER;
      for (let index = 0; index < crew.length; index++)
        if (reach[index]! > next && reach[index]! < smallest) smallest = reach[index]!;
      if (passed === 0) {
        passed = ready;
        if (passed >= people) break;
      }
      if (smallest === NEVER) return NEVER;
      next = smallest;
      for (let index = 0; index < crew.length; index++) if (reach[index] === smallest) passed++;
    }
    begin = next;
  }
}

/** A job longer than any shift: one team, from shift to shift, with nothing between. */
function searchSplit(
  shop: DecoderShop,
  now: DecoderState,
  at: number,
  from: number,
  minutes: number,
  room: number,
  trailer: number,
  last: number,
): number {
  const fixed = shop.fixedOf[trailer]!;
  const open = shop.model.bays[shop.rooms[room]!.bay]!.open;
  let best = NEVER;
  for (const team of teams(shop.crew[at]!, shop.people[at]!, now.person[at]!)) {
    const shifts = team.reduce<readonly Span[]>(
      (left, each) => common(left, shop.model.technicians[each]!.shifts),
      open,
    );
    const free = team.reduce<readonly Span[]>((left, each) => common(left, spansOfPerson(shop, now, each)), shifts);
    for (const { from: begins, to } of free) {
      const start = Math.max(begins, from);
      if (start >= to || start >= best) continue;
      const end = endOfSplit(shifts, free, start, minutes);
      if (end === null || end > last) continue;
      if (fixed.some((stay) => start < stay.to && end > stay.from)) continue;
      best = start;
      for (const [index, each] of team.entries()) now.found[index] = each;
      break;
    }
  }
  return best;
}

function spansOfPerson(shop: DecoderShop, now: DecoderState, person: number): Span[] {
  const S = now.state;
  const base = person * shop.spanRoom;
  return Array.from({ length: S[shop.atSpans + person]! }, (_, index) => ({
    from: S[shop.atSpanFrom + base + index]!,
    to: S[shop.atSpanTo + base + index]!,
  })).reverse();
}
export function endOfSplitJob(
  shop: DecoderShop,
  now: DecoderState,
  at: number,
  room: number,
  start: number,
  minutes: number,
): number {
  const open = shop.model.bays[shop.rooms[room]!.bay]!.open;
  let shifts: readonly Span[] = open;
  for (let index = 0; index < shop.people[at]!; index++)
    shifts = common(shifts, shop.model.technicians[now.team1[index]!]!.shifts);
  let left = minutes;
  for (const { from, to } of shifts) {
    if (to <= start) continue;
    const begin = Math.max(from, start);
    if (left <= to - begin) return begin + left;
    left -= to - begin;
  }
  return NEVER;
}

/** Takes [start, end) out of a technician's free time. What is shorter than any job is forgotten. */
export function occupy(shop: DecoderShop, now: DecoderState, person: number, start: number, end: number): void {
  const S = now.state;
  const base = person * shop.spanRoom;
  const fromAt = shop.atSpanFrom + base;
  const toAt = shop.atSpanTo + base;
  let spans = S[shop.atSpans + person]!;
  let [low, high] = [0, spans];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (S[toAt + middle]! <= start) high = middle;
    else low = middle + 1;
  }
  for (let index = low - 1; index >= 0; index--) {
    const from = S[fromAt + index]!;
    const to = S[toAt + index]!;
    if (from >= end) break;
    const left = start - from >= shop.shortest;
    const right = to - end >= shop.shortest;
    if (left && right && spans < shop.spanRoom) {
      for (let move = spans; move > index; move--) {
        S[fromAt + move] = S[fromAt + move - 1]!;
        S[toAt + move] = S[toAt + move - 1]!;
      }
      S[fromAt + index] = end;
      S[toAt + index + 1] = start;
      spans++;
    } else if (left && (!right || start - from >= to - end)) S[toAt + index] = start;
    else if (right) S[fromAt + index] = end;
    else {
      for (let move = index; move < spans - 1; move++) {
        S[fromAt + move] = S[fromAt + move + 1]!;
        S[toAt + move] = S[toAt + move + 1]!;
      }
      spans--;
      S[fromAt + spans] = 0;
      S[toAt + spans] = 0;
    }
  }
  S[shop.atSpans + person] = spans;
}
