import type { PlanWeights } from '../weights-form';
import { type Model, type ModelJob, NEVER } from './figures';

/** A slot a caller was promised: moving it costs. */
export interface Promised {
  start: number;
  bay: number;
}

export const zeros = (size: number) => new Int32Array(Math.max(1, size));

/** The groups of set-up on each trailer: of its visits, each has one pair with each of the trailer's groups. */
function groupsOn(jobsOf: readonly number[][], group: Int32Array) {
  const groupOnTrailer = zeros(group.length).fill(-1);
  const pairBase = zeros(group.length);
  let pairs = 0;
  for (const here of jobsOf) {
    const groups = [...new Set(here.map((at) => group[at]!).filter((each) => each >= 0))];
    for (const at of here) {
      groupOnTrailer[at] = groups.indexOf(group[at]!);
      pairBase[at] = pairs;
      pairs += groups.length;
    }
  }
  return { groupOnTrailer, pairBase, pairs };
}

/** What a decoder reads of the jobs that are free to move, in figures. */
export abstract class DecoderJobs {
  /** The model's jobs that are free to move: neither pinned nor unfit. */
  readonly free: number[];
  readonly count: number;
  /** Whether anything holds a trailer or can be late: else only when the last job ends counts, and set-ups. */
  readonly isHeldOrLate: boolean;
  readonly trailer: Int32Array;
  readonly kind: Int32Array;
  readonly outOfService: Uint8Array;
  /** The free jobs of each trailer, by its number among those that have any. */
  readonly jobsOf: number[][] = [];
  readonly crew: number[][];

  protected readonly minutes: Int32Array;
  protected readonly people: Int32Array;
  protected readonly release: Int32Array;
  protected readonly latest: Int32Array;
  protected readonly due: Float64Array;
  protected readonly lateWeight: Float64Array;
  protected readonly promisedStart: Int32Array;
  protected readonly promisedBay: Int32Array;
  protected readonly group: Int32Array;
  protected readonly off: Int32Array;
  protected readonly on: Int32Array;
  protected readonly groupOnTrailer: Int32Array;
  protected readonly pairBase: Int32Array;
  protected readonly pairs: number;
  protected readonly splits: Uint8Array;
  protected readonly before: number[][];
  protected readonly hasAfter: boolean;
  /** Whether a job waits for one of another trailer: on its own, when that has ended says when this can begin. */
  protected readonly waitsElsewhere: boolean;
  protected readonly shunt: number;
  protected readonly shortest: number;
  protected readonly horizon: number;
  protected readonly mostPeople: number;
  protected readonly sumWeights: PlanWeights['sum'];
  protected readonly movedWeight: number;
  /** The number each trailer with free jobs has here, by its number in the model. */
  protected readonly trailers = new Map<number, number>();

  constructor(
    readonly model: Model,
    promised: ReadonlyMap<number, Promised>,
  ) {
    this.sumWeights = model.weights.sum;
    this.movedWeight = model.weights.movedSlot;
    this.free = model.jobs.flatMap((job, index) => (job.pinned || model.unfit.has(index) ? [] : [index]));
    const n = this.free.length;
    this.count = n;
    const jobs = this.freeJobs();
    const own = new Map(this.free.map((index, at) => [index, at]));
    for (const { trailer } of jobs) if (!this.trailers.has(trailer)) this.trailers.set(trailer, this.trailers.size);
    this.trailer = Int32Array.from(jobs, ({ trailer }) => this.trailers.get(trailer) ?? 0);
    for (let at = 0; at < this.trailers.size; at++) this.jobsOf.push([]);
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
    this.waitsElsewhere = this.before.some((each, at) =>
      each.some((before) => this.trailer[before] !== this.trailer[at]),
    );
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
    this.group = Int32Array.from(jobs, ({ group }) => group);
    this.off = Int32Array.from(jobs, ({ group }) => model.groups[group]?.off ?? 0);
    this.on = Int32Array.from(jobs, ({ group }) => model.groups[group]?.on ?? 0);
    const { groupOnTrailer, pairBase, pairs } = groupsOn(this.jobsOf, this.group);
    this.groupOnTrailer = groupOnTrailer;
    this.pairBase = pairBase;
    this.pairs = pairs;
  }

  protected freeJobs(): ModelJob[] {
    return this.free.map((index) => this.model.jobs[index] as ModelJob);
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
}
