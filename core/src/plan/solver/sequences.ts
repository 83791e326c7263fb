import type { Random } from '../../chance';

/** Where jobs stand in a plan: minutes each takes and may begin at the soonest, its room, its trailer, when it begins. */
export interface Standing {
  minutes: number[];
  release: number[];
  room: number[];
  trailer: number[];
  start: number[];
}

/** What comes before and behind each job, in its room and on its trailer, seen from one end of the plan; -1 for nothing. */
interface Side {
  before: Int32Array;
  behind: Int32Array;
  ownBefore: Int32Array;
  ownBehind: Int32Array;
  /** The longest chain of jobs that ends where a job begins, and how long it is at least. */
  head: Int32Array;
  least: Int32Array;
}

/** A job that goes over to just behind another of its room, seen from one end. */
export interface Turn {
  side: 0 | 1;
  job: number;
  behind: number;
}

const nothing = (count: number) => new Int32Array(count).fill(-1);

/** Links jobs that follow each other where they share something. */
function link(order: readonly number[], shared: readonly number[], before: Int32Array, behind: Int32Array): void {
  const last = new Map<number, number>();
  for (const job of order) {
    const one = last.get(shared[job]!);
    if (one !== undefined) {
      before[job] = one;
      behind[one] = job;
    }
    last.set(shared[job]!, job);
  }
}

/**
 * A plan as nothing but the order in which jobs follow each other in rooms and on trailers, as if there were always
 * people: the chains of jobs that wait for each other, and what turning two of them round does to the longest.
 */
export class Sequences {
  readonly count: number;
  private readonly minutes: Int32Array;
  private readonly sides: [Side, Side];
  private readonly waits: Int32Array;
  private readonly ordered: Int32Array;
  private readonly heads: Int32Array;
  /** Minutes from now until the last job ends. */
  longest = 0;

  constructor({ minutes, release, room, trailer, start }: Standing) {
    const count = minutes.length;
    this.count = count;
    this.minutes = Int32Array.from(minutes);
    const [before, behind, ownBefore, ownBehind] = [nothing(count), nothing(count), nothing(count), nothing(count)];
    const order = [...minutes.keys()].sort((a, b) => start[a]! - start[b]!);
    link(order, room, before, behind);
    link(order, trailer, ownBefore, ownBehind);
    const [head, tail, least] = [new Int32Array(count), new Int32Array(count), Int32Array.from(release)];
    this.sides = [
      { before, behind, ownBefore, ownBehind, head, least },
      {
        before: behind,
        behind: before,
        ownBefore: ownBehind,
        ownBehind: ownBefore,
        head: tail,
        least: new Int32Array(count),
      },
    ];
    this.waits = new Int32Array(count);
    this.ordered = new Int32Array(count);
    this.heads = new Int32Array(count);
    this.measure();
  }

  /** The jobs as they begin, each behind what it waits for. */
  order(): Int32Array {
    const { head } = this.sides[0];
    return Int32Array.from([...this.ordered].sort((a, b) => head[a]! - head[b]!));
  }

  /** What follows what in the rooms, to be taken up again by {@link restore}. */
  kept(): [before: Int32Array, behind: Int32Array] {
    const { before, behind } = this.sides[0];
    return [Int32Array.from(before), Int32Array.from(behind)];
  }

  restore([before, behind]: readonly [Int32Array, Int32Array]): void {
    this.sides[0].before.set(before);
    this.sides[0].behind.set(behind);
    this.measure();
  }

  /** Makes a turn, and measures all chains anew. */
  make({ side, job, behind }: Turn): void {
    const { before: prior, behind: next } = this.sides[side];
    const [from, first, then] = [prior[job]!, next[job]!, next[behind]!];
    if (from >= 0) next[from] = first;
    prior[first] = from;
    next[behind] = job;
    prior[job] = behind;
    next[job] = then;
    if (then >= 0) prior[then] = job;
    this.measure();
  }

  /** The jobs a turn puts before its own, in their order. */
  passed({ side, job, behind }: Turn, each: (other: number) => void): void {
    const next = this.sides[side].behind;
    for (let other = next[job]!; ; other = next[other]!) {
      each(other);
      if (other === behind) return;
    }
  }

  private measure(): void {
    const { minutes, count, waits, ordered } = this;
    const [{ before, behind, ownBefore, ownBehind }] = this.sides;
    let known = 0;
    for (let job = 0; job < count; job++) {
      waits[job] = (before[job]! >= 0 ? 1 : 0) + (ownBefore[job]! >= 0 ? 1 : 0);
      if (waits[job] === 0) ordered[known++] = job;
    }
    this.longest = 0;
    for (let at = 0; at < known; at++) {
      const job = ordered[at]!;
      const head = this.headOf(0, job, before[job]!);
      this.sides[0].head[job] = head;
      if (head + minutes[job]! > this.longest) this.longest = head + minutes[job]!;
      const [one, other] = [behind[job]!, ownBehind[job]!];
      if (one >= 0 && --waits[one]! === 0) ordered[known++] = one;
      if (other >= 0 && --waits[other]! === 0) ordered[known++] = other;
    }
    for (let at = count - 1; at >= 0; at--) {
      const job = ordered[at]!;
      this.sides[1].head[job] = this.headOf(1, job, behind[job]!);
    }
  }

  /** When a job begins behind another – -1 for none – of its room, seen from one side. */
  private headOf(side: 0 | 1, job: number, before: number): number {
    const { head, least, ownBefore } = this.sides[side];
    const { minutes } = this;
    let begins = least[job]!;
    if (before >= 0 && head[before]! + minutes[before]! > begins) begins = head[before]! + minutes[before]!;
    const own = ownBefore[job]!;
    if (own >= 0 && head[own]! + minutes[own]! > begins) begins = head[own]! + minutes[own]!;
    return begins;
  }

  /** About how long the longest chain through the jobs of a turn would be; infinite where jobs might wait in a circle. */
  lengthAfter({ side, job, behind: last }: Turn): number {
    const { minutes, heads } = this;
    const { before, behind, ownBefore, ownBehind, head, least } = this.sides[side];
    const other = this.sides[1 - side]!;
    const own = ownBehind[job]!;
    const tail = other.head;
    const waits = own === last || (own >= 0 && tail[last]! + minutes[last]! < tail[own]! + minutes[own]!);
    if (waits) return Number.POSITIVE_INFINITY;
    const from = before[job]!;
    let begins = from >= 0 ? head[from]! + minutes[from]! : 0;
    const fit = (each: number) => {
      const mate = ownBefore[each]!;
      begins = Math.max(begins, least[each]!, mate >= 0 ? head[mate]! + minutes[mate]! : 0);
      heads[each] = begins;
      begins += minutes[each]!;
    };
    for (let each = behind[job]!; ; each = behind[each]!) {
      fit(each);
      if (each === last) break;
    }
    fit(job);
    const next = behind[last]!;
    let left = next >= 0 ? tail[next]! + minutes[next]! : 0;
    let longest = 0;
    const through = (each: number) => {
      const mate = ownBehind[each]!;
      left = Math.max(left, other.least[each]!, mate >= 0 ? tail[mate]! + minutes[mate]! : 0) + minutes[each]!;
      if (heads[each]! + left > longest) longest = heads[each]! + left;
    };
    through(job);
    for (let each = last; each !== job; each = before[each]!) through(each);
    return longest;
  }

  /** One of the longest chains, as the runs of jobs in it that follow each other in one room; the last run first, its last job first. */
  runs(random: Random): number[][] {
    const { minutes, count } = this;
    const { head, before, ownBefore } = this.sides[0];
    const lasts = Array.from({ length: count }, (_, job) => job).filter(
      (job) => head[job]! + minutes[job]! === this.longest,
    );
    let job = lasts[random.below(lasts.length)]!;
    let run = [job];
    const runs = [run];
    const binds = (other: number) => other >= 0 && head[other]! + minutes[other]! === head[job];
    for (;;) {
      const [inRoom, own] = [before[job]!, ownBefore[job]!];
      const [bindsInRoom, bindsOwn] = [binds(inRoom), binds(own)];
      if (!bindsInRoom && !bindsOwn) return runs;
      const stays = bindsInRoom && (!bindsOwn || random.next() < 0.5);
      job = stays ? inRoom : own;
      if (stays) run.push(job);
      else {
        run = [job];
        runs.push(run);
      }
    }
  }
}
