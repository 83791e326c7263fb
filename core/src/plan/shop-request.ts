import { type Day, dayAfter } from '../measure';
import {
  type Away,
  BAY_KINDS,
  type BayView,
  dayBegins,
  type Holidays,
  type PersonWork,
  type Span,
  spansOf,
} from '../people';
import { type JobWork, SET_UPS } from '../repair';
import shop from './shop.json';
import type { KeptSlot } from './views';
import type { PlanWeights } from './weights-form';
import type { PlanJob, PlanRequest, Priority, Slot } from './wire';

/** A job as the plan sees it. */
export interface ShopJob {
  id: string;
  unit: string;
  work: JobWork;
  minutes: number;
  priority: Priority;
  /** The day its last missing part is expected; null where nothing is missing. */
  partsOn: Day | null;
  /** When its unit leaves; null where that is not known. */
  leaves: string | null;
  /** Where its work has begun: since when, in which bay, by whom, and how much of its own time was clocked. */
  begun: { at: string; bay: string | null; people: readonly string[] } | null;
}

/** Everything a plan follows from. */
export interface ShopFacts {
  now: Date;
  zone: string;
  /** How long is searched. */
  seconds: number;
  bays: readonly BayView[];
  people: readonly { id: string; work: PersonWork }[];
  holidays: Holidays;
  weights: PlanWeights;
  jobs: readonly ShopJob[];
  slots: readonly KeptSlot[];
}

export interface ShopRequest {
  request: PlanRequest;
  /** The plan that stands, of the jobs that are asked about. */
  before: Slot[];
  /** Begun work: where it stands, and until when it is expected to. */
  begun: KeptSlot[];
}

/** Minutes it takes to move a unit into a bay. `shop.json`, practice. */
export const SHUNT_MINUTES = shop.shuntMinutes;

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;
/** What should have begun just now may still. */
const GRACE_MS = shop.lateStartMinutes * MINUTE_MS;
const mayStillBegin = ({ start }: Slot, now: Date): boolean => Date.parse(start) >= now.getTime() - GRACE_MS;
/** Anybody who is there: for work of which nobody wrote what it takes. */
const ANYBODY = 'anybody';
const ANY_BAY = 'any';

/** The skills a job asks for, as one name: whoever does it has all of them. */
const skillOf = ({ skills }: Pick<JobWork, 'skills'>): string =>
  skills.length === 0 ? ANYBODY : [...new Set(skills)].sort().join(' and ');

const canDo = (work: PersonWork, skills: readonly string[]): boolean =>
  skills.every((skill) => (work.skills as readonly string[]).includes(skill));

/** The next whole step of the shop's clock: plans stand on these. */
export const nextStep = (instant: number): Date =>
  new Date(Math.ceil(instant / (shop.stepMinutes * MINUTE_MS)) * shop.stepMinutes * MINUTE_MS);

/** The step an instant lies in: what leaves between two steps must be ready at the one before. */
const lastStep = (instant: string): string => {
  const step = shop.stepMinutes * MINUTE_MS;
  return new Date(Math.floor(Date.parse(instant) / step) * step).toISOString();
};

/** Begun work ends when its minutes are over; where they are already, soon. In whole steps. */
function endOfBegun(now: Date, at: string, minutes: number): string {
  const planned = Date.parse(at) + minutes * MINUTE_MS;
  return nextStep(planned > now.getTime() ? planned : now.getTime() + shop.stillMinutes * MINUTE_MS).toISOString();
}

/** Begun about when it was planned, and not over: then it is expected to end when it was planned to. */
const asPlanned = (now: Date, at: string, { start, end }: Slot): boolean =>
  Math.abs(Date.parse(at) - Date.parse(start)) <= GRACE_MS && end > now.toISOString();

/** Spans without what lies in one of `taken`. */
const without = (spans: readonly Span[], taken: readonly Span[]): Span[] =>
  taken.reduce<readonly Span[]>(
    (left, [from, to]) =>
      left.flatMap(([begin, end]): Span[] => {
        if (end <= from || begin >= to) return [[begin, end]];
        return [...(begin < from ? [[begin, from] as Span] : []), ...(end > to ? [[to, end] as Span] : [])];
      }),
    spans,
  ) as Span[];

type Days = Pick<Away, 'from' | 'until'>;

/** When a bay is open: by its hours, or – where it has none – always but on the days it is out of use. */
function openOf({ hours, closed }: BayView, { zone, now }: ShopFacts, shut: readonly Days[]): Span[] {
  if (hours.length) return spansOf(zone, now, shop.horizonDays, { hours, away: [...closed, ...shut] });
  const until = new Date(now.getTime() + (shop.horizonDays + 1) * DAY_MS).toISOString();
  return without(
    [[now.toISOString(), until]],
    closed.map((each) => [dayBegins(zone, each.from), dayBegins(zone, dayAfter(each.until, 1))]),
  );
}

/** The one axle whose wheels come off, where it is one: then its set-up can be shared. */
function setUpOf({ work, minutes }: ShopJob): { axle: number | null; setup: 'wheels-off' | null; minutes: number } {
  const axles = [...new Set(work.wheels.map(({ axle }) => axle))];
  const own = minutes - SET_UPS['wheels-off'];
  return axles.length === 1 && own > 0
    ? { axle: axles[0] ?? null, setup: 'wheels-off', minutes: own }
    : { axle: null, setup: null, minutes };
}

/** Where begun work stands, in the plan's form. Work that never had a bay takes none. */
const begunSlots = ({ jobs, slots, now }: ShopFacts): KeptSlot[] =>
  jobs.flatMap(({ id, begun, minutes }) => {
    if (!begun) return [];
    const planned = slots.find(({ job }) => job === id);
    const end = planned && asPlanned(now, begun.at, planned) ? planned.end : endOfBegun(now, begun.at, minutes);
    const technicians = begun.people.length ? [...begun.people] : (planned?.technicians ?? []);
    return [{ job: id, bay: begun.bay ?? '', technicians, start: begun.at, end, setupMinutes: 0, pinned: true }];
  });

function planJob(job: ShopJob, facts: ShopFacts, begun: readonly KeptSlot[], slot: KeptSlot | undefined): PlanJob {
  const { now, zone, jobs } = facts;
  const { axle, setup, minutes } = setUpOf(job);
  // Its trailer stands elsewhere until what was begun on it is done.
  const standing = begun.filter(({ job: other }) => jobs.find(({ id }) => id === other)?.unit === job.unit);
  const free = standing.map(({ end }) => end);
  const parts = job.partsOn ? [dayBegins(zone, dayAfter(job.partsOn, 1))] : [];
  const release = [...free, ...parts].sort().at(-1);
  const holds = slot?.pinned && mayStillBegin(slot, now);
  return {
    id: job.id,
    trailer: job.unit,
    axle,
    skill: skillOf(job.work),
    technicians: job.work.people,
    bayKind: job.work.bay ?? ANY_BAY,
    minutes,
    setup,
    priority: job.priority,
    release: release && release > now.toISOString() ? release : null,
    due: job.leaves && lastStep(job.leaves),
    after: [],
    pinned: holds ? { bay: slot.bay, technicians: slot.technicians, start: slot.start } : null,
  };
}

/**
 * What a search is asked for a shop as it stands: who is there and when, which bay is open, each job with what it takes,
 * what is missing and what it is due for. Begun work is not asked about: it keeps its bay and its people until it ends.
 */
export function shopRequest(facts: ShopFacts): ShopRequest {
  const { zone, bays, people, holidays, jobs, slots } = facts;
  const now = nextStep(facts.now.getTime());
  const shut = holidays.map(({ day }) => ({ from: day, until: day }));
  const begun = begunSlots(facts);
  const asked = jobs.filter(({ begun: since }) => !since);
  const skills = new Map(asked.map(({ work }) => [skillOf(work), work.skills]));
  const takenBy = (is: (slot: KeptSlot) => boolean) => begun.filter(is).map(({ start, end }): Span => [start, end]);
  const slotOf = new Map(slots.map((slot) => [slot.job, slot]));
  return {
    request: {
      now: now.toISOString(),
      horizonDays: shop.horizonDays,
      timeLimitMs: facts.seconds * 1_000,
      seed: 1,
      bays: bays.map((bay) => ({
        id: bay.id,
        kinds: [...(bay.kinds.length ? bay.kinds : BAY_KINDS), ANY_BAY],
        open: without(
          openOf(bay, facts, shut),
          takenBy((slot) => slot.bay === bay.id),
        ),
      })),
      technicians: people.map(({ id, work }) => ({
        id,
        skills: [...skills].flatMap(([skill, all]) => (canDo(work, all) ? [skill] : [])),
        shifts: without(
          spansOf(zone, now, shop.horizonDays, { hours: work.shifts, away: [...work.away, ...shut] }),
          takenBy(({ technicians }) => technicians.includes(id)),
        ),
      })),
      jobs: asked.map((job) => planJob(job, facts, begun, slotOf.get(job.id))),
      setups: { ...SET_UPS, shunt: SHUNT_MINUTES },
      weights: facts.weights,
    },
    before: slots
      .filter((slot) => asked.some(({ id }) => id === slot.job) && mayStillBegin(slot, now))
      .map(({ pinned: _, ...slot }) => slot),
    begun,
  };
}
