import { type Random, randomOf } from '../../chance';
import { type Budget, goesOn, LOOK, partsOf } from './budget';
import { type Choice, type Decoder, FEW } from './decode';
import { byStart, type Costed, copyOf } from './first';
import { Moves } from './moves';
import { rebuild } from './rebuild';
import { shorten } from './shorten';

/** The first warmth of the search, as a share of what a random move costs, and how far it cools. */
const WARM = 0.05;
const WARM_SMALL = 0.4;
/** Where only the end of all counts, most moves change nothing: what does is tried far more boldly, in few rounds. */
const WARM_ALONE = 1;
const ROUNDS_ALONE = 2;
const COOLED = 1 / 400;
/** … and for this share of the budget the longest chain of jobs is shortened before all else. */
const SHORTEN_SHARE = 0.5;
/** How often a few jobs are put in anew, each where it is best: of a shop of few jobs, since it takes many tries. */
const REBUILDS = 0.03;
/** Jobs up to which every other round begins somewhere else. */
const SMALL = 16;
/**
 * More jobs than that, up to so many, are begun over and over for this share of the budget, each time for so many steps a
 * job, and gone on with from the best: a search of them may sit in one valley for good.
 */
const MIDDLING = 100;
const BEGIN_SHARE = 0.7;
const BEGIN_STEPS = 200;

const putInto = (to: Choice, from: Choice): void => {
  to.order.set(from.order);
  to.visit.set(from.visit);
  to.room.set(from.room);
  to.person.set(from.person);
};

/** What a move costs, about: the middle of what random ones would add. */
function usualStep(decoder: Decoder, moves: Moves, cost: number): number {
  const costs: number[] = [];
  for (let tried = 0; tried < 60 && !decoder.isOver(); tried++) {
    const change = moves.any();
    if (!change) continue;
    const next = decoder.attempt(moves.choice, change.from, change.to, Number.POSITIVE_INFINITY);
    decoder.forget();
    change.undo();
    if (next > cost && next < Number.POSITIVE_INFINITY) costs.push(next - cost);
  }
  costs.sort((a, b) => a - b);
  return costs[Math.floor(costs.length / 2)] ?? 1;
}

/** Makes a move, unless that costs more than the limit: then everything stays as it was, and null is the answer. */
function moved(decoder: Decoder, moves: Moves, limit: number): number | null {
  const change = moves.any();
  if (!change) return null;
  const cost = decoder.attempt(moves.choice, change.from, change.to, limit);
  if (cost <= limit && cost < Number.POSITIVE_INFINITY) {
    decoder.keep(cost);
    return cost;
  }
  decoder.forget();
  change.undo();
  return null;
}

/** As {@link moved}, by taking a few jobs out and putting each where it is best. */
function rebuilt(decoder: Decoder, moves: Moves, random: Random, limit: number): number | null {
  const before = copyOf(moves.choice);
  const cost = rebuild(moves, decoder, random);
  if (cost <= limit) return cost;
  putInto(moves.choice, before);
  moves.locate(0, decoder.shop.count - 1);
  decoder.decode(moves.choice);
  return null;
}

/**
 * Looks for better plans, as long as its budget lasts: cheap moves on the order of jobs, their visits, rooms and people,
 * taken when they are better or – the less, the longer it goes on – not much worse; and now and then back to the best.
 * The same seed and steps give the same plan. `starts` are plans to begin with, the best first. `better` is told each better choice, kept in the decoder at that moment.
 */
export function search(
  decoder: Decoder,
  starts: readonly Costed[],
  seed: number,
  budget: Budget,
  better: (cost: number) => void,
): Costed {
  const [first, ...others] = starts as [Costed, ...Costed[]];
  let best: Costed = { choice: first.choice, cost: decoder.decode(first.choice) };
  better(best.cost);
  if (decoder.shop.count < 2) return asWholeStays(decoder, best);
  const random = randomOf(seed);
  const part = partsOf(budget);
  const tell = (cost: number) => {
    if (cost < best.cost) better(cost);
  };
  if (decoder.shop.isHeldOrLate) {
    const isMiddling = decoder.shop.count > SMALL && decoder.shop.count <= MIDDLING;
    const beginning = () => (isMiddling ? part(BEGIN_SHARE, decoder.shop.count * BEGIN_STEPS) : null);
    for (let own = beginning(); own; own = beginning()) {
      const found = varied(decoder, [first, ...others], random, own, tell);
      if (found.cost < best.cost) best = found;
    }
  } else {
    const own = part(SHORTEN_SHARE);
    if (own) best = shorten(decoder, best, random, goesOn(own), tell);
  }
  const rest = part(1);
  return asWholeStays(decoder, rest ? varied(decoder, [best, ...others], random, rest, tell) : best);
}

/** Moves of all kinds, as long as the budget lasts. */
function varied(
  decoder: Decoder,
  starts: readonly [Costed, ...Costed[]],
  random: Random,
  { steps, progress, stop }: Budget,
  better: (cost: number) => void,
): Costed {
  const choice = copyOf(starts[0].choice);
  let cost = decoder.decode(choice);
  let best = { choice: copyOf(choice), cost };
  const moves = new Moves(choice, decoder, random);
  const usual = usualStep(decoder, moves, cost) * warmOf(decoder);
  const rounds = roundsOf(decoder);
  let warmth = usual;
  let round = 0;
  let accepted = 0;
  let step = 0;
  for (; step < steps; step++) {
    if (step % LOOK === 0) {
      const used = progress(step);
      if (used >= 1 || stop()) break;
      const now = Math.min(rounds - 1, Math.floor(used * rounds));
      if (now !== round) {
        round = now;
        // The second round begins elsewhere, and of a small shop every other one; the rest begin from the best.
        const elsewhere = round === 1 && starts[1] ? starts[1].choice : null;
        const afresh = decoder.shop.count <= SMALL && round % 2 === 1;
        putInto(choice, elsewhere ?? best.choice);
        moves.locate(0, decoder.shop.count - 1);
        cost = decoder.decode(choice);
        if (afresh) cost = moves.scatter(cost);
      }
      const within = used * rounds - round;
      warmth = usual * (round % 2 ? 0.4 : 1) * COOLED ** within;
    }
    const limit = cost - warmth * Math.log(random.next() + 1e-12);
    const rebuilds = decoder.shop.count <= FEW && random.next() < REBUILDS;
    const next = rebuilds ? rebuilt(decoder, moves, random, limit) : moved(decoder, moves, limit);
    if (next === null) continue;
    cost = next;
    accepted++;
    const record = cost < best.cost - 1e-6;
    if (record || accepted % 500 === 0) {
      // In the order in which they begin, the same plan can be moved on more easily.
      const sorted = byStart(decoder, choice.order);
      const old = Int32Array.from(choice.order);
      choice.order.set(sorted);
      const again = decoder.attempt(choice, 0, decoder.shop.count, cost);
      if (again <= cost) {
        decoder.keep(again);
        cost = again;
      } else {
        decoder.forget();
        choice.order.set(old);
      }
      moves.locate(0, decoder.shop.count - 1);
    }
    if (record) {
      best = { choice: copyOf(choice), cost };
      better(cost);
    }
  }
  progress(step);
  return best;
}

/**
 * Visits that follow each other in one room are one stay: made one visit, wheels stay off between their jobs. Taken
 * wherever that costs nothing.
 */
function asWholeStays(decoder: Decoder, best: Costed): Costed {
  let { cost } = best;
  const { choice } = best;
  decoder.decode(choice);
  for (const here of decoder.shop.jobsOf) {
    if (decoder.isOver()) break;
    for (const one of here)
      for (const other of here) {
        const [from, into] = [choice.visit[other]!, choice.visit[one]!];
        if (from === into || decoder.stayOf(one) !== decoder.stayOf(other)) continue;
        const old = here.map((at) => choice.visit[at]!);
        for (const at of here) if (choice.visit[at] === from) choice.visit[at] = into;
        const merged = decoder.decode(choice);
        if (merged <= cost) cost = merged;
        else {
          for (const [index, at] of here.entries()) choice.visit[at] = old[index]!;
          decoder.decode(choice);
        }
      }
  }
  return { choice, cost: decoder.decode(choice) };
}

/** Small shops are searched several times over. */
function roundsOf({ shop: { count, isHeldOrLate } }: Decoder): number {
  if (!isHeldOrLate) return ROUNDS_ALONE;
  if (count <= SMALL) return 24;
  return count <= MIDDLING ? 8 : 1;
}

function warmOf({ shop: { count, isHeldOrLate } }: Decoder): number {
  if (!isHeldOrLate) return WARM_ALONE;
  return count <= SMALL ? WARM_SMALL : WARM;
}
