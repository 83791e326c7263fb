import { sumOf } from '../weights';
import type { Objective } from '../wire';
import { type Grid, gridOf } from './bound-grid';
import type { Model } from './figures';

/** Rounds without a better bound after which the steps are halved. */
const PATIENCE = 12;

interface Weights {
  held: number;
  late: number;
}

/** What the pinned jobs cost, whatever else is planned. */
function fixedTerms({ jobs }: Model): { held: Map<number, number>; late: number } {
  const held = new Map<number, number>();
  let late = 0;
  for (const job of jobs) {
    if (!job.pinned) continue;
    late += job.weight * Math.max(0, job.pinned.end - job.due);
    if (job.outOfService) held.set(job.trailer, Math.max(held.get(job.trailer) ?? 0, job.pinned.end));
  }
  return { held, late };
}

/**
 * A lower bound by Lagrangian relaxation: capacity is not a must but has a price at each moment, each job then takes its
 * cheapest start by itself, and the prices climb while that raises the sum. Any prices give a proven bound.
 */
class Relaxation {
  private readonly lambda: Float64Array[];
  private readonly use: Float64Array[];
  private readonly cumulated: Float64Array[];
  private readonly byTrailer: { trailer: number; holding: number[]; rest: number[] }[];
  private readonly ofTrailer: Map<number, Float64Array>;
  private readonly least: Float64Array;
  private readonly startAt: Int32Array;

  constructor(
    private readonly grid: Grid,
    private readonly heldAlready: ReadonlyMap<number, number>,
  ) {
    const { rows, slots, prices, tasks } = grid;
    this.lambda = rows.map(() => new Float64Array(slots));
    this.use = rows.map(() => new Float64Array(slots + 1));
    this.cumulated = prices.map(() => new Float64Array(slots + 1));
    this.ofTrailer = new Map(tasks.map(({ trailerRow }) => [trailerRow, new Float64Array(slots + 1)]));
    this.least = new Float64Array(slots + 1);
    this.startAt = new Int32Array(tasks.length);
    const trailers = new Map<number, { trailer: number; holding: number[]; rest: number[] }>();
    for (const [at, { trailer, holds }] of tasks.entries()) {
      const own = trailers.get(trailer) ?? { trailer, holding: [], rest: [] };
      trailers.set(trailer, own);
      (holds ? own.holding : own.rest).push(at);
    }
    this.byTrailer = [...trailers.values()];
  }

  private pricesNow(): void {
    const { prices, slots, rows } = this.grid;
    for (const [at, { rows: own, people }] of prices.entries()) {
      const sum = this.cumulated[at]!;
      sum.fill(0);
      for (const row of own) {
        const lambda = this.lambda[row]!;
        const by = rows[row]!.people ? people : 1;
        for (let slot = 0; slot < slots; slot++) sum[slot + 1]! += by * lambda[slot]!;
      }
      for (let slot = 0; slot < slots; slot++) sum[slot + 1]! += sum[slot]!;
    }
    for (const [row, sum] of this.ofTrailer) {
      const lambda = this.lambda[row]!;
      for (let slot = 0; slot < slots; slot++) sum[slot + 1] = sum[slot]! + lambda[slot]!;
    }
  }

  private costAt(at: number, start: number, late: number): number {
    const task = this.grid.tasks[at]!;
    const sum = this.cumulated[task.price]!;
    const own = this.ofTrailer.get(task.trailerRow)!;
    const end = (start + task.length) * this.grid.slot;
    const lateness = end > task.due ? late * task.lateWeight * (end - task.due) : 0;
    const last = start + task.length;
    return lateness + sum[last]! - sum[start]! + own[last]! - own[start]!;
  }

  private cheapest(at: number, late: number, last: number): number {
    const { starts, length, due, lateWeight, price, trailerRow } = this.grid.tasks[at]!;
    const sum = this.cumulated[price]!;
    const own = this.ofTrailer.get(trailerRow)!;
    const { slot } = this.grid;
    const weight = late * lateWeight;
    let best = Number.POSITIVE_INFINITY;
    for (let start = 0; start + length <= last; start++) {
      if (starts[start] === 0) continue;
      const end = start + length;
      const over = end * slot - due;
      const cost = (over > 0 ? weight * over : 0) + sum[end]! - sum[start]! + own[end]! - own[start]!;
      if (cost < best) {
        best = cost;
        this.startAt[at] = start;
      }
    }
    return best;
  }

  /** What holds a trailer: the cheapest end of the last of it, each of it as cheap as it can be until then. */
  private holding({ trailer, holding }: { trailer: number; holding: number[] }, { held, late }: Weights): number {
    const { slots, slot, tasks } = this.grid;
    const { least } = this;
    least.fill(0);
    for (const at of holding) {
      const { starts, length } = tasks[at]!;
      let best = Number.POSITIVE_INFINITY;
      for (let end = 0; end <= slots; end++) {
        const start = end - length;
        if (start >= 0 && starts[start] !== 0) {
          const cost = this.costAt(at, start, late);
          if (cost < best) best = cost;
        }
        least[end]! += best;
      }
    }
    const already = this.heldAlready.get(trailer) ?? 0;
    let [best, until] = [Number.POSITIVE_INFINITY, slots];
    for (let end = 0; end <= slots; end++) {
      const cost = least[end]! + held * Math.max(already, end * slot);
      if (cost < best) [best, until] = [cost, end];
    }
    for (const at of holding) this.cheapest(at, late, until);
    return best;
  }

  /** The bound at the present prices; `use` is then what the jobs would use. */
  private value(weights: Weights): number {
    const { tasks, rows, slots } = this.grid;
    this.pricesNow();
    let sum = 0;
    for (const each of this.byTrailer) {
      if (each.holding.length) sum += this.holding(each, weights);
      for (const at of each.rest) sum += this.cheapest(at, weights.late, slots);
    }
    for (const [at, { capacity }] of rows.entries()) {
      const lambda = this.lambda[at]!;
      for (let slot = 0; slot < slots; slot++) sum -= lambda[slot]! * capacity[slot]!;
      this.use[at]!.fill(0);
    }
    for (const [at, { price, trailerRow, length, people }] of tasks.entries()) {
      const start = this.startAt[at]!;
      for (const row of [...this.grid.prices[price]!.rows, trailerRow]) {
        const by = rows[row]!.people ? people : 1;
        const use = this.use[row]!;
        use[start]! += by;
        use[start + length]! -= by;
      }
    }
    return sum;
  }

  /** Raises the prices where more is used than there is, in steps towards `target`. The best bound found. */
  climb(weights: Weights, target: number, rounds: number, stop: () => boolean): number {
    const { rows, slots } = this.grid;
    for (const lambda of this.lambda) lambda.fill(0);
    let best = 0;
    let [stride, waited] = [1, 0];
    for (let round = 0; round < rounds; round++) {
      if (stop()) break;
      const value = this.value(weights);
      if (!Number.isFinite(value)) return 0;
      if (value > best + 1e-9 * Math.abs(best)) {
        best = value;
        waited = 0;
      } else if (++waited >= PATIENCE) {
        stride /= 2;
        waited = 0;
        if (stride < 1e-4) break;
      }
      let norm = 0;
      for (const [at, { capacity }] of rows.entries()) {
        const use = this.use[at]!;
        const lambda = this.lambda[at]!;
        let used = 0;
        for (let slot = 0; slot < slots; slot++) {
          used += use[slot]!;
          const over = used - capacity[slot]!;
          if (over > 0 || lambda[slot]! > 0) norm += over * over;
        }
      }
      if (norm === 0 || target <= value) break;
      const step = (stride * (target - value)) / norm;
      for (const [at, { capacity }] of rows.entries()) {
        const use = this.use[at]!;
        const lambda = this.lambda[at]!;
        let used = 0;
        for (let slot = 0; slot < slots; slot++) {
          used += use[slot]!;
          const over = used - capacity[slot]!;
          if (over !== 0) lambda[slot] = Math.max(0, lambda[slot]! + step * over);
        }
      }
    }
    return best;
  }
}

/** Set-up minutes no plan goes below: each group once, and each trailer moved in once. */
function leastSetup({ jobs, groups, shunt }: Model, free: readonly number[]): number {
  const pinned = jobs.filter((job) => job.pinned);
  const asked = new Set(free.map((index) => jobs[index]!.group));
  const trailers = new Set(free.map((index) => jobs[index]!.trailer));
  for (const { group, trailer } of pinned) {
    asked.delete(group);
    trailers.delete(trailer);
  }
  return (
    pinned.reduce((sum, { pinned: pin }) => sum + (pin?.setup ?? 0), 0) +
    groups.reduce((sum, { off, on }, at) => sum + (asked.has(at) ? off + on : 0), 0) +
    trailers.size * shunt
  );
}

/** When all work can be done at the earliest: by any one job, and by what each row has to carry. */
function leastMakespan(model: Model, free: readonly number[], { tasks, rows, prices, slot, slots }: Grid): number {
  let least = Math.max(0, ...model.jobs.map(({ pinned }) => pinned?.end ?? 0));
  for (const { starts, length } of tasks) {
    const first = starts.indexOf(1);
    if (first >= 0) least = Math.max(least, (first + length) * slot);
  }
  const using = rows.map((): { task: Grid['tasks'][number]; release: number }[] => []);
  for (const [index, task] of tasks.entries())
    for (const row of new Set([task.trailerRow, ...prices[task.price]!.rows]))
      using[row]!.push({ task, release: model.jobs[free[index]!]!.release });
  for (const [at, { capacity, people }] of rows.entries()) {
    const own = using[at]!;
    for (const release of new Set(own.map((each) => each.release))) {
      const later = own.filter((each) => each.release >= release);
      let work = later.reduce((sum, { task }) => sum + task.length * (people ? task.people : 1), 0);
      let end = Math.floor(release / slot);
      while (work > 0 && end < slots) work -= capacity[end++]!;
      if (work > 0) continue;
      // The last slot may be used in part: it counts from its beginning on.
      least = Math.max(least, (end - 1) * slot);
    }
  }
  return least;
}

export interface Bound {
  terms: Objective;
  /** Of the weighted sum: at least the sum of the terms. */
  sum: number;
}

/**
 * Proven lower bounds of a shop's plan: of each term, and of their weighted sum. `target` is the best plan known.
 * `rounds` bounds the work; `stop` is asked between rounds, and what is proven by then is answered.
 */
export function boundOf(model: Model, target: Objective, rounds: number, stop: () => boolean = () => false): Bound {
  const free = model.jobs.flatMap((job, index) => (job.pinned || model.unfit.has(index) ? [] : [index]));
  const grid = gridOf(model, free);
  const fixed = fixedTerms(model);
  const heldOnly = [...fixed.held]
    .filter(
      ([trailer]) => !free.some((index) => model.jobs[index]!.trailer === trailer && model.jobs[index]!.outOfService),
    )
    .reduce((sum, [, end]) => sum + Math.max(0, end), 0);
  const relaxation = new Relaxation(grid, fixed.held);
  const { heldMinutes: heldWeight, weightedLateness: lateWeight } = model.weights.sum;
  const share = Math.max(1, Math.floor(rounds / 4));
  const held =
    relaxation.climb({ held: heldWeight, late: 0 }, heldWeight * target.heldMinutes, share, stop) / heldWeight +
    heldOnly;
  const late =
    relaxation.climb({ held: 0, late: 1 }, lateWeight * target.weightedLateness, share, stop) / lateWeight + fixed.late;
  const joint = relaxation.climb(
    { held: heldWeight, late: 1 },
    heldWeight * target.heldMinutes + lateWeight * target.weightedLateness,
    rounds - 2 * share,
    stop,
  );
  const whole = (minutes: number) => Math.max(0, Math.floor(minutes * (1 - 1e-9)));
  const terms: Objective = {
    heldMinutes: whole(held),
    weightedLateness: whole(late),
    setupMinutes: leastSetup(model, free),
    makespanMinutes: leastMakespan(model, free, grid),
  };
  const rest =
    model.weights.sum.setupMinutes * terms.setupMinutes + model.weights.sum.makespanMinutes * terms.makespanMinutes;
  const together = joint + heldWeight * heldOnly + lateWeight * fixed.late + rest;
  return { terms, sum: Math.max(sumOf(terms, model.weights), whole(together)) };
}
