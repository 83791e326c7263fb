import type { Random } from '../../chance';
import { type Choice, type Decoder, FEW } from './decode';

/** Moves at the chain that ends last: few, and many where nothing is held or can be late. */
const HASTENS = 0.04;
const HASTENS_ALONE = 0.3;
/** How often several moves of few jobs are tried as one, and how many at most. */
const TOGETHER = 0.25;
const MOST_TOGETHER = 4;
/** Beyond this a small shop is not moved on: a job has no place, or nothing is gained by being there. */
const HOPELESS = 1e8;
/** Order positions that most moves stay within. */
const NEAR = 12;

/** A move that was made: the order positions between which it changed something, and the way back. */
interface Change {
  from: number;
  to: number;
  undo: () => void;
}

/** A choice and the moves on it. Each move says from which order position on it changed something, and how to undo it. */
export class Moves {
  readonly position: Int32Array;
  private readonly spare: Int32Array;
  /** How many of the moves go at the chain that ends last. */
  private readonly hastens: number;

  constructor(
    readonly choice: Choice,
    private readonly decoder: Decoder,
    private readonly random: Random,
  ) {
    this.position = new Int32Array(decoder.shop.count);
    this.spare = new Int32Array(decoder.shop.count);
    this.hastens = decoder.shop.isHeldOrLate ? HASTENS : HASTENS_ALONE;
    this.locate(0, decoder.shop.count - 1);
  }

  locate(from: number, to: number): void {
    for (let at = from; at <= to; at++) this.position[this.choice.order[at]!] = at;
  }

  /** A number of positions to move by: mostly few. */
  private distance(): number {
    const { random, decoder } = this;
    const reach = random.next() < 0.7 ? NEAR : decoder.shop.count;
    const by = 1 + Math.floor(random.next() ** 2 * Math.min(reach, decoder.shop.count - 1));
    return random.next() < 0.5 ? -by : by;
  }

  /** A job from one place of the order to another; those between close up. */
  slide(from: number, to: number): void {
    const { order } = this.choice;
    const moved = order[from]!;
    if (from < to) order.copyWithin(from, from + 1, to + 1);
    else order.copyWithin(to + 1, to, from);
    order[to] = moved;
    this.locate(Math.min(from, to), Math.max(from, to));
  }

  shift(): Change | null {
    const { count } = this.decoder.shop;
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
    const { count } = this.decoder.shop;
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
    const { count } = decoder.shop;
    const at = random.below(count);
    const trailer = decoder.shop.trailer[at]!;
    const whole = random.next() < 0.5;
    const chosen = decoder.shop.jobsOf[trailer]!.filter((each) => whole || choice.visit[each] === choice.visit[at]);
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
    const at = random.below(decoder.shop.count);
    const trailer = decoder.shop.trailer[at]!;
    const here = decoder.shop.jobsOf[trailer]!;
    if (here.length < 2) return null;
    const moved =
      decoder.shop.outOfService[at] === 1 ? here.filter((each) => decoder.shop.outOfService[each] === 1) : [at];
    const target = here[random.below(here.length)]!;
    const into = random.next() < 0.7 ? choice.visit[target]! : target;
    if (choice.visit[at] === into) return null;
    const old = here.map((each) => choice.visit[each]!);
    const rooms = here.map((each) => choice.room[each]!);
    for (const each of moved) choice.visit[each] = into;
    const kinds = here.reduce(
      (mask, each) => (choice.visit[each] === into ? mask | decoder.shop.kind[each]! : mask),
      0,
    );
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

  /** Whether nothing else is in a job's visit. */
  isAlone(at: number): boolean {
    const { visit } = this.choice;
    return this.decoder.shop.jobsOf[this.decoder.shop.trailer[at]!]!.every(
      (each) => each === at || visit[each] !== visit[at],
    );
  }

  /** The visits a job could be in: one of its own first, and each of its trailer's that a room is fit for with it. What holds a trailer stays together. */
  visitsFor(at: number): number[] {
    const { choice, decoder } = this;
    const here = decoder.shop.jobsOf[decoder.shop.trailer[at]!]!;
    const mates = here.filter((each) => each !== at);
    const holding =
      decoder.shop.outOfService[at] === 1 ? mates.find((each) => decoder.shop.outOfService[each] === 1) : undefined;
    if (holding !== undefined) return [choice.visit[holding]!];
    const used = new Set(mates.map((each) => choice.visit[each]!));
    const own = here.filter((each) => !used.has(each)).slice(0, 1);
    const fit = [...used].filter((visit) => {
      const kinds = mates.reduce(
        (mask, each) => (choice.visit[each] === visit ? mask | decoder.shop.kind[each]! : mask),
        decoder.shop.kind[at]!,
      );
      const rooms = decoder.roomFits(kinds);
      const told = choice.room[visit]!;
      return told < 0 ? rooms.length > 0 : rooms.includes(told);
    });
    return [...own, ...fit];
  }

  /** A visit is told its room, or may stand wherever it is soonest. */
  reroom(): Change | null {
    const { choice, decoder, random } = this;
    const at = random.below(decoder.shop.count);
    const visit = choice.visit[at]!;
    const here = decoder.shop.jobsOf[decoder.shop.trailer[at]!]!.filter((each) => choice.visit[each] === visit);
    const fits = decoder.roomFits(here.reduce((mask, each) => mask | decoder.shop.kind[each]!, 0));
    const old = choice.room[visit]!;
    const now = old >= 0 && random.next() < 0.6 ? -1 : fits[random.below(fits.length)]!;
    if (now === old || (fits.length < 2 && now >= 0)) return null;
    choice.room[visit] = now;
    const last = here.reduce((most, each) => Math.max(most, this.position[each]!), 0);
    return {
      from: decoder.firstPut(decoder.shop.trailer[at]!),
      to: last,
      undo: () => {
        choice.room[visit] = old;
      },
    };
  }

  /** A job is told one of its people, or may take whoever is free first. */
  reteam(): Change | null {
    const { choice, decoder, random } = this;
    const at = random.below(decoder.shop.count);
    const crew = decoder.shop.crew[at]!;
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
    for (let length = 0; at >= 0 && length < decoder.shop.count; length++) {
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
    if (this.decoder.shop.count > FEW || this.random.next() >= TOGETHER) return this.one();
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
    for (let left = 3 * decoder.shop.count; left > 0; left--) {
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
