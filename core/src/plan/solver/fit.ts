import type { Model, ModelJob } from './figures';
import { PlanRefused } from './refused';
import type { Span } from './spans';
import { common, endAcross } from './spans';

const lengthOf = ({ from, to }: Span): number => to - from;
const longest = (spans: readonly Span[]): number => spans.reduce((most, span) => Math.max(most, lengthOf(span)), 0);

/** How many jobs there are of each group of set-up, and of each trailer. */
interface Sharing {
  group: Map<number, number>;
  trailer: Map<number, number>;
}
const sharings = new WeakMap<readonly ModelJob[], Sharing>();

function sharingIn(jobs: readonly ModelJob[]): Sharing {
  const known = sharings.get(jobs);
  if (known) return known;
  const sharing: Sharing = { group: new Map(), trailer: new Map() };
  for (const { group, trailer } of jobs) {
    sharing.group.set(group, (sharing.group.get(group) ?? 0) + 1);
    sharing.trailer.set(trailer, (sharing.trailer.get(trailer) ?? 0) + 1);
  }
  sharings.set(jobs, sharing);
  return sharing;
}

/** The least a job's slot can take: its minutes, with the set-ups that nothing could share. */
export function leastMinutes({ jobs, groups, shunt }: Model, index: number): number {
  const job = jobs[index] as ModelJob;
  const group = groups[job.group];
  const sharing = sharingIn(jobs);
  const alone = group && sharing.group.get(job.group) === 1;
  const only = sharing.trailer.get(job.trailer) === 1;
  return job.minutes + (group && alone ? group.off + group.on : 0) + (only ? shunt : 0);
}

/** The bays a job could be done in. */
const baysFor = ({ bays }: Model, kinds: number) => bays.filter((bay) => (kinds & ~bay.kinds) === 0);

/** What is asked again and again: by crew, people and kind of bay. */
type Rooms = Map<string, Span[]>;

/** From each beginning on, how long so many of these spans last together. */
function togetherIn(spans: readonly Span[], people: number): Span[] {
  const sorted = [...spans].sort((a, b) => a.from - b.from);
  /** When those that have begun end, the first to end before. */
  const ends: number[] = [];
  const out: Span[] = [];
  for (let at = 0; at < sorted.length; ) {
    const { from } = sorted[at]!;
    for (; at < sorted.length && sorted[at]!.from === from; at++) {
      const { to } = sorted[at]!;
      let place = ends.length;
      while (place > 0 && ends[place - 1]! > to) place--;
      ends.splice(place, 0, to);
    }
    const over = ends.findIndex((to) => to > from);
    ends.splice(0, over < 0 ? ends.length : over);
    const to = ends[ends.length - people];
    if (to !== undefined) out.push({ from, to });
  }
  return out;
}

/** Where one bay's hours and so many of a crew's shifts leave room, whatever else is planned. Spans may overlap. */
function roomFor(model: Model, job: ModelJob, known: Rooms): Span[] {
  const key = `${job.crew} ${job.people} ${job.kind}`;
  const asked = known.get(key);
  if (asked) return asked;
  const rooms: Span[] = [];
  known.set(key, rooms);
  for (const { open } of baysFor(model, job.kind)) {
    const shifts = job.crew.flatMap((each) => common(model.technicians[each]?.shifts ?? [], open));
    rooms.push(...togetherIn(shifts, job.people));
  }
  return rooms;
}

/** Why no crew or bay can ever take a job; null where one can. */
function whyUnfit(model: Model, index: number, known: Rooms): string | null {
  const job = model.jobs[index] as ModelJob;
  const { skill, bayKind } = model.request.jobs[index] ?? { skill: '', bayKind: '' };
  if (job.crew.length === 0) return `Nobody has the skill ${skill}.`;
  if (job.crew.length < job.people) return `It takes ${job.people} people with ${skill}; there are ${job.crew.length}.`;
  if (baysFor(model, job.kind).length === 0) return `No bay is a ${bayKind}.`;
  const least = leastMinutes(model, index);
  const rooms = roomFor(model, job, known).filter(({ from }) => from < model.horizon);
  const ahead = rooms
    .map((span) => ({ from: Math.max(span.from, job.release), to: Math.min(span.to, model.horizon) }))
    .filter((span) => lengthOf(span) > 0);
  if (ahead.length === 0)
    return `No ${bayKind} bay is open while ${job.people > 1 ? `${job.people} people` : 'somebody'} with ${skill} ${job.people > 1 ? 'are' : 'is'} there, from its release to the horizon.`;
  if (!job.splits && longest(ahead) < least)
    return `Needs ${least} min in one stretch; the longest open stretch is ${longest(ahead)}.`;
  return null;
}

/** The jobs of a trailer that hold it must be done in one stay: some bay must be fit for all of them. */
function unfitTogether(model: Model): void {
  const holdingOf = new Map<number, number[]>();
  for (const [index, { trailer, outOfService, pinned }] of model.jobs.entries())
    if (outOfService && !pinned) holdingOf.set(trailer, [...(holdingOf.get(trailer) ?? []), index]);
  for (const [trailer, name] of model.trailers.entries()) {
    const holding = holdingOf.get(trailer) ?? [];
    const kinds = holding.reduce((mask, index) => mask | (model.jobs[index]?.kind ?? 0), 0);
    if (holding.length > 1 && baysFor(model, kinds).length === 0)
      for (const index of holding)
        if (!model.unfit.has(index))
          model.unfit.set(index, `What holds ${name} is done in one stay, and no bay is fit for all of it.`);
  }
}

/** What waits for a job that cannot be placed cannot be placed either. */
function unfitAfter(model: Model): void {
  let more = true;
  while (more) {
    more = false;
    for (const [index, job] of model.jobs.entries()) {
      if (job.pinned || model.unfit.has(index)) continue;
      const before = job.after.find((each) => model.unfit.has(each));
      const held = job.outOfService
        ? -1
        : model.jobs.findIndex(
            (other, at) => other.trailer === job.trailer && other.outOfService && model.unfit.has(at),
          );
      const cause = before ?? (held >= 0 ? held : undefined);
      if (cause === undefined) continue;
      model.unfit.set(index, `It waits for ${model.jobs[cause]?.id}, which cannot be placed.`);
      more = true;
    }
  }
}

/** Out-of-service work that waits for other work on its own trailer can never come first. */
function unfitFirst(model: Model): void {
  for (const [index, job] of model.jobs.entries()) {
    if (!job.outOfService || job.pinned) continue;
    const other = job.after.find(
      (each) =>
        model.jobs[each]?.trailer === job.trailer && !model.jobs[each]?.outOfService && !model.jobs[each]?.pinned,
    );
    if (other !== undefined)
      model.unfit.set(
        index,
        `It holds its trailer and comes first there, but it waits for ${model.jobs[other]?.id} on the same trailer.`,
      );
  }
}

interface Broken {
  rule: string;
  message: string;
}

/** What a pin breaks by itself. What has begun stays as it is. */
function brokenBy(model: Model, index: number): Broken[] {
  const job = model.jobs[index] as ModelJob;
  const { pinned } = job;
  if (!pinned) return [];
  const { skill, bayKind } = model.request.jobs[index] ?? { skill: '', bayKind: '' };
  const bay = model.bays[pinned.bay];
  const out: Broken[] = [];
  if (bay && (job.kind & ~bay.kinds) !== 0) out.push({ rule: '5', message: `${bay.id} is no ${bayKind} bay` });
  if (new Set(pinned.technicians).size !== job.people)
    out.push({ rule: '3', message: `it takes ${job.people} people, and ${pinned.technicians.length} are named` });
  for (const each of pinned.technicians)
    if (!job.crew.includes(each))
      out.push({ rule: '3', message: `${model.technicians[each]?.id} does not have the skill ${skill}` });
  if (pinned.begun) return out;
  if (pinned.start < job.release) out.push({ rule: '5', message: 'it starts before its release' });
  const spans = pinned.technicians.reduce(
    (left, each) => common(left, model.technicians[each]?.shifts ?? []),
    bay?.open ?? [],
  );
  const whole = pinned.setup;
  if (!job.splits) {
    // A set-up that no longer fits there is left to its mates.
    const room = spans.find(({ from, to }) => from <= pinned.start && to >= pinned.start + job.minutes);
    if (room) {
      pinned.setup = Math.min(whole, room.to - pinned.start - job.minutes);
      pinned.end = pinned.start + job.minutes + pinned.setup;
    }
  }
  const end = endAcross(spans, pinned.start, job.minutes + pinned.setup);
  const within = spans.some(({ from, to }) => from <= pinned.start && to >= pinned.end);
  if (end === null || (!within && !job.splits))
    out.push({
      rule: job.splits ? '7' : '3',
      message: `${job.minutes + pinned.setup} minutes from there are not inside the shifts and the bay’s hours`,
    });
  else pinned.end = end;
  return out;
}

/** What two pins break with each other. */
function brokenTogether(model: Model, one: ModelJob, other: ModelJob): Broken[] {
  const [a, b] = [one.pinned, other.pinned];
  if (!a || !b) return [];
  const out: Broken[] = [];
  const meet = a.start < b.end && b.start < a.end;
  if (meet && a.bay === b.bay) out.push({ rule: '1', message: `it meets ${other.id} in ${model.bays[a.bay]?.id}` });
  if (meet && one.trailer === other.trailer) out.push({ rule: '2', message: `its trailer is at ${other.id} then` });
  const shared = a.technicians.find((each) => b.technicians.includes(each));
  if (meet && shared !== undefined)
    out.push({ rule: '3', message: `${model.technicians[shared]?.id} is at ${other.id} then` });
  if (one.after.includes(model.jobs.indexOf(other)) && a.start < b.end && !a.begun)
    out.push({ rule: '5', message: `it starts before ${other.id} is done` });
  const first = one.trailer === other.trailer && other.outOfService && !one.outOfService;
  if (first && a.start < b.start && a.bay !== b.bay && !a.begun)
    out.push({ rule: '6', message: `${other.id} holds the trailer and comes first` });
  return out;
}

function checkPins(model: Model): void {
  const pins = model.jobs.flatMap((job, index) => (job.pinned ? [{ job, index }] : []));
  const errors = pins.flatMap(({ job, index }) =>
    [
      ...brokenBy(model, index),
      ...pins.flatMap((other) => (other.job === job ? [] : brokenTogether(model, job, other.job))),
    ].map(({ rule, message }) => ({ path: `jobs.${index}.pinned`, message: `rule ${rule}: ${message}` })),
  );
  if (errors.length) throw new PlanRefused(errors);
}

/** Which jobs may be split, which can never be placed and why; throws {@link PlanRefused} for pins that break a rule. */
export function findUnfit(model: Model): void {
  const longestOf = model.technicians.map(({ shifts }) => longest(shifts));
  for (const [index, job] of model.jobs.entries())
    job.splits =
      job.crew.length > 0 &&
      leastMinutes(model, index) > job.crew.reduce((most, each) => Math.max(most, longestOf[each] ?? 0), 0);
  checkPins(model);
  const known: Rooms = new Map();
  for (const [index, job] of model.jobs.entries()) {
    const why = job.pinned ? null : whyUnfit(model, index, known);
    if (why) model.unfit.set(index, why);
  }
  unfitFirst(model);
  unfitTogether(model);
  unfitAfter(model);
}
