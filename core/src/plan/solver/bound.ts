import { sumOf } from '../weights';
import type { Objective } from '../wire';
import { leastMinutes } from './fit';
import type { Model, ModelJob, Span } from './model';

/** The slot of the time grid, at least, and how many slots there are at most. */
const LEAST_SLOT = 5;
const MOST_SLOTS = 3_000;
/** Every set of skills is a row up to so many skills; beyond, each skill and all of them. */
const MOST_SKILLS = 5;
/** Rounds without a better bound after which the steps are halved. */
const PATIENCE = 12;

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** Jobs as the bound sees them: on the grid, never longer than they are. */
interface Task {
  length: number;
  due: number;
  lateWeight: number;
  trailer: number;
  holds: boolean;
  people: number;
  /** Where it may begin, by slot. */
  starts: Uint8Array;
  /** Rows of capacity it uses: its trailer's, and those its price is made of. */
  trailerRow: number;
  price: number;
}

interface Row {
  capacity: Float64Array;
  /** Used by as many people as a task takes; else by one. */
  people: boolean;
}

interface Grid {
  slot: number;
  slots: number;
  tasks: Task[];
  rows: Row[];
  /** Combinations of rows that some task uses beside its trailer's: the price of a slot is theirs. */
  prices: { rows: number[]; people: number }[];
}

/** The coarsest grid that every time and length of the shop lies on, or a finer bound on it. */
function slotOf(model: Model, tasks: readonly number[]): number {
  const { jobs, groups, technicians, bays, horizon, shunt } = model;
  const figures = [
    ...tasks.flatMap((index) => [jobs[index]!.minutes, jobs[index]!.release]),
    ...jobs.flatMap(({ pinned }) => (pinned ? [pinned.start, pinned.end] : [])),
    ...groups.flatMap(({ off, on }) => [off, on]),
    ...technicians.flatMap(({ shifts }) => shifts.flatMap(({ from, to }) => [from, to])),
    ...bays.flatMap(({ open }) => open.flatMap(({ from, to }) => [from, to])),
    shunt,
  ];
  const common = figures.reduce((all, figure) => divisor(all, Math.abs(figure)), 0) || 60;
  return Math.max(LEAST_SLOT, common <= 60 ? common : 60, Math.ceil(horizon / MOST_SLOTS));
}

/** Adds what spans give to a row, slot by slot: a slot counts as soon as any of it is in a span. */
function add(capacity: Float64Array, spans: readonly Span[], slot: number, by: number): void {
  for (const { from, to } of spans) {
    const last = Math.min(capacity.length, Math.ceil(to / slot));
    for (let at = Math.max(0, Math.floor(from / slot)); at < last; at++) capacity[at]! += by;
  }
}

/** What pinned work surely takes of a row: only slots it fills whole. */
function take(capacity: Float64Array, { from, to }: Span, slot: number, by: number): void {
  const last = Math.min(capacity.length, Math.floor(to / slot));
  for (let at = Math.max(0, Math.ceil(from / slot)); at < last; at++) capacity[at] = Math.max(0, capacity[at]! - by);
}

/** Sets of indices: every one of them while they are few, else each and all. */
function subsets(count: number): number[] {
  if (count <= MOST_SKILLS) return Array.from({ length: 2 ** count - 1 }, (_, index) => index + 1);
  const each = Array.from({ length: Math.min(30, count) }, (_, index) => 1 << index);
  return [...each, 2 ** Math.min(30, count) - 1];
}

function startsOf(model: Model, job: ModelJob, length: number, slot: number, slots: number): Uint8Array {
  const starts = new Uint8Array(slots);
  const minutes = length * slot;
  const cover = (spans: readonly Span[]) => {
    const count = new Int32Array(slots + 1);
    for (const { from, to } of spans) {
      const first = Math.max(0, Math.floor(from / slot));
      const last = Math.min(slots - length, Math.floor((Math.ceil(to / slot) * slot - minutes) / slot));
      if (last < first) continue;
      count[first]! += 1;
      count[last + 1]! -= 1;
    }
    for (let at = 1; at <= slots; at++) count[at]! += count[at - 1]!;
    return count;
  };
  const people = new Int32Array(slots + 1);
  for (const each of job.crew) {
    const here = cover(model.technicians[each]?.shifts ?? []);
    for (let at = 0; at < slots; at++) people[at]! += here[at]! > 0 ? 1 : 0;
  }
  const open = new Int32Array(slots + 1);
  for (const bay of model.bays) {
    if ((job.kind & ~bay.kinds) !== 0) continue;
    const here = cover(bay.open);
    for (let at = 0; at < slots; at++) open[at]! += here[at]! > 0 ? 1 : 0;
  }
  const first = Math.floor(job.release / slot);
  for (let at = first; at < slots && at + length <= slots; at++)
    starts[at] = job.splits || (people[at]! >= job.people && open[at]! > 0) ? 1 : 0;
  return starts;
}

/** The shop as rows of capacity over a grid of time: sets of skills, kinds of bay, and each trailer by itself. */
function gridOf(model: Model, free: readonly number[]): Grid {
  const slot = slotOf(model, free);
  const slots = Math.max(1, Math.ceil(model.horizon / slot));
  const skills = [...new Set(free.map((index) => model.request.jobs[index]!.skill))];
  const kinds = [...new Set(free.map((index) => model.jobs[index]!.kind))];
  const pinned = model.jobs.flatMap((job) => (job.pinned ? [job.pinned] : []));
  const rows: Row[] = [];
  const skillRows = subsets(skills.length).map((set) => {
    const capacity = new Float64Array(slots);
    const named = skills.filter((_, index) => set & (1 << index));
    for (const [person, { skills: own, shifts }] of model.technicians.entries()) {
      if (!named.some((skill) => own.has(skill))) continue;
      add(capacity, shifts, slot, 1);
      for (const pin of pinned)
        if (pin.technicians.includes(person)) take(capacity, { from: pin.start, to: pin.end }, slot, 1);
    }
    rows.push({ capacity, people: true });
    return { set, row: rows.length - 1 };
  });
  const kindRows = subsets(kinds.length).map((set) => {
    const capacity = new Float64Array(slots);
    const named = kinds.filter((_, index) => set & (1 << index));
    for (const [bay, { kinds: own, open }] of model.bays.entries()) {
      if (!named.some((kind) => (kind & ~own) === 0)) continue;
      const first = Math.min(...open.map(({ from }) => from));
      const last = Math.max(...open.map(({ to }) => to));
      if (open.length) add(capacity, [{ from: first, to: last }], slot, 1);
      for (const pin of pinned) if (pin.bay === bay) take(capacity, { from: pin.start, to: pin.end }, slot, 1);
    }
    rows.push({ capacity, people: false });
    return { set, row: rows.length - 1 };
  });
  const trailerRows = new Map<number, number>();
  for (const index of free) {
    const { trailer } = model.jobs[index]!;
    if (trailerRows.has(trailer)) continue;
    rows.push({ capacity: new Float64Array(slots).fill(1), people: false });
    trailerRows.set(trailer, rows.length - 1);
  }
  const prices: Grid['prices'] = [];
  const priceAt = new Map<string, number>();
  const tasks = free.map((index): Task => {
    const job = model.jobs[index]!;
    const length = Math.floor((job.splits ? job.minutes : leastMinutes(model, index)) / slot);
    const skill = skills.indexOf(model.request.jobs[index]!.skill);
    const kind = kinds.indexOf(job.kind);
    const own = [
      ...skillRows.flatMap(({ set, row }) => (set & (1 << skill) ? [row] : [])),
      ...kindRows.flatMap(({ set, row }) => (set & (1 << kind) ? [row] : [])),
    ];
    const key = `${own} ${job.people}`;
    if (!priceAt.has(key)) {
      prices.push({ rows: own, people: job.people });
      priceAt.set(key, prices.length - 1);
    }
    return {
      length,
      due: job.due,
      lateWeight: job.weight * model.weights.sum.weightedLateness,
      trailer: job.trailer,
      holds: job.outOfService,
      people: job.people,
      starts: startsOf(model, job, length, slot, slots),
      trailerRow: trailerRows.get(job.trailer)!,
      price: priceAt.get(key)!,
    };
  });
  return { slot, slots, tasks, rows, prices };
}

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
  for (const [at, { capacity, people }] of rows.entries()) {
    const own = tasks.flatMap((task, index) =>
      task.trailerRow === at || prices[task.price]!.rows.includes(at)
        ? [{ task, release: model.jobs[free[index]!]!.release }]
        : [],
    );
    for (const { release } of own) {
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
