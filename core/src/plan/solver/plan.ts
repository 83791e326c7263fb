import { sumOf } from '../weights';
import type { PlanWeights } from '../weights-form';
import type { Objective, PlanAnswer, PlanRequest, Slot } from '../wire';
import { boundOf } from './bound';
import { checkPlan } from './check';
import { Decoder, type Promised, type Put } from './decode';
import type { Model } from './figures';
import { firstChoices } from './first';
import { givenChoice } from './given';
import { type HeldSetups, instantOf, modelOf } from './model';
import { search } from './search';
import { termsOf } from './terms';
import { PlanUnsound } from './unsound';

/** What a search runs by. Core has no clock and no threads: both are given. */
export interface PlanOptions {
  /** Milliseconds since the call. Without it the search goes by steps alone. */
  elapsed?: () => number;
  /** Steps of the search, at most: with them, and no clock, the same request gives the same plan. */
  steps?: number;
  /** Asked every few steps: true ends the search with the best plan so far. */
  stop?: () => boolean;
  /** Told each better plan. */
  better?: (answer: PlanAnswer) => void;
  /** A plan that is known: the answer is never worse. */
  from?: readonly Slot[];
  /** Slots that were promised: moving one costs. */
  promised?: readonly Slot[];
  /** Set-up shares of pinned slots, where they stood in a plan before. */
  held?: HeldSetups;
  /** Whether bounds are proven too; else they are all nothing. */
  proof?: boolean;
  /** Rounds the bounds are climbed for, at most. */
  rounds?: number;
}

export interface Planned extends PlanAnswer {
  /** Proven: no plan's weighted sum is below it. At least the sum of the bounds of the terms. */
  boundSum: number;
  steps: number;
  decodes: number;
}

/** Steps where neither a number of them nor a clock is given. */
const STEPS = 20_000;
/** The share of the time that goes into the bound, and how many rounds it has at most. */
const BOUND_SHARE = 0.15;
const BOUND_ROUNDS = 400;
/** Better plans are told at most so often. */
const TELL_MS = 100;
/** What is begun may end so much later: a share of the time, and so many milliseconds. */
const LATE_SHARE = 0.1;
const LATE_MS = 50;
const NO_TERMS: Objective = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };

/** Everything that stands: what is pinned, and where the decoder put the rest. */
function standing(decoder: Decoder): Put[] {
  const pinned = decoder.shop.model.jobs.flatMap((job, index): Put[] =>
    job.pinned
      ? [
          {
            job: index,
            bay: job.pinned.bay,
            technicians: job.pinned.technicians,
            start: job.pinned.start,
            end: job.pinned.end,
            setup: job.pinned.setup,
          },
        ]
      : [],
  );
  return [...pinned, ...decoder.puts()].sort((a, b) => a.start - b.start || a.job - b.job);
}

function answerOf(decoder: Decoder): Omit<PlanAnswer, 'elapsedMs'> {
  const { model } = decoder.shop;
  const puts = standing(decoder);
  const placed = new Set(puts.map(({ job }) => job));
  return {
    slots: puts.map(({ job, bay, technicians, start, end, setup }) => ({
      job: model.jobs[job]?.id ?? '',
      bay: model.bays[bay]?.id ?? '',
      technicians: technicians.map((each) => model.technicians[each]?.id ?? ''),
      start: instantOf(model, start),
      end: instantOf(model, end),
      setupMinutes: setup,
    })),
    unplaced: model.jobs.flatMap(({ id }, index) =>
      placed.has(index)
        ? []
        : [{ job: id, reason: model.unfit.get(index) ?? 'No room for it in the planning period.' }],
    ),
    objective: termsOf(model, puts),
    bound: NO_TERMS,
  };
}

/** Jobs the decoder found no place for before the horizon, with what stands in their way. */
function leftOver(decoder: Decoder): Map<number, string> {
  const { model } = decoder.shop;
  const placed = new Set(decoder.puts().map(({ job }) => job));
  const left = decoder.shop.free.filter((index) => !placed.has(index));
  return new Map(
    left.map((index) => {
      const job = model.jobs[index];
      const first = left.find(
        (other) =>
          other !== index &&
          (job?.after.includes(other) ||
            (model.jobs[other]?.outOfService && !job?.outOfService && model.jobs[other]?.trailer === job?.trailer)),
      );
      return [
        index,
        first === undefined
          ? 'No crew and bay are free at the same time in the planning period.'
          : `It waits for ${model.jobs[first]?.id}, which finds no place before the horizon.`,
      ];
    }),
  );
}

const promisedOf = (model: Model, slots: readonly Slot[]): Map<number, Promised> => {
  const jobs = new Map(model.jobs.map(({ id }, index) => [id, index]));
  const bays = new Map(model.bays.map(({ id }, index) => [id, index]));
  return new Map(
    slots.flatMap(({ job, bay, start }) => {
      const index = jobs.get(job);
      return index === undefined
        ? []
        : [
            [
              index,
              { start: Math.round((Date.parse(start) - model.zero) / 60_000), bay: bays.get(bay) ?? -1 },
            ] as const,
          ];
    }),
  );
};

/**
 * Plans a shop: a start, a bay and people for every job that can have them, the best that is found in the time. Each plan
 * that leaves it has passed the independent checker. Throws {@link PlanRefused} for a request no plan can be made of, and
 * {@link PlanUnsound}, with its seed, where the checker refuses what was found.
 */
export function plan(request: PlanRequest, options: PlanOptions = {}): Planned {
  const read = modelOf(request, options.held);
  try {
    return planned(request, read, options, true);
  } catch (error) {
    // A visit that was to be part of a pinned stay, and is not, since its trailer went elsewhere between.
    if (!(error instanceof PlanUnsound) || !request.jobs.some((job) => job.pinned)) throw error;
    return planned(request, read, options, false);
  }
}

/** A request as it is being planned, and what the search has used. */
interface Planning {
  request: PlanRequest;
  options: PlanOptions;
  joining: boolean;
  steps: number;
  used: { steps: number; decodes: number; toldAt: number | null };
}

const elapsedIn = ({ options }: Planning): number => options.elapsed?.() ?? 0;

/** What a decoder put where, as an answer. Throws {@link PlanUnsound} where the checker refuses it. */
function finished({ request }: Planning, decoder: Decoder): Omit<PlanAnswer, 'elapsedMs'> {
  const answer = answerOf(decoder);
  const breaches = checkPlan(request, answer);
  if (breaches.length) throw new PlanUnsound(request.seed, breaches);
  return answer;
}

/** Searches for the share of the time that is its own, tells better plans as they come, and leaves the best in the decoder. */
function searched(planning: Planning, model: Model, share: number): Decoder {
  const { request, options, steps, used } = planning;
  const { elapsed, stop = () => false } = options;
  const begun = elapsedIn(planning);
  const until = begun + (request.timeLimitMs - begun) * share;
  const late = request.timeLimitMs * (1 + LATE_SHARE) + LATE_MS;
  const decoder = new Decoder(model, promisedOf(model, options.promised ?? []), planning.joining, {
    over: () => stop() || (elapsed !== undefined && elapsed() >= until),
    tooLate: () => elapsed !== undefined && elapsed() >= late,
  });
  const given = options.from ? givenChoice(decoder, options.from) : null;
  const starts = [...firstChoices(decoder), ...(given ? [given] : [])].sort((a, b) => a.cost - b.cost);
  const byTime = () => (until > begun ? (elapsedIn(planning) - begun) / (until - begun) : 1);
  const progress = (step: number) => {
    used.steps = step;
    return Math.max(step / steps, elapsed ? byTime() : 0);
  };
  search(decoder, starts, request.seed, { steps, progress, stop }, () => {
    const due = used.toldAt === null || !elapsed || elapsed() - used.toldAt >= TELL_MS;
    if (!options.better || !due || leftOver(decoder).size) return;
    options.better({ ...finished(planning, decoder), elapsedMs: elapsedIn(planning) });
    used.toldAt = elapsedIn(planning);
  });
  used.decodes += decoder.decodes;
  return decoder;
}

/** The best plan found. What finds no place is taken out, so that nothing of it – half of a set-up, a crew – is left in it. */
function searchedWhole(planning: Planning, read: Model, share: number): Decoder {
  let decoder = searched(planning, read, share);
  for (let left = leftOver(decoder); left.size; left = leftOver(decoder))
    decoder = searched(planning, without(decoder.shop.model, left), share);
  return decoder;
}

/** What is proven of a plan: nothing where it is not asked for, or something finds no place before the horizon. */
function provenOf({ request, options }: Planning, { model }: { model: Model }, isWhole: boolean, objective: Objective) {
  const { elapsed, stop = () => false, proof = true } = options;
  if (!proof || !isWhole) return { bound: NO_TERMS, boundSum: 0 };
  const over = () => stop() || (elapsed !== undefined && elapsed() >= request.timeLimitMs);
  if (over()) return { bound: NO_TERMS, boundSum: 0 };
  const { terms, sum } = boundOf(model, objective, options.rounds ?? BOUND_ROUNDS, over);
  const bound = heldWithout(model, terms);
  return { bound, boundSum: Math.max(sum, sumOf(bound, model.weights)) };
}

function planned(request: PlanRequest, read: Model, options: PlanOptions, joining: boolean): Planned {
  const planning: Planning = {
    request,
    options,
    joining,
    steps: options.steps ?? (options.elapsed ? Number.MAX_SAFE_INTEGER : STEPS),
    used: { steps: 0, decodes: 0, toldAt: null },
  };
  const { used } = planning;
  const decoder = searchedWhole(planning, read, options.proof === false ? 1 : 1 - BOUND_SHARE);
  const { model } = decoder.shop;
  const given = options.from ? asGiven(request, model, options.from) : null;
  const answer = betterOf(finished(planning, decoder), given, model.weights);
  const isWhole = model.unfit.size === read.unfit.size;
  const proven = provenOf(planning, decoder.shop, isWhole, answer.objective);
  return { ...answer, ...proven, elapsedMs: elapsedIn(planning), steps: used.steps, decodes: used.decodes };
}

type Found = Omit<PlanAnswer, 'elapsedMs'>;

/** A given plan as an answer, where it still keeps every rule and leaves nothing out that could be placed. */
function asGiven(request: PlanRequest, model: Model, slots: readonly Slot[]): Found | null {
  const at = new Map(model.jobs.map(({ id }, index) => [id, index]));
  const minute = (instant: string) => Math.round((Date.parse(instant) - model.zero) / 60_000);
  const puts = slots.flatMap(({ job, start, end, setupMinutes }): Put[] => {
    const index = at.get(job);
    if (index === undefined) return [];
    return [{ job: index, bay: 0, technicians: [], start: minute(start), end: minute(end), setup: setupMinutes }];
  });
  const placed = new Set(puts.map(({ job }) => job));
  if (model.jobs.some((_, index) => !placed.has(index) && !model.unfit.has(index))) return null;
  const answer: Found = {
    slots: slots.filter(({ job }) => at.has(job)),
    unplaced: model.jobs.flatMap(({ id }, index) =>
      placed.has(index) ? [] : [{ job: id, reason: model.unfit.get(index) ?? '' }],
    ),
    objective: termsOf(model, puts),
    bound: NO_TERMS,
  };
  return checkPlan(request, answer).length ? null : answer;
}

const betterOf = (found: Found, given: Found | null, weights: PlanWeights): Found =>
  given &&
  (found.unplaced.length > given.unplaced.length || sumOf(given.objective, weights) < sumOf(found.objective, weights))
    ? given
    : found;

/** A model without what finds no place, nor what waits for that: be it pinned, unless it has begun. */
function without(model: Model, left: ReadonlyMap<number, string>): Model {
  const unfit = new Map([...model.unfit, ...left]);
  const jobs = [...model.jobs];
  for (let more = true; more; ) {
    more = false;
    for (const [index, job] of jobs.entries()) {
      const before = job.after.find((each) => unfit.has(each));
      if (before === undefined || unfit.has(index) || job.pinned?.begun) continue;
      const other = jobs[before]?.id;
      unfit.set(
        index,
        job.pinned
          ? `It is pinned, and ${other}, which it waits for, finds no place before it.`
          : `It waits for ${other}, which finds no place.`,
      );
      jobs[index] = { ...job, pinned: null };
      more = true;
    }
  }
  return { ...model, jobs, unfit };
}

/** Trailers held by what cannot be placed are held to the horizon, in every plan. */
function heldWithout(model: Model, terms: Objective): Objective {
  const held = new Set(
    model.jobs.flatMap((job, index) => (job.outOfService && model.unfit.has(index) ? [job.trailer] : [])),
  );
  const others = [...held].filter(
    (trailer) =>
      !model.jobs.some((job, index) => job.trailer === trailer && job.outOfService && !model.unfit.has(index)),
  );
  return { ...terms, heldMinutes: terms.heldMinutes + others.length * model.exactHorizon };
}
