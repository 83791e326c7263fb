import type { PlanWeights } from '../weights-form';
import { type Model, type ModelJob, NEVER, type Span } from './model';
import { freeTime, pinnedStays, type Room, roomsOf, type Stay } from './shop';

/** A slot a caller was promised: moving it costs. */
export interface Promised {
  start: number;
  bay: number;
}

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

/** How many order positions lie between two stored states. */
export const STRIDE = 12;
/** Free spans of one technician that are kept in mind; beyond it the shortest is forgotten, which only loses chances. */
const SPARE_SPANS = 24;

const zeros = (size: number) => new Int32Array(Math.max(1, size));

/** Everything a decoder reads and writes: a shop in figures, and its state as one array of integers, kept at several places of the order. */
export abstract class DecoderState {
  /** The model's jobs that are free to move: neither pinned nor unfit. */
  readonly free: number[];
  readonly count: number;
  readonly rooms: Room[];
  readonly stays: Stay[];
  /** Decodes begun so far. */
  decodes = 0;

  /** Whether anything holds a trailer or can be late: else only when the last job ends counts, and set-ups. */
  readonly isHeldOrLate: boolean;
  readonly trailer: Int32Array;
  readonly kind: Int32Array;
  readonly outOfService: Uint8Array;
  /** The free jobs of each trailer, by its number among those that have any. */
  readonly jobsOf: number[][] = [];
  readonly roomFits: (kinds: number) => number[];
  readonly crew: number[][];

  protected readonly minutes: Int32Array;
  protected readonly people: Int32Array;
  protected readonly release: Int32Array;
  protected readonly latest: Int32Array;
  protected readonly due: Float64Array;
  protected readonly lateWeight: Float64Array;
  protected readonly leastLate: Float64Array;
  protected readonly promisedStart: Int32Array;
  protected readonly promisedBay: Int32Array;
  protected readonly group: Int32Array;
  protected readonly off: Int32Array;
  protected readonly on: Int32Array;
  protected readonly groupOnTrailer: Int32Array;
  protected readonly splits: Uint8Array;
  protected readonly before: number[][];
  protected readonly pairBase: Int32Array;
  protected readonly shunt: number;
  protected readonly hasAfter: boolean;
  protected readonly shortest: number;
  protected readonly horizon: number;
  protected readonly roomKinds: Int32Array;
  protected readonly roomTo: Int32Array;
  protected readonly roomBefore: Int32Array;
  protected readonly roomOnly: Int32Array;
  protected readonly trailerOfStay: Int32Array;
  protected readonly roomFlex: Int32Array;
  protected readonly roomHours: Int32Array;
  protected readonly hours: (readonly Span[] | null)[];
  /** When each trailer is worked on by what is pinned, in order. */
  protected readonly fixedOf: Span[][] = [];
  protected readonly spanRoom: number;

  // Of the choice being decoded.
  protected order: Int32Array;
  protected visit: Int32Array;
  protected visitRoom: Int32Array;
  protected person: Int32Array;
  protected readonly position: Int32Array;
  protected readonly visitSize: Int32Array;
  protected readonly visitKinds: Int32Array;
  protected readonly pairSize: Int32Array;

  // The state as it is built: one array, so that it is stored and compared at once.
  protected readonly state: Int32Array;
  protected readonly stateSize: number;
  protected readonly atRoomFree: number;
  protected readonly atRoomVisit: number;
  protected readonly atRoomStay: number;
  protected readonly atVisitRoom: number;
  protected readonly atVisitDone: number;
  protected readonly atVisitStay: number;
  protected readonly atTrailerEnd: number;
  protected readonly atTrailerVisit: number;
  protected readonly atTrailerStay: number;
  protected readonly atHoldingLeft: number;
  protected readonly atHeldEnd: number;
  protected readonly atPairDone: number;
  protected readonly atPairPaid: number;
  protected readonly atGroupStay: number;
  protected readonly atPlaced: number;
  protected readonly atSpans: number;
  protected readonly atSpanFrom: number;
  protected readonly atSpanTo: number;

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
  protected readonly mostPeople: number;
  protected readonly kept: {
    start: Int32Array;
    end: Int32Array;
    roomOf: Int32Array;
    setup: Int32Array;
    putAt: Int32Array;
    team: Int32Array;
  };

  // Stored states of what is kept, and of what is tried.
  protected readonly points: number;
  protected keptStates: Int32Array[];
  protected keptCosts: Float64Array;
  protected triedStates: Int32Array[];
  protected triedCosts: Float64Array;
  protected keptCost = Number.POSITIVE_INFINITY;
  protected triedFrom = 0;
  protected triedTo = 0;
  /** What the rest costs more than as it is kept, where the state came out again; null where all was decoded. */
  protected rest: number | null = null;

  protected readonly sumWeights: PlanWeights['sum'];
  protected readonly movedWeight: number;
  protected readonly team1: Int32Array;
  protected readonly found: Int32Array;
  protected readonly reach: Int32Array;

  constructor(
    readonly model: Model,
    promised: ReadonlyMap<number, Promised> = new Map(),
    /** Whether a visit may be part of the pinned stay that follows it in its room. */
    protected readonly joining = true,
  ) {
    this.sumWeights = model.weights.sum;
    this.movedWeight = model.weights.movedSlot;
    this.free = model.jobs.flatMap((job, index) => (job.pinned || model.unfit.has(index) ? [] : [index]));
    const n = this.free.length;
    this.count = n;
    const jobs = this.free.map((index) => model.jobs[index] as ModelJob);
    const own = new Map(this.free.map((index, at) => [index, at]));
    const trailers = new Map<number, number>();
    for (const { trailer } of jobs) if (!trailers.has(trailer)) trailers.set(trailer, trailers.size);
    this.trailer = Int32Array.from(jobs, ({ trailer }) => trailers.get(trailer) ?? 0);
    for (let at = 0; at < trailers.size; at++) this.jobsOf.push([]);
    for (let at = 0; at < n; at++) this.jobsOf[this.trailer[at]!]!.push(at);
    this.kind = Int32Array.from(jobs, ({ kind }) => kind);
    this.outOfService = Uint8Array.from(jobs, ({ outOfService }) => (outOfService ? 1 : 0));
    this.minutes = Int32Array.from(jobs, ({ minutes }) => minutes);
    this.people = Int32Array.from(jobs, ({ people }) => people);
    this.due = Float64Array.from(jobs, ({ due }) => due);
    this.isHeldOrLate = jobs.some(({ outOfService, due }) => outOfService || due < NEVER);
    this.lateWeight = Float64Array.from(jobs, ({ weight }) => weight * this.sumWeights.weightedLateness);
    this.splits = Uint8Array.from(jobs, ({ splits }) => (splits ? 1 : 0));
    this.crew = jobs.map(({ crew }) => crew);
    this.before = jobs.map(({ after }) => after.flatMap((each) => own.get(each) ?? []));
    this.hasAfter = this.before.some((each) => each.length > 0);
    this.release = Int32Array.from(jobs, ({ release, after }) =>
      after.reduce((latest, each) => Math.max(latest, model.jobs[each]?.pinned?.end ?? 0), release),
    );
    this.latest = zeros(n).fill(NEVER);
    this.findLatest(jobs);
    this.promisedStart = Int32Array.from(this.free, (index) => promised.get(index)?.start ?? NEVER);
    this.promisedBay = Int32Array.from(this.free, (index) => promised.get(index)?.bay ?? -1);
    this.shunt = model.shunt;
    this.horizon = model.horizon;
    this.shortest = Math.max(1, Math.min(NEVER, ...jobs.map(({ minutes }) => minutes)));
    this.mostPeople = Math.max(1, ...jobs.map(({ people }) => people));

    // Set-up groups: of a trailer's visits, each has one pair with each of the trailer's groups.
    this.group = Int32Array.from(jobs, ({ group }) => group);
    this.off = Int32Array.from(jobs, ({ group }) => model.groups[group]?.off ?? 0);
    this.on = Int32Array.from(jobs, ({ group }) => model.groups[group]?.on ?? 0);
    this.groupOnTrailer = zeros(n).fill(-1);
    this.pairBase = zeros(n);
    let pairs = 0;
    for (const here of this.jobsOf) {
      const groups = [...new Set(here.map((at) => this.group[at]!).filter((group) => group >= 0))];
      for (const at of here) {
        this.groupOnTrailer[at] = groups.indexOf(this.group[at]!);
        this.pairBase[at] = pairs;
        pairs += groups.length;
      }
    }

    this.stays = pinnedStays(model);
    this.rooms = roomsOf(model, this.stays);
    const r = this.rooms.length;
    this.roomKinds = Int32Array.from(this.rooms, ({ bay }) => model.bays[bay]?.kinds ?? 0);
    this.roomTo = Int32Array.from(this.rooms, ({ to }) => to);
    this.roomBefore = Int32Array.from(this.rooms, ({ before }) => before);
    this.roomOnly = Int32Array.from(this.rooms, ({ only }) => (only < 0 ? -1 : (trailers.get(only) ?? this.count)));
    this.trailerOfStay = Int32Array.from(this.stays, ({ trailer }) => trailers.get(trailer) ?? -1);
    this.roomFlex = Int32Array.from(this.rooms, ({ bay }) => model.bays[bay]?.flexibility ?? 0);
    const kindsOfHours = new Map<string, number>();
    const hours: (readonly Span[] | null)[] = [];
    this.roomHours = Int32Array.from(this.rooms, ({ bay }) => {
      const open = model.bays[bay]?.open ?? [];
      const key = JSON.stringify(open);
      const known = kindsOfHours.get(key);
      if (known !== undefined) return known;
      const [only] = open;
      hours.push(only && only.from <= 0 && only.to >= model.horizon ? null : open);
      kindsOfHours.set(key, hours.length - 1);
      return hours.length - 1;
    });
    this.hours = hours;
    const fits = new Map<number, number[]>();
    this.roomFits = (kinds) => {
      const known = fits.get(kinds);
      if (known) return known;
      const list = this.rooms.flatMap((_, at) => ((kinds & ~this.roomKinds[at]!) === 0 ? [at] : []));
      fits.set(kinds, list);
      return list;
    };
    for (const [trailer, at] of trailers)
      this.fixedOf[at] = this.stays.flatMap((stay) => (stay.trailer === trailer ? stay.slots : []));

    const time = freeTime(model);
    const people = time.length;
    this.spanRoom = SPARE_SPANS + Math.max(0, ...time.map((spans) => spans.length));
    let size = 1;
    const take = (length: number) => {
      const at = size;
      size += length;
      return at;
    };
    this.atRoomFree = take(r);
    this.atRoomVisit = take(r);
    this.atRoomStay = take(r);
    this.atVisitRoom = take(n);
    this.atVisitDone = take(n);
    this.atVisitStay = take(n);
    this.atTrailerEnd = take(trailers.size);
    this.atTrailerVisit = take(trailers.size);
    this.atTrailerStay = take(trailers.size);
    this.atHoldingLeft = take(trailers.size);
    this.atHeldEnd = take(trailers.size);
    this.atPairDone = take(pairs);
    this.atPairPaid = take(pairs);
    this.atGroupStay = take(model.groups.length);
    this.atPlaced = take(n);
    this.atSpans = take(people);
    this.atSpanFrom = take(people * this.spanRoom);
    this.atSpanTo = take(people * this.spanRoom);
    this.stateSize = size;
    this.state = zeros(size);
    this.points = Math.ceil((n + 1) / STRIDE) + 1;
    const states = () => Array.from({ length: this.points }, () => zeros(size));
    this.keptStates = states();
    this.triedStates = states();
    this.keptCosts = new Float64Array(this.points);
    this.triedCosts = new Float64Array(this.points);

    this.order = zeros(n);
    this.visit = zeros(n);
    this.visitRoom = zeros(n);
    this.person = zeros(n);
    this.position = zeros(n);
    this.visitSize = zeros(n);
    this.visitKinds = zeros(n);
    this.pairSize = zeros(pairs);
    this.busy = new Uint8Array(Math.max(1, n));
    const puts = () => ({
      start: zeros(n),
      end: zeros(n),
      roomOf: zeros(n),
      setup: zeros(n),
      putAt: zeros(n),
      team: zeros(n * this.mostPeople),
    });
    this.kept = puts();
    const now = puts();
    this.start = now.start;
    this.end = now.end;
    this.roomOf = now.roomOf;
    this.setup = now.setup;
    this.putAt = now.putAt;
    this.team = now.team;
    this.team1 = zeros(this.mostPeople);
    this.found = zeros(this.mostPeople);
    this.reach = zeros(people);

    this.leastLate = new Float64Array(Math.max(1, n));
    this.firstState(time, jobs);
  }

  /** Work that must be done before something pinned: what it waits for, and what holds the trailer it is on. */
  protected findLatest(jobs: readonly ModelJob[]): void {
    const { model } = this;
    for (const each of model.jobs) {
      if (!each.pinned || each.pinned.begun) continue;
      for (const before of each.after) {
        const at = this.free.indexOf(before);
        if (at >= 0) this.latest[at] = Math.min(this.latest[at]!, each.pinned.start);
      }
      if (each.outOfService) continue;
      for (const [at, job] of jobs.entries())
        if (job.outOfService && job.trailer === each.trailer)
          this.latest[at] = Math.min(this.latest[at]!, each.pinned.start);
    }
    // What another free job waits for must leave it its time.
    for (let round = 0; round < jobs.length; round++) {
      let moved = false;
      for (let at = 0; at < jobs.length; at++)
        for (const before of this.before[at]!) {
          const by = this.latest[at]! - this.minutes[at]!;
          if (this.latest[at]! < NEVER && by < this.latest[before]!) {
            this.latest[before] = by;
            moved = true;
          }
        }
      if (!moved) break;
    }
  }

  /** The state before the first job, and what any plan costs at least. */
  protected firstState(time: readonly Span[][], jobs: readonly ModelJob[]): void {
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
      for (const [index, { from, to }] of spans.entries()) {
        S[this.atSpanFrom + person * this.spanRoom + index] = from;
        S[this.atSpanTo + person * this.spanRoom + index] = to;
      }
    }
    this.triedStates[0]!.set(S);
    this.keptCosts[0] = cost;
    this.triedCosts[0] = cost;
  }
}
