import type { Random } from '../../chance';
import type { Decoder } from './decode';
import { type Costed, copyOf } from './first';
import { Sequences, type Turn } from './sequences';

/** For how many turns what was turned round is not turned back, at least, and by chance at most so many more. */
const BARRED = 10;
const BARRED_MORE = 10;
/** Turns without a shorter chain after which it goes on from the shortest, so many turns away from it. */
const PATIENCE = 4_000;
const AWAY = 10;

/** The turns that may shorten a chain: a job of a run to its end or its beginning, and its first and last between. */
function turnsOf(runs: readonly (readonly number[])[]): Turn[] {
  const turns: Turn[] = [];
  for (const run of runs) {
    const [last, first] = [run[0]!, run.at(-1)!];
    for (const job of run.slice(1)) turns.push({ side: 0, job, behind: last });
    const between = run.slice(1, -1);
    for (const behind of between) turns.push({ side: 0, job: first, behind }, { side: 1, job: last, behind });
    if (run.length > 2) for (const job of run.slice(0, -1)) turns.push({ side: 1, job, behind: first });
  }
  return turns;
}

/**
 * Shortens the longest chain of a plan's sequences, turn by turn: always the turn that leaves it shortest, be it longer
 * than before, but for a while none back. Where it gets no further it goes on from somewhere near the shortest.
 */
class Shortening {
  private best: number;
  private readonly barred: Int32Array;
  private shortest: ReturnType<Sequences['kept']>;
  private turn = 0;
  private since = 0;

  constructor(
    private readonly sequences: Sequences,
    private readonly random: Random,
  ) {
    this.best = sequences.longest;
    this.shortest = sequences.kept();
    this.barred = new Int32Array(sequences.count ** 2);
  }

  /** Makes a turn: whether the chain is the shortest so far; null where no turn would make any difference. */
  step(): boolean | null {
    const { sequences } = this;
    const turn = this.chosen();
    if (!turn) return null;
    this.turn++;
    this.bar(turn);
    sequences.make(turn);
    if (sequences.longest < this.best) {
      this.best = sequences.longest;
      this.shortest = sequences.kept();
      this.since = 0;
      return true;
    }
    if (++this.since >= PATIENCE) this.away();
    return false;
  }

  private key({ side, job }: Turn, other: number): number {
    const { count } = this.sequences;
    return side === 0 ? job * count + other : other * count + job;
  }

  private bar(turn: Turn): void {
    const until = this.turn + BARRED + this.random.below(BARRED_MORE);
    this.sequences.passed(turn, (other) => {
      this.barred[this.key(turn, other)] = until;
    });
  }

  private isBarred(turn: Turn): boolean {
    let barred = false;
    const back: Turn = { ...turn, side: turn.side === 0 ? 1 : 0 };
    this.sequences.passed(turn, (other) => {
      if (this.barred[this.key(back, other)]! > this.turn) barred = true;
    });
    return barred;
  }

  /** The turn after which the chain is shortest, of those that are not barred or lead to the shortest of all; else any. */
  private chosen(): Turn | null {
    const { sequences, random } = this;
    let [best, length, ties] = [null as Turn | null, Number.POSITIVE_INFINITY, 0];
    const possible: Turn[] = [];
    for (const turn of turnsOf(sequences.runs(random))) {
      const after = sequences.lengthAfter(turn);
      if (after === Number.POSITIVE_INFINITY) continue;
      possible.push(turn);
      if (after > length || (after >= this.best && this.isBarred(turn))) continue;
      ties = after < length ? 1 : ties + 1;
      if (ties > 1 && random.next() * ties >= 1) continue;
      [best, length] = [turn, after];
    }
    return best ?? possible[random.below(Math.max(1, possible.length))] ?? null;
  }

  private away(): void {
    const { sequences, random } = this;
    this.since = 0;
    this.barred.fill(0);
    sequences.restore(this.shortest);
    for (let left = AWAY; left > 0; left--) {
      const neighbours = sequences
        .runs(random)
        .flatMap((run) => run.slice(1).map((job, at): Turn => ({ side: 0, job, behind: run[at]! })))
        .filter((turn) => sequences.lengthAfter(turn) < Number.POSITIVE_INFINITY);
      const turn = neighbours[random.below(Math.max(1, neighbours.length))];
      if (turn) sequences.make(turn);
    }
  }
}

/** The sequences of the decoder's kept plan; null where not they alone say when the last job ends, but also people or hours. */
export function sequencesOf(decoder: Decoder): Sequences | null {
  const last = decoder.lastEnding();
  const jobs = Array.from({ length: decoder.shop.count }, (_, at) => at);
  if (last < 0 || jobs.some((at) => decoder.roomOfJob(at) < 0)) return null;
  const sequences = new Sequences({
    minutes: jobs.map((at) => decoder.endOf(at) - decoder.startOf(at)),
    release: jobs.map((at) => decoder.releaseOf(at)),
    room: jobs.map((at) => decoder.roomOfJob(at)),
    trailer: jobs.map((at) => decoder.shop.trailer[at]!),
    start: jobs.map((at) => decoder.startOf(at)),
  });
  return sequences.longest === decoder.endOf(last) ? sequences : null;
}

/**
 * Shortens the longest chain of a plan for as long as `goesOn` says, asked before each turn with how many there were:
 * the best plan so far. Each shorter one is decoded; where that comes out longer, people or hours have their say, and
 * it ends.
 */
export function shorten(
  decoder: Decoder,
  start: Costed,
  random: Random,
  goesOn: (turns: number) => boolean,
  better: (cost: number) => void,
): Costed {
  const choice = copyOf(start.choice);
  let best = { choice: copyOf(choice), cost: decoder.decode(choice) };
  const sequences = sequencesOf(decoder);
  if (!sequences) return best;
  for (let at = 0; at < decoder.shop.count; at++) choice.room[choice.visit[at]!] = decoder.roomOfJob(at);
  const shortening = new Shortening(sequences, random);
  for (let turns = 0; goesOn(turns); turns++) {
    const shorter = shortening.step();
    if (shorter === null) break;
    if (!shorter) continue;
    choice.order.set(sequences.order());
    const cost = decoder.decode(choice);
    if (cost < best.cost) {
      best = { choice: copyOf(choice), cost };
      better(cost);
    }
    if (decoder.endOf(decoder.lastEnding()) > sequences.longest) break;
  }
  return best;
}
