import type { Random } from '../../chance';
import type { Decoder } from './decode';
import type { Moves } from './moves';

/** Jobs that are taken out and put in again at once, at most. */
const MOST = 5;
/** How much nearer jobs of one trailer are to each other than others, and minutes by which all are apart. */
const AKIN = 0.3;
const APART = 60;

/** A few jobs that stand near each other in the kept plan, in an order by chance. */
function neighbours(decoder: Decoder, random: Random): number[] {
  const { count, trailer } = decoder.shop;
  const seed = random.below(count);
  const size = 2 + random.below(Math.min(MOST, count) - 1);
  const away = (at: number): number =>
    (Math.abs(decoder.startOf(at) - decoder.startOf(seed)) + APART) *
    (trailer[at] === trailer[seed] ? AKIN : 1) *
    random.next();
  const ranked = Array.from({ length: count }, (_, at) => ({ at, away: at === seed ? -1 : away(at) }));
  const near = ranked.sort((a, b) => a.away - b.away).slice(0, size);
  return near
    .map(({ at }) => ({ at, turn: random.next() }))
    .sort((a, b) => a.turn - b.turn)
    .map(({ at }) => at);
}

/** Gives a job the place and visit where the whole costs least, all others staying as they are. The cost there. */
function putBest(moves: Moves, decoder: Decoder, at: number): number {
  const { choice, position } = moves;
  const last = decoder.shop.count - 1;
  const [stands, was] = [position[at]!, choice.visit[at]!];
  const put = decoder.putPosition(at);
  const first = decoder.firstPut(decoder.shop.trailer[at]!);
  let best = { cost: Number.POSITIVE_INFINITY, place: stands, visit: was };
  for (const visit of moves.visitsFor(at)) {
    choice.visit[at] = visit;
    for (let place = last; place >= 0; place--) {
      moves.slide(position[at]!, place);
      const from = Math.min(place, stands, visit === was ? put : first);
      const cost = decoder.attempt(choice, from, last, best.cost);
      decoder.forget();
      if (cost < best.cost) best = { cost, place, visit };
    }
  }
  choice.visit[at] = best.visit;
  moves.slide(position[at]!, best.place);
  return decoder.decode(choice);
}

/** Takes a few jobs out and gives each, one after the other, the best place among the rest. The cost then, kept. */
export function rebuild(moves: Moves, decoder: Decoder, random: Random): number {
  const { choice, position } = moves;
  const taken = neighbours(decoder, random);
  for (const at of taken) {
    moves.slide(position[at]!, decoder.shop.count - 1);
    const [visit] = moves.visitsFor(at) as [number, ...number[]];
    choice.visit[at] = visit;
    choice.person[at] = -1;
    if (moves.isAlone(at)) choice.room[visit] = -1;
  }
  let cost = decoder.decode(choice);
  for (const at of taken) cost = putBest(moves, decoder, at);
  return cost;
}
