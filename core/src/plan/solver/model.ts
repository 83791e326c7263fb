import { weightsOf } from '../weights';
import type { PlanJob, PlanRequest } from '../wire';
import { type Group, type Model, type ModelJob, NEVER } from './figures';
import { findUnfit } from './fit';
import { PlanRefused } from './refused';
import type { Span } from './spans';

const MINUTE_MS = 60_000;
const MINUTES_A_DAY = 1_440;
export interface PlanError {
  path: string;
  message: string;
}

const indexOf = (ids: readonly string[]): Map<string, number> => new Map(ids.map((id, index) => [id, index]));

function twice(ids: readonly string[], at: string): PlanError[] {
  const seen = new Set<string>();
  return ids.flatMap((id, index) => {
    if (seen.has(id)) return [{ path: `${at}.${index}.id`, message: `${id} stands here twice` }];
    seen.add(id);
    return [];
  });
}

/** Spans in minutes from now, in order; what overlaps is one, what only touches stays two. */
function spansOf(given: readonly [string, string][], zero: number): Span[] {
  const spans = given
    .map(([from, to]) => ({
      from: Math.ceil((Date.parse(from) - zero) / MINUTE_MS),
      to: Math.floor((Date.parse(to) - zero) / MINUTE_MS),
    }))
    .filter(({ from, to }) => to > from)
    .sort((a, b) => a.from - b.from || a.to - b.to);
  const merged: Span[] = [];
  for (const span of spans) {
    const last = merged.at(-1);
    if (last && span.from < last.to) last.to = Math.max(last.to, span.to);
    else merged.push({ ...span });
  }
  return merged;
}

/** The jobs that stand in a circle of `after`; empty where there is none. */
function inCircle(after: readonly number[][]): number[] {
  const left = after.map((each) => new Set(each));
  let gone = true;
  const open = new Set(after.keys());
  while (gone) {
    gone = false;
    for (const job of open)
      if ([...(left[job] ?? [])].every((each) => !open.has(each))) {
        open.delete(job);
        gone = true;
      }
  }
  return [...open];
}

const FIVE = 5;
/** Wheels off before, wheels on and torque after: about half each, in whole five minutes where the whole is. */
function shareOf(minutes: number): { off: number; on: number } {
  const off = Math.floor(minutes / 2 / FIVE) * FIVE;
  return { off, on: minutes - off };
}

function groupsOf(jobs: readonly PlanJob[], trailers: Map<string, number>, setups: Readonly<Record<string, number>>) {
  const groups: Group[] = [];
  const known = new Map<string, number>();
  const ofJob = jobs.map(({ trailer, axle, setup }) => {
    const minutes = setup && Object.hasOwn(setups, setup) ? (setups[setup] ?? 0) : 0;
    if (!setup || minutes === 0) return -1;
    const key = JSON.stringify([trailer, axle ?? null, setup]);
    const found = known.get(key);
    if (found !== undefined) return found;
    known.set(key, groups.length);
    groups.push({ trailer: trailers.get(trailer) ?? 0, ...shareOf(minutes) });
    return groups.length - 1;
  });
  return { groups, ofJob };
}

interface Names {
  jobs: Map<string, number>;
  bays: Map<string, number>;
  technicians: Map<string, number>;
}

/** Every name that is used and not there, with its path. */
function unknown({ jobs, setups }: PlanRequest, names: Names): PlanError[] {
  return jobs.flatMap((job, index) => [
    ...(job.after ?? []).flatMap((id, at) =>
      names.jobs.has(id) ? [] : [{ path: `jobs.${index}.after.${at}`, message: `there is no job ${id}` }],
    ),
    ...(job.setup && !Object.hasOwn(setups, job.setup)
      ? [{ path: `jobs.${index}.setup`, message: `there is no set-up ${job.setup}` }]
      : []),
    ...(job.pinned && !names.bays.has(job.pinned.bay)
      ? [{ path: `jobs.${index}.pinned.bay`, message: `there is no bay ${job.pinned.bay}` }]
      : []),
    ...(job.pinned?.technicians ?? []).flatMap((id, at) =>
      names.technicians.has(id)
        ? []
        : [{ path: `jobs.${index}.pinned.technicians.${at}`, message: `there is no technician ${id}` }],
    ),
  ]);
}

/** Set-up shares of slots that a caller holds where they are, by job. */
export type HeldSetups = ReadonlyMap<string, number>;

/** The pinned jobs, each with its end: what is pinned together in one stay shares its set-ups as any visit does. */
function pin(model: Model, request: PlanRequest, names: Names, held: HeldSetups): void {
  const { jobs, groups, zero, shunt } = model;
  const pins = request.jobs.flatMap((job, index) =>
    job.pinned
      ? [
          {
            job: jobs[index] as ModelJob,
            bay: names.bays.get(job.pinned.bay) ?? 0,
            technicians: job.pinned.technicians.map((id) => names.technicians.get(id) ?? 0),
            start: Math.round((Date.parse(job.pinned.start) - zero) / MINUTE_MS),
          },
        ]
      : [],
  );
  pins.sort((a, b) => a.start - b.start);
  const stayOf = new Map<ModelJob, number>();
  let stays = 0;
  for (const each of pins) {
    const before = pins.filter(({ start }) => start < each.start);
    const inBay = before.filter(({ bay }) => bay === each.bay).at(-1);
    const ofTrailer = before.filter(({ job }) => job.trailer === each.job.trailer).at(-1);
    const goesOn = inBay !== undefined && inBay === ofTrailer;
    stayOf.set(each.job, goesOn ? (stayOf.get(inBay.job) ?? 0) : stays++);
  }
  const together = (one: ModelJob, other: ModelJob) =>
    stayOf.get(one) === stayOf.get(other) && one.group === other.group;
  for (const [at, { job, bay, technicians, start }] of pins.entries()) {
    const earlier = pins.slice(0, at).map((each) => each.job);
    const later = pins.slice(at + 1).map((each) => each.job);
    const group = groups[job.group];
    const off = group && !earlier.some((each) => together(each, job)) ? group.off : 0;
    const on = group && !later.some((each) => together(each, job)) ? group.on : 0;
    const moving = earlier.some((each) => stayOf.get(each) === stayOf.get(job)) ? 0 : shunt;
    const asked = held.get(job.id) ?? off + on + moving;
    // What is pinned after it leaves it less: then its mates carry the rest of the set-up.
    const next = pins.find(
      (other, index) =>
        index > at &&
        other.start >= start + job.minutes &&
        (other.bay === bay ||
          other.job.trailer === job.trailer ||
          other.technicians.some((each) => technicians.includes(each))),
    );
    const setup = Math.min(asked, next ? next.start - start - job.minutes : asked);
    job.pinned = { bay, technicians, start, end: start + job.minutes + setup, setup, begun: start < 0 };
  }
}

/** Throws {@link PlanRefused} where a name is not there, stands twice, or a job waits for itself. */
function refuseWhatCannotBe(request: PlanRequest, names: Names, after: readonly number[][]): void {
  const ids = (all: readonly { id: string }[]) => all.map(({ id }) => id);
  const errors = [
    ...twice(ids(request.jobs), 'jobs'),
    ...twice(ids(request.bays), 'bays'),
    ...twice(ids(request.technicians), 'technicians'),
    ...unknown(request, names),
  ];
  if (errors.length) throw new PlanRefused(errors);
  const circle = inCircle(after);
  if (circle.length)
    throw new PlanRefused(
      circle.map((index) => ({
        path: `jobs.${index}.after`,
        message: `${request.jobs[index]?.id} waits for itself in a circle`,
      })),
    );
}

/** Who has a skill, those with the fewest skills first. */
function crewsOf(technicians: Model['technicians']): (skill: string) => number[] {
  const crews = new Map<string, number[]>();
  return (skill) => {
    const known = crews.get(skill);
    if (known) return known;
    const crew = technicians
      .flatMap(({ skills }, index) => (skills.has(skill) ? [index] : []))
      .sort((a, b) => (technicians[a]?.skills.size ?? 0) - (technicians[b]?.skills.size ?? 0) || a - b);
    crews.set(skill, crew);
    return crew;
  };
}

/** The jobs in figures, not yet pinned, and the groups of set-up they belong to. */
function jobsOf(
  request: PlanRequest,
  { zero, weights, trailers, technicians }: Pick<Model, 'zero' | 'weights' | 'trailers' | 'technicians'>,
  kinds: ReadonlyMap<string, number>,
  after: readonly number[][],
): { jobs: ModelJob[]; groups: Group[] } {
  const trailerAt = indexOf(trailers);
  const crewOf = crewsOf(technicians);
  const { groups, ofJob } = groupsOf(request.jobs, trailerAt, request.setups);
  const minute = (instant: string | null | undefined, otherwise: number) =>
    instant ? (Date.parse(instant) - zero) / MINUTE_MS : otherwise;
  const jobs = request.jobs.map(
    (job, index): ModelJob => ({
      id: job.id,
      trailer: trailerAt.get(job.trailer) ?? 0,
      minutes: job.minutes,
      people: job.technicians,
      kind: 1 << (kinds.get(job.bayKind) ?? 0),
      group: ofJob[index] ?? -1,
      outOfService: job.priority === 'out-of-service',
      weight: weights.priority[job.priority],
      release: Math.max(0, Math.ceil(minute(job.release, 0))),
      due: minute(job.due, NEVER),
      after: after[index] ?? [],
      crew: crewOf(job.skill),
      splits: false,
      pinned: null,
    }),
  );
  return { jobs, groups };
}

/**
 * Reads a shop and its jobs into figures. Throws {@link PlanRefused} with the path of everything that cannot be: a name
 * that is not there, a circle of `after`, a pin that breaks a rule.
 */
export function modelOf(request: PlanRequest, held: HeldSetups = new Map()): Model {
  const zero = Date.parse(request.now);
  const weights = weightsOf(request);
  const names: Names = {
    jobs: indexOf(request.jobs.map(({ id }) => id)),
    bays: indexOf(request.bays.map(({ id }) => id)),
    technicians: indexOf(request.technicians.map(({ id }) => id)),
  };
  const after = request.jobs.map((job) => (job.after ?? []).map((id) => names.jobs.get(id) ?? 0));
  refuseWhatCannotBe(request, names, after);
  const trailers = [...new Set(request.jobs.map(({ trailer }) => trailer))];
  const kindIds = [...new Set(request.jobs.map(({ bayKind }) => bayKind))];
  const kinds = indexOf(kindIds);
  const technicians = request.technicians.map(({ id, skills, shifts }) => ({
    id,
    skills: new Set(skills),
    shifts: spansOf(shifts, zero),
  }));
  const model: Model = {
    request,
    weights,
    zero,
    horizon: Math.floor(request.horizonDays * MINUTES_A_DAY),
    exactHorizon: request.horizonDays * MINUTES_A_DAY,
    shunt: (Object.hasOwn(request.setups, 'shunt') ? request.setups.shunt : 0) ?? 0,
    trailers,
    bays: request.bays.map((bay) => ({
      id: bay.id,
      kinds: bay.kinds.reduce((mask, kind) => mask | (kinds.has(kind) ? 1 << (kinds.get(kind) ?? 0) : 0), 0),
      open: spansOf(bay.open, zero),
      flexibility: bay.kinds.length,
    })),
    technicians,
    ...jobsOf(request, { zero, weights, trailers, technicians }, kinds, after),
    unfit: new Map(),
  };
  if (kindIds.length > 30) throw new PlanRefused([{ path: 'jobs', message: 'at most 30 kinds of bay are asked for' }]);
  pin(model, request, names, held);
  findUnfit(model);
  return model;
}

/** The instant of a minute, as it is sent. */
export const instantOf = ({ zero }: Pick<Model, 'zero'>, minute: number): string =>
  new Date(zero + minute * MINUTE_MS).toISOString();
