import { type Random, randomOf } from '../../chance';
import type { Choice, Decoder } from './decode';
import { byStart, type Costed } from './first';

/** What a search may use: so many steps, or until it is told to stop. `progress` is the share of it that is used up. */
export interface Budget {
  steps: number;
  /** Asked every few steps: 0 at the beginning, 1 and it ends. */
  progress: (steps: number) => number;
  stop: () => boolean;
}

/** How many steps lie between two looks at the clock. */
const LOOK = 64;
/** The first warmth of the search, as a share of what a random move costs, and how far it cools. */
const WARM = 0.1;
const WARM_SMALL = 0.4;
/** Where only the end of all counts, most moves change nothing: what does is tried far more boldly, in few rounds. */
const WARM_ALONE = 1;
const ROUNDS_ALONE = 2;
const COOLED = 1 / 400;
/** Moves at the chain that ends last: few, and many where nothing is held or can be late. */
const HASTENS = 0.04;
const HASTENS_ALONE = 0.3;
/** How often several moves are tried as one, and how many at most. */
const TOGETHER = 0.25;
const MOST_TOGETHER = 4;
/** What no plan with a place for every job costs. */
const HOPELESS = 1e8;
/** Jobs up to which every other round begins somewhere else, and up to which moves are tried together. */
const SMALL = 16;
const MEDIUM = 40;
/** Order positions that most moves stay within. */
const NEAR = 12;

interface Change {
  from: number;
  to: number;
  undo: () => void;
}

/** A choice and the moves on it. Each move says from which order position on it changed something, and how to undo it. */
class Moves {
  readonly position: Int32Array;
  private readonly spare: Int32Array;
  /** How many of the moves go at the chain that ends last. */
  private readonly hastens: number;

  constructor(
    readonly choice: Choice,
    private readonly decoder: Decoder,
    private readonly random: Random,
  ) {
    this.position = new Int32Array(decoder.count);
    this.spare = new Int32Array(decoder.count);
    this.hastens = decoder.isHeldOrLate ? HASTENS : HASTENS_ALONE;
    this.locate(0, decoder.count - 1);
  }

  locate(from: number, to: number): void {
    for (let at = from; at <= to; at++) this.position[this.choice.order[at]!] = at;
  }

  /** A number of positions to move by: mostly few. */
  private distance(): number {
    const { random, decoder } = this;
    const reach = random.next() < 0.7 ? NEAR : decoder.count;
    const by = 1 + Math.floor(random.next() ** 2 * Math.min(reach, decoder.count - 1));
    return random.next() < 0.5 ? -by : by;
  }

  private slide(from: number, to: number): void {
    const { order } = this.choice;
    const moved = order[from]!;
    if (from < to) order.copyWithin(from, from + 1, to + 1);
    else order.copyWithin(to + 1, to, from);
    order[to] = moved;
    this.locate(Math.min(from, to), Math.max(from, to));
  }

  shift(): Change | null {
    const { count } = this.decoder;
    const from = this.random.below(count);
    const to = Math.max(0, Math.min(count - 1, from + this.distance()));
    if (from === to) return null;
    const put = this.decoder.putPosition(this.choice.order[from]!);
    this.slide(from, to);
    const first = Math.min(from, to, put);
    return { from: first, to: Math.max(from, to), undo: () => this.slide(to, from) };
  }

  swap(): Change | null {
    const { order } = this.choice;
    const { count } = this.decoder;
    const one = this.random.below(count);
    const other = Math.max(0, Math.min(count - 1, one + this.distance()));
    if (one === other) return null;
    const [a, b] = [order[one]!, order[other]!];
    const turn = () => {
      [order[one], order[other]] = [order[other]!, order[one]!];
      this.position[order[one]!] = one;
      this.position[order[other]!] = other;
    };
    const first = Math.min(one, other, this.decoder.putPosition(a), this.decoder.putPosition(b));
    turn();
    return { from: first, to: Math.max(one, other), undo: turn };
  }

  /** All jobs of a trailer, or of one visit, put next to each other somewhere near. */
  block(): Change | null {
    const { choice, decoder, random } = this;
    const { count } = decoder;
    const at = random.below(count);
    const trailer = decoder.trailer[at]!;
    const whole = random.next() < 0.5;
    const chosen = decoder.jobsOf[trailer]!.filter((each) => whole || choice.visit[each] === choice.visit[at]);
    if (chosen.length < 2) return this.shift();
    const before = this.spare;
    before.set(choice.order);
    const positions = chosen.map((each) => this.position[each]!).sort((a, b) => a - b);
    const first = positions[0]!;
    const target = Math.max(0, Math.min(count - chosen.length, first + this.distance()));
    const taken = new Set(chosen);
    const moved = positions.map((each) => before[each]!);
    let [write, skipped] = [0, 0];
    for (let read = 0; read < count; read++) {
      if (taken.has(before[read]!)) continue;
      if (skipped === target) for (const each of moved) choice.order[write++] = each;
      choice.order[write++] = before[read]!;
      skipped++;
    }
    if (skipped <= target) for (const each of moved) choice.order[write++] = each;
    const old = Int32Array.from(before);
    const low = Math.min(first, target, ...chosen.map((each) => decoder.putPosition(each)));
    const high = Math.min(count - 1, Math.max(positions.at(-1)!, target + chosen.length));
    this.locate(0, count - 1);
    return {
      from: low,
      to: high,
      undo: () => {
        choice.order.set(old);
        this.locate(0, count - 1);
      },
    };
  }

  /** A job goes over to another visit of its trailer, or to one of its own; what holds the trailer stays together. */
  regroup(): Change | null {
    const { choice, decoder, random } = this;
    const at = random.below(decoder.count);
    const trailer = decoder.trailer[at]!;
    const here = decoder.jobsOf[trailer]!;
    if (here.length < 2) return null;
    const moved = decoder.outOfService[at] === 1 ? here.filter((each) => decoder.outOfService[each] === 1) : [at];
    const target = here[random.below(here.length)]!;
    const into = random.next() < 0.7 ? choice.visit[target]! : target;
    if (choice.visit[at] === into) return null;
    const old = here.map((each) => choice.visit[each]!);
    const rooms = here.map((each) => choice.room[each]!);
    for (const each of moved) choice.visit[each] = into;
    const kinds = here.reduce((mask, each) => (choice.visit[each] === into ? mask | decoder.kind[each]! : mask), 0);
    const fits = decoder.roomFits(kinds);
    const undo = () => {
      for (const [index, each] of here.entries()) {
        choice.visit[each] = old[index]!;
        choice.room[each] = rooms[index]!;
      }
    };
    if (fits.length === 0) {
      undo();
      return null;
    }
    if (choice.room[into]! >= 0 && !fits.includes(choice.room[into]!)) choice.room[into] = -1;
    const first = decoder.firstPut(trailer);
    const mates = here.filter((each) => each !== at && choice.visit[each] === into);
    const last = here.reduce((most, each) => Math.max(most, this.position[each]!), 0);
    if (moved.length > 1 || mates.length === 0 || random.next() < 0.4) return { from: first, to: last, undo };
    // A visit that is far apart in the order keeps its room waiting: the job goes along to where its mates stand.
    const place = this.position[at]!;
    const beside = this.position[mates[random.below(mates.length)]!]!;
    const goal = beside + (place > beside ? 1 : 0);
    this.slide(place, goal);
    return {
      from: Math.min(first, place, goal),
      to: Math.max(last, place, goal),
      undo: () => {
        this.slide(goal, place);
        undo();
      },
    };
  }

  /** A visit is told its room, or may stand wherever it is soonest. */
  reroom(): Change | null {
    const { choice, decoder, random } = this;
    const at = random.below(decoder.count);
    const visit = choice.visit[at]!;
    const here = decoder.jobsOf[decoder.trailer[at]!]!.filter((each) => choice.visit[each] === visit);
    const fits = decoder.roomFits(here.reduce((mask, each) => mask | decoder.kind[each]!, 0));
    const old = choice.room[visit]!;
    const now = old >= 0 && random.next() < 0.6 ? -1 : fits[random.below(fits.length)]!;
    if (now === old || (fits.length < 2 && now >= 0)) return null;
    choice.room[visit] = now;
    const last = here.reduce((most, each) => Math.max(most, this.position[each]!), 0);
    return {
      from: decoder.firstPut(decoder.trailer[at]!),
      to: last,
      undo: () => {
        choice.room[visit] = old;
      },
    };
  }

  /** A job is told one of its people, or may take whoever is free first. */
  reteam(): Change | null {
    const { choice, decoder, random } = this;
    const at = random.below(decoder.count);
    const crew = decoder.crew[at]!;
    if (crew.length < 2) return null;
    const old = choice.person[at]!;
    const now = old >= 0 && random.next() < 0.6 ? -1 : crew[random.below(crew.length)]!;
    if (now === old) return null;
    choice.person[at] = now;
    return {
      from: decoder.putPosition(at),
      to: this.position[at]!,
      undo: () => {
        choice.person[at] = old;
      },
    };
  }

  /** On the chain that ends last, a job goes before the one it waits for in its room. */
  hasten(): Change | null {
    const { decoder, random } = this;
    const pairs: [before: number, at: number][] = [];
    let at = decoder.lastEnding();
    for (let length = 0; at >= 0 && length < decoder.count; length++) {
      const inRoom = decoder.bindingOf(at, false);
      const own = decoder.bindingOf(at, true);
      if (inRoom >= 0) pairs.push([inRoom, at]);
      at = inRoom >= 0 && (own < 0 || random.next() < 0.5) ? inRoom : own;
    }
    const pair = pairs[random.below(Math.max(1, pairs.length))];
    if (!pair) return null;
    const [from, to] = [this.position[pair[1]]!, this.position[pair[0]]!];
    if (from <= to) return null;
    const first = Math.min(to, decoder.putPosition(pair[0]), decoder.putPosition(pair[1]));
    this.slide(from, to);
    return { from: first, to: from, undo: () => this.slide(to, from) };
  }

  /** Mostly one move; now and then a few at once, where each by itself would only cost. */
  any(): Change | null {
    if (this.decoder.count > MEDIUM || this.random.next() >= TOGETHER) return this.one();
    const changes: Change[] = [];
    for (let left = 2 + this.random.below(MOST_TOGETHER - 1); left > 0; left--) {
      const change = this.one();
      if (change) changes.push(change);
    }
    if (changes.length === 0) return null;
    return {
      from: Math.min(...changes.map(({ from }) => from)),
      to: Math.max(...changes.map(({ to }) => to)),
      undo: () => {
        for (const { undo } of changes.reverse()) undo();
      },
    };
  }

  /** Moves so often, whatever it costs, that it is somewhere else; what leaves a job without a place is not done. The cost there. */
  scatter(cost: number): number {
    const { choice, decoder } = this;
    let now = cost;
    for (let left = 3 * decoder.count; left > 0; left--) {
      const change = this.one();
      if (!change) continue;
      const next = decoder.attempt(choice, change.from, change.to, HOPELESS);
      if (next < HOPELESS) {
        decoder.keep(next);
        now = next;
      } else {
        decoder.forget();
        change.undo();
      }
    }
    return now;
  }

  private one(): Change | null {
    const way = this.random.next();
    if (way > 1 - this.hastens) return this.hasten();
    if (way < 0.4) return this.shift();
    if (way < 0.6) return this.swap();
    if (way < 0.75) return this.block();
    if (way < 0.88) return this.regroup();
    if (way < 0.95) return this.reroom();
    return this.reteam();
  }
}

const copyOf = ({ order, visit, room, person }: Choice): Choice => ({
  order: Int32Array.from(order),
  visit: Int32Array.from(visit),
  room: Int32Array.from(room),
  person: Int32Array.from(person),
});

const putInto = (to: Choice, from: Choice): void => {
  to.order.set(from.order);
  to.visit.set(from.visit);
  to.room.set(from.room);
  to.person.set(from.person);
};

/** What a move costs, about: the middle of what random ones would add. */
function usualStep(decoder: Decoder, moves: Moves, cost: number): number {
  const costs: number[] = [];
  for (let tried = 0; tried < 60; tried++) {
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

/**
 * Looks for better plans, as long as its budget lasts: cheap moves on the order of jobs, their visits, rooms and people,
 * taken when they are better or – the less, the longer it goes on – not much worse; and now and then back to the best.
 * The same seed and steps give the same plan. `starts` are plans to begin with, the best first. `better` is told each better choice, kept in the decoder at that moment.
 */
export function search(
  decoder: Decoder,
  starts: readonly Costed[],
  seed: number,
  { steps, progress, stop }: Budget,
  better: (cost: number) => void,
): Costed {
  const [first] = starts as [Costed];
  const choice = copyOf(first.choice);
  let cost = decoder.decode(choice);
  let best = { choice: copyOf(choice), cost };
  better(cost);
  if (decoder.count < 2) return best;
  const random = randomOf(seed);
  const moves = new Moves(choice, decoder, random);
  const usual = usualStep(decoder, moves, cost) * warmOf(decoder);
  const rounds = roundsOf(decoder);
  let warmth = usual;
  let round = 0;
  let accepted = 0;
  for (let step = 0; step < steps; step++) {
    if (step % LOOK === 0) {
      const used = progress(step);
      if (used >= 1 || stop()) break;
      const now = Math.min(rounds - 1, Math.floor(used * rounds));
      if (now !== round) {
        round = now;
        // The second round begins elsewhere, and of a small shop every other one; the rest begin from the best.
        const elsewhere = round === 1 && starts[1] ? starts[1].choice : null;
        const afresh = decoder.count <= SMALL && round % 2 === 1;
        putInto(choice, elsewhere ?? best.choice);
        moves.locate(0, decoder.count - 1);
        cost = decoder.decode(choice);
        if (afresh) cost = moves.scatter(cost);
      }
      const within = used * rounds - round;
      warmth = usual * (round % 2 ? 0.4 : 1) * COOLED ** within;
    }
    const change = moves.any();
    if (!change) continue;
    const limit = cost - warmth * Math.log(random.next() + 1e-12);
    const next = decoder.attempt(choice, change.from, change.to, limit);
    if (next > limit || next === Number.POSITIVE_INFINITY) {
      decoder.forget();
      change.undo();
      continue;
    }
    decoder.keep(next);
    cost = next;
    accepted++;
    const record = cost < best.cost - 1e-6;
    if (record || accepted % 500 === 0) {
      // In the order in which they begin, the same plan can be moved on more easily.
      const sorted = byStart(decoder, choice.order);
      const old = Int32Array.from(choice.order);
      choice.order.set(sorted);
      const again = decoder.attempt(choice, 0, decoder.count, cost);
      if (again <= cost) {
        decoder.keep(again);
        cost = again;
      } else {
        decoder.forget();
        choice.order.set(old);
      }
      moves.locate(0, decoder.count - 1);
    }
    if (record) {
      best = { choice: copyOf(choice), cost };
      better(cost);
    }
  }
  return asWholeStays(decoder, best);
}

/**
 * Visits that follow each other in one room are one stay: made one visit, wheels stay off between their jobs. Taken
 * wherever that costs nothing.
 */
function asWholeStays(decoder: Decoder, best: Costed): Costed {
  let { cost } = best;
  const { choice } = best;
  decoder.decode(choice);
  for (const here of decoder.jobsOf)
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
  return { choice, cost: decoder.decode(choice) };
}

/** Small shops are searched several times over. */
function roundsOf({ count, isHeldOrLate }: Decoder): number {
  if (!isHeldOrLate) return ROUNDS_ALONE;
  if (count <= SMALL) return 24;
  return count <= 100 ? 8 : 1;
}

function warmOf({ count, isHeldOrLate }: Decoder): number {
  if (!isHeldOrLate) return WARM_ALONE;
  return count <= SMALL ? WARM_SMALL : WARM;
}
