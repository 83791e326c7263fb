import type { PlanWeights } from '../weights';
import { type Model, type ModelJob, NEVER, type Span } from './model';
import { freeTime, pinnedStays, type Room, roomsOf, type Stay } from './shop';
import { common } from './spans';
import { endOfSplit, openFrom, teams } from './stretch';

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
const STRIDE = 12;
/** Past the last change by so many positions, an attempt that already costs so many times what may be added is given up. */
const PAST = 12;
const HOPELESS = 3;
/** Free spans of one technician that are kept in mind; beyond it the shortest is forgotten, which only loses chances. */
const SPARE_SPANS = 24;
/** What a job without a place costs beyond being late and held until the horizon. */
const UNPLACED = 1e9;
/** Where a job was put. */
export interface Put {
  job: number;
  bay: number;
  technicians: number[];
  start: number;
  end: number;
  setup: number;
}

const zeros = (size: number) => new Int32Array(Math.max(1, size));

/**
 * Gives every job of a {@link Choice} its place, one after the other in the order: the earliest start that its visit, its
 * room, its crew and what it waits for allow. Decodes again only from the first place that changed: the states before
 * it are kept every few positions, and where a state comes out as it was, the rest is known.
 */
export class Decoder {
  /** The model's jobs that are free to move: neither pinned nor unfit. */
  readonly free: number[];
  readonly count: number;
  readonly rooms: Room[];
  readonly stays: Stay[];
  /** Decodes begun so far. */
  decodes = 0;

  readonly trailer: Int32Array;
  readonly kind: Int32Array;
  readonly outOfService: Uint8Array;
  /** The free jobs of each trailer, by its number among those that have any. */
  readonly jobsOf: number[][] = [];
  readonly roomFits: (kinds: number) => number[];
  readonly crew: number[][];

  private readonly minutes: Int32Array;
  private readonly people: Int32Array;
  private readonly release: Int32Array;
  private readonly latest: Int32Array;
  private readonly due: Float64Array;
  private readonly lateWeight: Float64Array;
  private readonly leastLate: Float64Array;
  private readonly promisedStart: Int32Array;
  private readonly promisedBay: Int32Array;
  private readonly group: Int32Array;
  private readonly off: Int32Array;
  private readonly on: Int32Array;
  private readonly groupOnTrailer: Int32Array;
  private readonly splits: Uint8Array;
  private readonly before: number[][];
  private readonly pairBase: Int32Array;
  private readonly shunt: number;
  private readonly hasAfter: boolean;
  private readonly shortest: number;
  private readonly horizon: number;
  private readonly roomKinds: Int32Array;
  private readonly roomTo: Int32Array;
  private readonly roomBefore: Int32Array;
  private readonly roomOnly: Int32Array;
  private readonly trailerOfStay: Int32Array;
  private readonly roomFlex: Int32Array;
  private readonly roomHours: Int32Array;
  private readonly hours: (readonly Span[] | null)[];
  /** When each trailer is worked on by what is pinned, in order. */
  private readonly fixedOf: Span[][] = [];
  private readonly spanRoom: number;

  // Of the choice being decoded.
  private order: Int32Array;
  private visit: Int32Array;
  private visitRoom: Int32Array;
  private person: Int32Array;
  private readonly position: Int32Array;
  private readonly visitSize: Int32Array;
  private readonly visitKinds: Int32Array;
  private readonly pairSize: Int32Array;

  // The state as it is built: one array, so that it is stored and compared at once.
  private readonly state: Int32Array;
  private readonly stateSize: number;
  private readonly atRoomFree: number;
  private readonly atRoomVisit: number;
  private readonly atRoomStay: number;
  private readonly atVisitRoom: number;
  private readonly atVisitDone: number;
  private readonly atVisitStay: number;
  private readonly atTrailerEnd: number;
  private readonly atTrailerVisit: number;
  private readonly atTrailerStay: number;
  private readonly atHoldingLeft: number;
  private readonly atHeldEnd: number;
  private readonly atPairDone: number;
  private readonly atPairPaid: number;
  private readonly atGroupStay: number;
  private readonly atPlaced: number;
  private readonly atSpans: number;
  private readonly atSpanFrom: number;
  private readonly atSpanTo: number;

  private cost = 0;
  private limit = Number.POSITIVE_INFINITY;
  private broken = false;
  private at = 0;
  private depth = 0;
  private readonly busy: Uint8Array;

  // Where each job was put: of the choice in hand, and as it last was kept.
  private readonly start: Int32Array;
  private readonly end: Int32Array;
  private readonly roomOf: Int32Array;
  private readonly setup: Int32Array;
  private readonly putAt: Int32Array;
  private readonly team: Int32Array;
  private readonly mostPeople: number;
  private readonly kept: {
    start: Int32Array;
    end: Int32Array;
    roomOf: Int32Array;
    setup: Int32Array;
    putAt: Int32Array;
    team: Int32Array;
  };

  // Stored states of what is kept, and of what is tried.
  private readonly points: number;
  private keptStates: Int32Array[];
  private keptCosts: Float64Array;
  private triedStates: Int32Array[];
  private triedCosts: Float64Array;
  private keptCost = Number.POSITIVE_INFINITY;
  private triedFrom = 0;
  private triedTo = 0;
  /** What the rest costs more than as it is kept, where the state came out again; null where all was decoded. */
  private rest: number | null = null;

  private readonly sumWeights: PlanWeights['sum'];
  private readonly movedWeight: number;
  private readonly team1: Int32Array;
  private readonly found: Int32Array;
  private readonly reach: Int32Array;

  constructor(
    readonly model: Model,
    promised: ReadonlyMap<number, Promised> = new Map(),
    /** Whether a visit may be part of the pinned stay that follows it in its room. */
    private readonly joining = true,
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
  private findLatest(jobs: readonly ModelJob[]): void {
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
  private firstState(time: readonly Span[][], jobs: readonly ModelJob[]): void {
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

  /** The cost of a choice, decoded whole, and kept. */
  decode(choice: Choice): number {
    this.take(choice);
    const cost = this.run(0, this.count, Number.POSITIVE_INFINITY);
    this.keep(cost);
    return cost;
  }

  /**
   * The cost of a choice that differs from the kept one only between order positions `from` and `to`; given up as soon as it costs more than `limit`,
   * and then infinite. It is kept by {@link keep}, or forgotten by {@link forget}.
   */
  attempt(choice: Choice, from: number, to: number, limit: number): number {
    this.take(choice);
    return this.run(Math.min(from, this.count), to, limit);
  }

  /** The first position of the order at which a visit's jobs were put, as it is kept; of all jobs of a trailer. */
  firstPut(trailer: number): number {
    let first = this.count;
    for (const at of this.jobsOf[trailer]!) if (this.kept.putAt[at]! < first) first = this.kept.putAt[at]!;
    return first;
  }
  /** The position at which a job was put: its own, or where something made it come sooner. */
  putPosition(at: number): number {
    return this.kept.putAt[at]!;
  }
  /** The stay that a job's visit belongs to, as it was decoded last: visits that follow each other in one room are one. */
  stayOf(at: number): number {
    return this.state[this.atVisitStay + this.visit[at]!]!;
  }
  /** When a job must be done at the latest, for something pinned. */
  latestOf(at: number): number {
    return this.latest[at]!;
  }
  startOf(at: number): number {
    return this.kept.start[at]!;
  }

  private take({ order, visit, room, person }: Choice): void {
    this.order = order;
    this.visit = visit;
    this.visitRoom = room;
    this.person = person;
    const { position, visitSize, visitKinds, pairSize, count } = this;
    visitSize.fill(0);
    visitKinds.fill(0);
    pairSize.fill(0);
    for (let index = 0; index < count; index++) {
      const at = order[index]!;
      position[at] = index;
      const own = visit[index]!;
      visitSize[own]!++;
      visitKinds[own]! |= this.kind[index]!;
      const group = this.groupOnTrailer[index]!;
      if (group >= 0) pairSize[this.pairBase[own]! + group]!++;
    }
  }

  private run(from: number, to: number, limit: number): number {
    this.decodes++;
    const point = Math.floor(from / STRIDE);
    const S = this.state;
    S.set(this.keptStates[point]!);
    this.cost = this.keptCosts[point]!;
    this.limit = limit;
    this.broken = false;
    this.triedFrom = point;
    this.triedTo = point;
    this.rest = null;
    const { order, count, atPlaced } = this;
    // Past the last change the kept states may come out again: then the rest is known.
    for (let index = point * STRIDE; index < count; index++) {
      if (index % STRIDE === 0 && index > point * STRIDE) {
        const here = index / STRIDE;
        this.triedStates[here]!.set(S);
        this.triedCosts[here] = this.cost;
        this.triedTo = here;
        if (index > to && !this.hasAfter && this.isAsKept(here)) {
          this.rest = this.cost - this.keptCosts[here]!;
          return this.keptCost + this.rest;
        }
        // How late the last job is so far says nothing yet of how late the last of all will be.
        const later = this.sumWeights.makespanMinutes * (S[0]! - this.keptStates[here]![0]!);
        const added = this.cost - this.keptCosts[here]! - later;
        if (index >= to + PAST && added > (limit - this.keptCost) * HOPELESS) return Number.POSITIVE_INFINITY;
      }
      const at = order[index]!;
      if (S[atPlaced + at] !== 0) continue;
      this.at = index;
      if (!this.place(at) || this.broken) {
        if (this.depth > 0) {
          this.busy.fill(0);
          this.depth = 0;
        }
        return Number.POSITIVE_INFINITY;
      }
    }
    return this.cost;
  }

  /** Makes what was last tried what is kept. */
  keep(cost: number): void {
    const { kept } = this;
    kept.start.set(this.start);
    kept.end.set(this.end);
    kept.roomOf.set(this.roomOf);
    kept.setup.set(this.setup);
    kept.putAt.set(this.putAt);
    kept.team.set(this.team);
    for (let point = this.triedFrom + 1; point <= this.triedTo; point++) {
      const state = this.keptStates[point]!;
      this.keptStates[point] = this.triedStates[point]!;
      this.triedStates[point] = state;
      this.keptCosts[point] = this.triedCosts[point]!;
    }
    if (this.rest !== null)
      for (let point = this.triedTo + 1; point < this.points; point++)
        this.keptCosts[point] = this.keptCosts[point]! + this.rest;
    this.keptCost = cost;
  }

  /** Whether the state has come out as it is kept: what follows then is as it is kept too. */
  private isAsKept(point: number): boolean {
    const [S, kept] = [this.state, this.keptStates[point]!];
    for (let index = 0; index < this.stateSize; index++) if (S[index] !== kept[index]) return false;
    return true;
  }

  /** Puts back where the jobs stood before the last attempt. */
  forget(): void {
    const { kept } = this;
    this.start.set(kept.start);
    this.end.set(kept.end);
    this.roomOf.set(kept.roomOf);
    this.setup.set(kept.setup);
    this.putAt.set(kept.putAt);
    this.team.set(kept.team);
  }

  private place(at: number): boolean {
    const S = this.state;
    if (S[this.atPlaced + at] !== 0) return true;
    if (this.busy[at] !== 0) return false;
    this.busy[at] = 1;
    this.depth++;
    const well = this.placeNow(at);
    if (well) {
      this.busy[at] = 0;
      this.depth--;
    }
    return well;
  }

  private placeNow(at: number): boolean {
    const S = this.state;
    const before = this.before[at]!;
    for (let index = 0; index < before.length; index++) if (!this.place(before[index]!)) return false;
    const trailer = this.trailer[at]!;
    const own = this.visit[at]!;
    if (S[this.atHoldingLeft + trailer]! > 0 && own !== this.holdingVisit(trailer) && !this.placeHolding(trailer))
      return false;
    const open = S[this.atTrailerVisit + trailer]! - 1;
    if (open >= 0 && open !== own && !this.finish(open)) return false;
    if (S[this.atPlaced + at] !== 0) return true;
    if (S[this.atVisitRoom + own]! >= 0) return this.goOn(at, own, trailer);
    if (this.hasAfter && !this.readyToOpen(own, trailer)) return false;
    if (S[this.atPlaced + at] !== 0) return true;
    return S[this.atVisitRoom + own]! >= 0 ? this.goOn(at, own, trailer) : this.open(at, own, trailer);
  }

  /** The visit of what holds a trailer: its first one. */
  private holdingVisit(trailer: number): number {
    const here = this.jobsOf[trailer]!;
    for (let index = 0; index < here.length; index++)
      if (this.outOfService[here[index]!] !== 0) return this.visit[here[index]!]!;
    return -1;
  }

  /** What holds a trailer is placed before any other visit of it opens. */
  private placeHolding(trailer: number): boolean {
    const S = this.state;
    while (S[this.atHoldingLeft + trailer]! > 0) {
      const next = this.firstOf(trailer, -1);
      if (next < 0 || !this.place(next)) return false;
    }
    return true;
  }

  /** The first unplaced job of a trailer in the order: of one visit, or – with -1 – of those that hold it. */
  private firstOf(trailer: number, visit: number): number {
    const S = this.state;
    let [first, best] = [-1, NEVER];
    const here = this.jobsOf[trailer]!;
    for (let index = 0; index < here.length; index++) {
      const at = here[index]!;
      if (S[this.atPlaced + at] !== 0) continue;
      if (visit >= 0 ? this.visit[at] !== visit : this.outOfService[at] === 0) continue;
      if (this.position[at]! < best) {
        best = this.position[at]!;
        first = at;
      }
    }
    return first;
  }

  /** Places what a visit still has, so that its room is free. */
  private finish(visit: number): boolean {
    const S = this.state;
    const trailer = this.trailer[visit]!;
    while (S[this.atVisitDone + visit]! < this.visitSize[visit]!) {
      const next = this.firstOf(trailer, visit);
      if (next < 0 || !this.place(next)) return false;
    }
    return true;
  }

  /** Before a visit opens, everything elsewhere that its jobs wait for has its place: an open visit waits for nobody. */
  private readyToOpen(visit: number, trailer: number): boolean {
    const S = this.state;
    const here = this.jobsOf[trailer]!;
    for (let index = 0; index < here.length; index++) {
      const at = here[index]!;
      if (this.visit[at] !== visit) continue;
      const before = this.before[at]!;
      for (let each = 0; each < before.length; each++) {
        const needed = before[each]!;
        if (S[this.atPlaced + needed] === 0 && this.visit[needed] !== visit && !this.place(needed)) return false;
      }
    }
    return true;
  }

  /** The earliest a job could begin by what it waits for. */
  private earliest(at: number, trailer: number): number {
    let from = this.release[at]!;
    const free = this.state[this.atTrailerEnd + trailer]!;
    if (free > from) from = free;
    const before = this.before[at]!;
    for (let index = 0; index < before.length; index++) {
      const end = this.end[before[index]!]!;
      if (end > from) from = end;
    }
    return from;
  }

  /** Minutes of set-up a job carries in a visit, whose stay it is; `opens` where it is the visit's first. */
  private setupOf(at: number, visit: number, stay: number, moving: number): number {
    const group = this.groupOnTrailer[at]!;
    if (group < 0) return moving;
    const S = this.state;
    const pair = this.pairBase[visit]! + group;
    const done = S[this.atPairDone + pair]!;
    const paid = done === 0 ? S[this.atGroupStay + this.group[at]!] === stay : S[this.atPairPaid + pair] === 1;
    if (paid) return moving;
    return moving + (done === 0 ? this.off[at]! : 0) + (done + 1 === this.pairSize[pair] ? this.on[at]! : 0);
  }

  /** The next job of a visit that stands in its room. */
  private goOn(at: number, visit: number, trailer: number): boolean {
    const S = this.state;
    const room = S[this.atVisitRoom + visit]!;
    const setup = this.setupOf(at, visit, S[this.atVisitStay + visit]!, 0);
    const minutes = this.minutes[at]! + setup;
    const from = this.earliest(at, trailer);
    const start = this.search(at, from, minutes, room, trailer);
    if (start === NEVER) return this.leaveOut(at, visit, trailer);
    const fixed = this.fixedOf[trailer]!;
    for (let index = 0; index < fixed.length; index++) {
      const stay = fixed[index]!;
      if (stay.from >= S[this.atTrailerEnd + trailer]! && start >= stay.from) return false;
    }
    for (let each = 0; each < this.people[at]!; each++) this.team1[each] = this.found[each]!;
    return this.put(at, visit, trailer, room, start, setup);
  }

  /** The first job of a visit: in the room where it can begin first, the least flexible of them. */
  private open(at: number, visit: number, trailer: number): boolean {
    const S = this.state;
    const kinds = this.visitKinds[visit]!;
    const fits = this.roomFits(kinds);
    const only = this.visitRoom[visit]!;
    const from = this.earliest(at, trailer);
    const people = this.people[at]!;
    const { team1, found } = this;
    for (;;) {
      let best = NEVER;
      let bestRoom = -1;
      let bestSetup = 0;
      let bestStay = 0;
      let blocked = -1;
      // What was searched last: another room with the same hours that is free between gives the same start.
      let searchedFrom = NEVER;
      let searchedStart = -1;
      let searchedSetup = -1;
      let searchedHours = -1;
      for (let index = 0; index < fits.length; index++) {
        const room = fits[index]!;
        if ((only >= 0 && only !== room) || (this.roomOnly[room]! >= 0 && this.roomOnly[room] !== trailer)) continue;
        const standing = S[this.atRoomVisit + room]! - 1;
        if (standing >= 0) {
          const earlier =
            blocked < 0 ||
            S[this.atTrailerEnd + this.trailer[standing]!]! < S[this.atTrailerEnd + this.trailer[blocked]!]!;
          if (earlier) blocked = standing;
          continue;
        }
        const free = S[this.atRoomFree + room]!;
        const begin = free > from ? free : from;
        if (begin > best || (begin === best && best < NEVER && this.roomFlex[room]! >= this.roomFlex[bestRoom]!))
          continue;
        let stay = this.stayIn(room, visit, trailer, begin);
        let setup = this.setupOf(at, visit, stay, stay === visit + 1 ? this.shunt : 0);
        const known =
          begin >= searchedFrom &&
          begin <= searchedStart &&
          setup === searchedSetup &&
          this.roomHours[room] === searchedHours &&
          this.roomTo[room] === NEVER;
        let start = known ? searchedStart : this.search(at, begin, this.minutes[at]! + setup, room, trailer);
        const really = start === NEVER ? stay : this.stayIn(room, visit, trailer, start);
        if (really !== stay) {
          // It begins only after its trailer was elsewhere: then it is a stay of its own.
          stay = really;
          setup = this.setupOf(at, visit, stay, stay === visit + 1 ? this.shunt : 0);
          start = this.search(at, begin, this.minutes[at]! + setup, room, trailer);
        }
        if (!known && this.roomTo[room] === NEVER) {
          searchedFrom = begin;
          searchedStart = start;
          searchedSetup = setup;
          searchedHours = this.roomHours[room]!;
        }
        if (start < best || (start === best && start < NEVER && this.betterRoom(room, bestRoom))) {
          best = start;
          bestRoom = room;
          bestSetup = setup;
          bestStay = stay;
          if (!known || best !== start) for (let each = 0; each < people; each++) team1[each] = found[each]!;
        }
      }
      if (bestRoom >= 0) {
        S[this.atVisitStay + visit] = bestStay;
        return this.put(at, visit, trailer, bestRoom, best, bestSetup);
      }
      if (blocked < 0) return this.leaveOut(at, visit, trailer);
      if (!this.finish(blocked)) return false;
    }
  }

  /**
   * The stay that a visit begun at `start` would belong to in a room: one it goes on with, a pinned one it comes just
   * before, or its own. Where the trailer is pinned elsewhere between, it is its own.
   */
  private stayIn(room: number, visit: number, trailer: number, start: number): number {
    const S = this.state;
    const standing = S[this.atRoomStay + room]!;
    const fixed = this.fixedOf[trailer]!;
    if (standing !== 0 && standing === S[this.atTrailerStay + trailer]) {
      const left = S[this.atRoomFree + room]!;
      let between = false;
      for (let index = 0; index < fixed.length; index++)
        if (fixed[index]!.from >= left && fixed[index]!.from < start) between = true;
      if (!between) return standing;
    }
    if (!this.joins(room, trailer)) return visit + 1;
    for (let index = 0; index < fixed.length; index++)
      if (fixed[index]!.from > start && fixed[index]!.from < this.roomTo[room]!) return visit + 1;
    return this.count + 1 + this.rooms[room]!.before;
  }

  /** Whether a room ends with a pinned stay of this very trailer. */
  private joins(room: number, trailer: number): boolean {
    const before = this.roomBefore[room]!;
    return this.joining && before >= 0 && this.trailerOfStay[before] === trailer;
  }

  private betterRoom(room: number, than: number): boolean {
    const flex = this.roomFlex[room]! - this.roomFlex[than]!;
    return flex < 0 || (flex === 0 && this.state[this.atRoomFree + room]! > this.state[this.atRoomFree + than]!);
  }

  /** The earliest start from `from` on in a room's hours; who is taken stands in {@link found}. {@link NEVER} for none. */
  private search(at: number, from: number, minutes: number, room: number, trailer: number): number {
    const hours = this.hours[this.roomHours[room]!]!;
    const last = Math.min(this.roomTo[room]!, this.latest[at]!, this.horizon);
    if (this.splits[at] !== 0) return this.searchSplit(at, from, minutes, room, trailer, last);
    const fixed = this.fixedOf[trailer]!;
    let begin = from;
    for (;;) {
      if (begin + minutes > last) return NEVER;
      const inHours = hours === null ? begin : openFrom(hours, begin, minutes);
      if (inHours + minutes > last) return NEVER;
      const start = this.people[at] === 1 ? this.oneFree(at, inHours, minutes) : this.teamFree(at, inHours, minutes);
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

  /** When a technician is free for so many minutes, from `from` on. */
  private freeAt(person: number, from: number, minutes: number): number {
    const S = this.state;
    const base = person * this.spanRoom;
    const spans = S[this.atSpans + person]!;
    const fromAt = this.atSpanFrom + base;
    const toAt = this.atSpanTo + base;
    const enough = from + minutes;
    let [low, high] = [0, spans];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (S[toAt + middle]! < enough) low = middle + 1;
      else high = middle;
    }
    for (let index = low; index < spans; index++) {
      const begin = S[fromAt + index]!;
      if (begin <= from) return from;
      if (begin + minutes <= S[toAt + index]!) return begin;
    }
    return NEVER;
  }

  private oneFree(at: number, from: number, minutes: number): number {
    const must = this.person[at]!;
    const crew = this.crew[at]!;
    if (must >= 0) {
      this.found[0] = must;
      return this.freeAt(must, from, minutes);
    }
    let best = NEVER;
    for (let index = 0; index < crew.length; index++) {
      const start = this.freeAt(crew[index]!, from, minutes);
      if (start < best) {
        best = start;
        this.found[0] = crew[index]!;
        if (start === from) break;
      }
    }
    return best;
  }

  private teamFree(at: number, from: number, minutes: number): number {
    const people = this.people[at]!;
    const crew = this.crew[at]!;
    const must = this.person[at]!;
    const { reach, found } = this;
    let begin = from;
    for (;;) {
      let ready = 0;
      for (let index = 0; index < crew.length; index++) {
        const start = this.freeAt(crew[index]!, begin, minutes);
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
  private searchSplit(at: number, from: number, minutes: number, room: number, trailer: number, last: number): number {
    const fixed = this.fixedOf[trailer]!;
    const open = this.model.bays[this.rooms[room]!.bay]!.open;
    let best = NEVER;
    for (const team of teams(this.crew[at]!, this.people[at]!, this.person[at]!)) {
      const shifts = team.reduce<readonly Span[]>(
        (left, each) => common(left, this.model.technicians[each]!.shifts),
        open,
      );
      const free = team.reduce<readonly Span[]>((left, each) => common(left, this.spansOfPerson(each)), shifts);
      for (const { from: begins, to } of free) {
        const start = Math.max(begins, from);
        if (start >= to || start >= best) continue;
        const end = endOfSplit(shifts, free, start, minutes);
        if (end === null || end > last) continue;
        if (fixed.some((stay) => start < stay.to && end > stay.from)) continue;
        best = start;
        for (const [index, each] of team.entries()) this.found[index] = each;
        break;
      }
    }
    return best;
  }

  private spansOfPerson(person: number): Span[] {
    const S = this.state;
    const base = person * this.spanRoom;
    return Array.from({ length: S[this.atSpans + person]! }, (_, index) => ({
      from: S[this.atSpanFrom + base + index]!,
      to: S[this.atSpanTo + base + index]!,
    }));
  }

  private put(at: number, visit: number, trailer: number, room: number, start: number, setup: number): boolean {
    const S = this.state;
    const people = this.people[at]!;
    const minutes = this.minutes[at]! + setup;
    let end = start + minutes;
    if (this.splits[at] !== 0) end = this.endOfSplitJob(at, room, start, minutes);
    for (let index = 0; index < people; index++) {
      const person = this.team1[index]!;
      this.team[at * this.mostPeople + index] = person;
      this.occupy(person, start, end);
    }
    this.start[at] = start;
    this.end[at] = end;
    this.roomOf[at] = room;
    this.setup[at] = setup;
    this.putAt[at] = this.at;
    S[this.atPlaced + at] = 1;
    S[this.atTrailerEnd + trailer] = end;
    const group = this.groupOnTrailer[at]!;
    if (group >= 0) {
      const pair = this.pairBase[visit]! + group;
      if (S[this.atPairDone + pair] === 0) {
        const stay = S[this.atVisitStay + visit]!;
        S[this.atPairPaid + pair] = S[this.atGroupStay + this.group[at]!] === stay ? 1 : 0;
        S[this.atGroupStay + this.group[at]!] = stay;
      }
      S[this.atPairDone + pair]!++;
    }
    this.countVisit(visit, trailer, room, end);
    let cost = this.cost + this.sumWeights.setupMinutes * setup - this.leastLate[at]!;
    if (end > this.due[at]!) cost += this.lateWeight[at]! * (end - this.due[at]!);
    if (this.outOfService[at] !== 0) {
      S[this.atHoldingLeft + trailer]!--;
      const held = S[this.atHeldEnd + trailer]!;
      if (end > held) {
        cost += this.sumWeights.heldMinutes * (end - held);
        S[this.atHeldEnd + trailer] = end;
      }
    }
    if (end > S[0]!) {
      cost += this.sumWeights.makespanMinutes * (end - S[0]!);
      S[0] = end;
    }
    const promised = this.promisedStart[at]!;
    if (promised !== NEVER && (promised !== start || this.promisedBay[at] !== this.rooms[room]!.bay))
      cost += this.movedWeight;
    this.cost = cost;
    if (cost > this.limit) {
      this.broken = true;
      return false;
    }
    return true;
  }

  /** One more job of a visit is placed: it stands in its room until the last of them. */
  private countVisit(visit: number, trailer: number, room: number, end: number): void {
    const S = this.state;
    const done = S[this.atVisitDone + visit]! + 1;
    S[this.atVisitDone + visit] = done;
    S[this.atVisitRoom + visit] = room;
    const over = done === this.visitSize[visit];
    S[this.atRoomVisit + room] = over ? 0 : visit + 1;
    S[this.atTrailerVisit + trailer] = over ? 0 : visit + 1;
    if (end > S[this.atRoomFree + room]!) S[this.atRoomFree + room] = end;
    // Nobody comes between it and the pinned stay it is part of, nor does its trailer go elsewhere.
    const before = this.roomBefore[room]!;
    if (over && before >= 0 && S[this.atVisitStay + visit] === this.count + 1 + before) {
      S[this.atRoomFree + room] = NEVER;
      S[this.atTrailerEnd + trailer] = this.stays[before]!.to;
    }
    S[this.atRoomStay + room] = S[this.atVisitStay + visit]!;
    S[this.atTrailerStay + trailer] = S[this.atVisitStay + visit]!;
  }

  /** A job that has no place before the horizon, nor then what comes after it on its trailer. */
  private leaveOut(at: number, visit: number, trailer: number): boolean {
    const S = this.state;
    this.start[at] = NEVER;
    this.end[at] = NEVER;
    this.roomOf[at] = -1;
    this.setup[at] = 0;
    this.putAt[at] = this.at;
    S[this.atPlaced + at] = 1;
    if (this.outOfService[at] !== 0) {
      S[this.atHoldingLeft + trailer]!--;
      S[this.atTrailerEnd + trailer] = NEVER;
    }
    const group = this.groupOnTrailer[at]!;
    if (group >= 0) S[this.atPairDone + this.pairBase[visit]! + group]!++;
    const done = S[this.atVisitDone + visit]! + 1;
    S[this.atVisitDone + visit] = done;
    const room = S[this.atVisitRoom + visit]!;
    if (room >= 0 && done === this.visitSize[visit]) {
      S[this.atRoomVisit + room] = 0;
      S[this.atTrailerVisit + trailer] = 0;
    }
    this.cost += UNPLACED * (1 + this.lateWeight[at]!);
    if (this.cost > this.limit) this.broken = true;
    return !this.broken;
  }

  private endOfSplitJob(at: number, room: number, start: number, minutes: number): number {
    const open = this.model.bays[this.rooms[room]!.bay]!.open;
    let shifts: readonly Span[] = open;
    for (let index = 0; index < this.people[at]!; index++)
      shifts = common(shifts, this.model.technicians[this.team1[index]!]!.shifts);
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
  private occupy(person: number, start: number, end: number): void {
    const S = this.state;
    const base = person * this.spanRoom;
    const fromAt = this.atSpanFrom + base;
    const toAt = this.atSpanTo + base;
    let spans = S[this.atSpans + person]!;
    let [low, high] = [0, spans];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (S[toAt + middle]! <= start) low = middle + 1;
      else high = middle;
    }
    for (let index = low; index < spans; index++) {
      const from = S[fromAt + index]!;
      const to = S[toAt + index]!;
      if (from >= end) break;
      const left = start - from >= this.shortest;
      const right = to - end >= this.shortest;
      if (left && right && spans < this.spanRoom) {
        for (let move = spans; move > index; move--) {
          S[fromAt + move] = S[fromAt + move - 1]!;
          S[toAt + move] = S[toAt + move - 1]!;
        }
        S[toAt + index] = start;
        S[fromAt + index + 1] = end;
        spans++;
        index++;
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
        index--;
      }
    }
    S[this.atSpans + person] = spans;
  }

  /** Where the jobs stand as they are kept; those without a place are left out. */
  puts(): Put[] {
    const { kept, mostPeople } = this;
    return this.free.flatMap((job, at) =>
      kept.roomOf[at]! < 0
        ? []
        : [
            {
              job,
              bay: this.rooms[kept.roomOf[at]!]!.bay,
              technicians: [...kept.team.subarray(at * mostPeople, at * mostPeople + this.people[at]!)],
              start: kept.start[at]!,
              end: kept.end[at]!,
              setup: kept.setup[at]!,
            },
          ],
    );
  }
}
