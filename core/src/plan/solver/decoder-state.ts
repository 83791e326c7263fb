import { type Promised, zeros } from './decoder-jobs';
import { DecoderLayout } from './decoder-layout';
import type { Model } from './figures';

/** What the search varies. Jobs are counted among those that are free to move: see {@link Decoder.free}. */
export interface Choice {
  /** The order in which jobs are given their place. */
  order: Int32Array;
  /** The visit of each job; a trailer's visits are numbered from its first free job on. */
  visit: Int32Array;
  /** The room a visit must stand in; -1 where the first that is free will do. */
  room: Int32Array;
  /** A technician who must be among those of a job; -1 where anybody with the skill will do. */
  person: Int32Array;
}

/**
 * What it costs that a visit goes on in the room of the one before, with set-up that one has ended already: the wheels
 * would be off again without time for it. As one visit the two share it as they should. A shop of few jobs finds that
 * one; in a large one the search gets on better over plans that have some of it. All of it together is less than a job
 * without a place.
 */
const OFF_AGAIN = { few: 1e7, many: 1e4 };
/** Jobs that are few: a search comes near the best plan of them, and can afford what takes many decodes. */
export const FEW = 40;

const putsOf = (n: number, mostPeople: number) => ({
  start: zeros(n),
  end: zeros(n),
  roomOf: zeros(n),
  setup: zeros(n),
  putAt: zeros(n),
  team: zeros(n * mostPeople),
});

/** The state of a decoder: of the choice in hand, and of what was kept last. */
export abstract class DecoderState extends DecoderLayout {
  /** Decodes begun so far. */
  decodes = 0;

  // Of the choice being decoded.
  protected order: Int32Array;
  protected visit: Int32Array;
  protected visitRoom: Int32Array;
  protected person: Int32Array;
  protected readonly position: Int32Array;
  protected readonly visitSize: Int32Array;
  protected readonly visitKinds: Int32Array;
  protected readonly pairSize: Int32Array;
  protected readonly leastLate: Float64Array;

  protected readonly offAgain: number;
  protected cost = 0;
  protected limit = Number.POSITIVE_INFINITY;
  protected broken = false;
  protected at = 0;
  protected depth = 0;
  protected readonly busy: Uint8Array;

  // Where each job was put: of the choice in hand, and as it last was kept.
  protected readonly start: Int32Array;
  protected readonly end: Int32Array;
  protected readonly roomOf: Int32Array;
  protected readonly setup: Int32Array;
  protected readonly putAt: Int32Array;
  protected readonly team: Int32Array;
  protected readonly kept: ReturnType<typeof putsOf>;

  protected keptCost = Number.POSITIVE_INFINITY;
  protected triedFrom = 0;
  protected triedTo = 0;
  /** What the rest costs more than as it is kept, where the state came out again; null where all was decoded. */
  protected rest: number | null = null;
  protected readonly team1: Int32Array;
  protected readonly found: Int32Array;
  protected readonly reach: Int32Array;

  constructor(
    model: Model,
    promised: ReadonlyMap<number, Promised> = new Map(),
    /** Whether a visit may be part of the pinned stay that follows it in its room. */
    protected readonly joining = true,
  ) {
    super(model, promised);
    const n = this.count;
    this.offAgain = n <= FEW ? OFF_AGAIN.few : OFF_AGAIN.many;
    this.order = zeros(n);
    this.visit = zeros(n);
    this.visitRoom = zeros(n);
    this.person = zeros(n);
    this.position = zeros(n);
    this.visitSize = zeros(n);
    this.visitKinds = zeros(n);
    this.pairSize = zeros(this.pairs);
    this.busy = new Uint8Array(Math.max(1, n));
    this.kept = putsOf(n, this.mostPeople);
    const now = putsOf(n, this.mostPeople);
    this.start = now.start;
    this.end = now.end;
    this.roomOf = now.roomOf;
    this.setup = now.setup;
    this.putAt = now.putAt;
    this.team = now.team;
    this.team1 = zeros(this.mostPeople);
    this.found = zeros(this.mostPeople);
    this.reach = zeros(this.time.length);
    this.leastLate = new Float64Array(Math.max(1, n));
    this.firstState();
  }

  /** The state before the first job, and what any plan costs at least. */
  private firstState(): void {
    const { time } = this;
    const jobs = this.freeJobs();
    const S = this.keptStates[0]!;
    S[0] = 0;
    for (const [at, room] of this.rooms.entries()) {
      S[this.atRoomFree + at] = room.from;
      S[this.atRoomStay + at] = room.after >= 0 ? this.count + 1 + room.after : 0;
    }
    for (let at = 0; at < this.count; at++) S[this.atVisitRoom + at] = -1;
    const pinned = this.model.jobs.filter((job) => job.pinned);
    for (const job of pinned) if (job.pinned!.end > S[0]!) S[0] = job.pinned!.end;
    let cost = S[0]! * this.sumWeights.makespanMinutes;
    for (const job of pinned) {
      cost += job.weight * this.sumWeights.weightedLateness * Math.max(0, job.pinned!.end - job.due);
      cost += this.sumWeights.setupMinutes * job.pinned!.setup;
    }
    const heldAlready = new Map<number, number>();
    for (const job of pinned)
      if (job.outOfService) heldAlready.set(job.trailer, Math.max(heldAlready.get(job.trailer) ?? 0, job.pinned!.end));
    for (const end of heldAlready.values()) cost += this.sumWeights.heldMinutes * Math.max(0, end);
    for (const [at, job] of jobs.entries()) {
      const trailer = this.trailer[at]!;
      this.leastLate[at] = this.lateWeight[at]! * Math.max(0, this.release[at]! + job.minutes - job.due);
      cost += this.leastLate[at]!;
      if (!job.outOfService) continue;
      S[this.atHoldingLeft + trailer] = S[this.atHoldingLeft + trailer]! + 1;
      const known = S[this.atHeldEnd + trailer] || (heldAlready.get(job.trailer) ?? 0);
      const least = Math.max(known, this.release[at]! + job.minutes);
      cost += this.sumWeights.heldMinutes * (least - known);
      S[this.atHeldEnd + trailer] = least;
    }
    for (const [stay, { trailer, slots, groups }] of this.stays.entries()) {
      const own = jobs.findIndex((job) => job.trailer === trailer);
      for (const group of groups) if (group >= 0) S[this.atGroupStay + group] = this.count + 1 + stay;
      if (own < 0) continue;
      const at = this.trailer[own]!;
      // A trailer that is worked on now goes on from there; what is pinned for later is gone round.
      for (const slot of slots)
        if (slot.from <= 0) S[this.atTrailerEnd + at] = Math.max(S[this.atTrailerEnd + at]!, slot.to);
      S[this.atTrailerStay + at] = this.count + 1 + stay;
    }
    for (const [person, spans] of time.entries()) {
      S[this.atSpans + person] = spans.length;
      for (const [index, { from, to }] of [...spans].reverse().entries()) {
        S[this.atSpanFrom + person * this.spanRoom + index] = from;
        S[this.atSpanTo + person * this.spanRoom + index] = to;
      }
    }
    this.triedStates[0]!.set(S);
    this.keptCosts[0] = cost;
    this.triedCosts[0] = cost;
  }
}
