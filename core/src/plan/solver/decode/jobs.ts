import { type Model, type ModelJob, NEVER } from '../figures';

/** A slot a caller was promised: moving it costs. */
export interface Promised {
  start: number;
  bay: number;
}

export const zeros = (size: number): Int32Array => new Int32Array(Math.max(1, size));

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

/** Until when each free job must be done: for something pinned that waits for it, or that its trailer must be free for. */
function latestOf(
  model: Model,
  free: readonly number[],
  jobs: readonly ModelJob[],
  before: readonly number[][],
): Int32Array {
  const latest = zeros(jobs.length).fill(NEVER);
  const by = (at: number, minute: number) => {
    if (minute < latest[at]!) latest[at] = minute;
  };
  for (const { pinned, after, outOfService, trailer } of model.jobs) {
    if (!pinned || pinned.begun) continue;
    for (const each of after) {
      const at = free.indexOf(each);
      if (at >= 0) by(at, pinned.start);
    }
    if (outOfService) continue;
    for (const [at, job] of jobs.entries()) if (job.outOfService && job.trailer === trailer) by(at, pinned.start);
  }
  // What another free job waits for must leave it its time.
  for (let round = 0, moved = true; moved && round < jobs.length; round++) {
    moved = false;
    for (const [at, { minutes }] of jobs.entries())
      for (const each of before[at]!) {
        const minute = latest[at]! - minutes;
        if (latest[at]! === NEVER || minute >= latest[each]!) continue;
        latest[each] = minute;
        moved = true;
      }
  }
  return latest;
}

/** What a decoder reads of the jobs that are free to move, neither pinned nor unfit, in figures: each by its number among them. */
export function jobsOf(model: Model, promised: ReadonlyMap<number, Promised>) {
  const free = model.jobs.flatMap((job, index) => (job.pinned || model.unfit.has(index) ? [] : [index]));
  const jobs = free.map((index) => model.jobs[index] as ModelJob);
  const own = new Map(free.map((index, at) => [index, at]));
  const { sum, movedSlot } = model.weights;
  /** The number each trailer with free jobs has here, by its number in the model. */
  const trailers = new Map<number, number>();
  for (const { trailer } of jobs) if (!trailers.has(trailer)) trailers.set(trailer, trailers.size);
  const trailer = Int32Array.from(jobs, (job) => trailers.get(job.trailer) ?? 0);
  const onTrailer: number[][] = Array.from(trailers, () => []);
  for (const [at, its] of trailer.entries()) if (at < free.length) onTrailer[its]!.push(at);
  const before = jobs.map(({ after }) => after.flatMap((each) => own.get(each) ?? []));
  const group = Int32Array.from(jobs, (job) => job.group);
  const release = Int32Array.from(jobs, (job) =>
    job.after.reduce((latest, each) => Math.max(latest, model.jobs[each]?.pinned?.end ?? 0), job.release),
  );
  const lateWeight = Float64Array.from(jobs, ({ weight }) => weight * sum.weightedLateness);
  return {
    free,
    count: free.length,
    trailers,
    trailer,
    /** The free jobs of each trailer. */
    jobsOf: onTrailer,
    /** Whether anything holds a trailer or can be late: else only when the last job ends counts, and set-ups. */
    isHeldOrLate: jobs.some(({ outOfService, due }) => outOfService || due < NEVER),
    kind: Int32Array.from(jobs, ({ kind }) => kind),
    outOfService: Uint8Array.from(jobs, ({ outOfService }) => (outOfService ? 1 : 0)),
    minutes: Int32Array.from(jobs, ({ minutes }) => minutes),
    people: Int32Array.from(jobs, ({ people }) => people),
    due: Float64Array.from(jobs, ({ due }) => due),
    lateWeight,
    /** What each job's lateness costs in any plan. */
    leastLate: Float64Array.from(
      jobs,
      ({ minutes, due }, at) => lateWeight[at]! * Math.max(0, release[at]! + minutes - due),
    ),
    splits: Uint8Array.from(jobs, ({ splits }) => (splits ? 1 : 0)),
    crew: jobs.map(({ crew }) => crew),
    before,
    hasAfter: before.some((each) => each.length > 0),
    /** Whether a job waits for one of another trailer: on its own, when that has ended says when this can begin. */
    waitsElsewhere: before.some((each, at) => each.some((other) => trailer[other] !== trailer[at])),
    release,
    latest: latestOf(model, free, jobs, before),
    promisedStart: Int32Array.from(free, (index) => promised.get(index)?.start ?? NEVER),
    promisedBay: Int32Array.from(free, (index) => promised.get(index)?.bay ?? -1),
    shunt: model.shunt,
    horizon: model.horizon,
    shortest: Math.max(1, Math.min(NEVER, ...jobs.map(({ minutes }) => minutes))),
    mostPeople: Math.max(1, ...jobs.map(({ people }) => people)),
    group,
    off: Int32Array.from(jobs, (job) => model.groups[job.group]?.off ?? 0),
    on: Int32Array.from(jobs, (job) => model.groups[job.group]?.on ?? 0),
    ...groupsOn(onTrailer, group),
    sumWeights: sum,
    movedWeight: movedSlot,
  };
}
export type DecoderJobs = ReturnType<typeof jobsOf>;
