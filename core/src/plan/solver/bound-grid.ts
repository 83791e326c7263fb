import type { Model, ModelJob } from './figures';
import { leastMinutes } from './fit';
import type { Span } from './spans';

/** The slot of the time grid, at least, and how many slots there are at most. */
const LEAST_SLOT = 5;
const MOST_SLOTS = 3_000;
/** Every set of skills is a row up to so many skills; beyond, each skill and all of them. */
const MOST_SKILLS = 5;

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** Jobs as the bound sees them: on the grid, never longer than they are. */
export interface Task {
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

export interface Row {
  capacity: Float64Array;
  /** Used by as many people as a task takes; else by one. */
  people: boolean;
}

export interface Grid {
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

/** Where so many people of a crew and a bay are there together for so long: of all jobs that are alike in that. */
function roomFor(model: Model, job: ModelJob, length: number, slot: number, slots: number): Uint8Array {
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
  for (let at = 0; at < slots && at + length <= slots; at++)
    starts[at] = job.splits || (people[at]! >= job.people && open[at]! > 0) ? 1 : 0;
  return starts;
}

/** Where jobs may begin, by slot; what is asked of many alike is worked out once. */
function startsIn(model: Model, slot: number, slots: number) {
  const known = new Map<string, Uint8Array>();
  return (job: ModelJob, length: number): Uint8Array => {
    const key = `${job.crew} ${job.people} ${job.kind} ${length} ${job.splits}`;
    const room = known.get(key) ?? roomFor(model, job, length, slot, slots);
    known.set(key, room);
    const first = Math.floor(job.release / slot);
    return first <= 0 ? room : Uint8Array.from(room, (may, at) => (at < first ? 0 : may));
  };
}

/** The shop as rows of capacity over a grid of time: sets of skills, kinds of bay, and each trailer by itself. */
export function gridOf(model: Model, free: readonly number[]): Grid {
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
  const startsOf = startsIn(model, slot, slots);
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
      starts: startsOf(job, length),
      trailerRow: trailerRows.get(job.trailer)!,
      price: priceAt.get(key)!,
    };
  });
  return { slot, slots, tasks, rows, prices };
}
