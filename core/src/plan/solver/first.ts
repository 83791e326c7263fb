import type { Choice, Decoder } from './decode';
import { type Model, NEVER } from './figures';

/** How strongly an early due date presses, in minutes; what holding a trailer adds; how much of the shifts is worked. */
const WAYS = [480, 4_320].flatMap((kappa) => [0.6, 1].map((worked) => ({ kappa, holding: 1_000, worked })));
/** How often a plan is decoded again in the order in which its jobs begin. */
const SORTS = 2;
/** Up to so many jobs, whole stays are tried too; beyond, they only cost time. */
const WHOLE_STAYS = 100;

const empty = (count: number): Choice => ({
  order: new Int32Array(count),
  visit: new Int32Array(count),
  room: new Int32Array(count).fill(-1),
  person: new Int32Array(count).fill(-1),
});

/**
 * Visits to begin with: each trailer's jobs in one where a room is fit for all of them, else what holds it in one and
 * the rest where it fits. `apart` puts everything that needs not be together in a visit of its own.
 */
export function firstVisits(decoder: Decoder, apart = false): Int32Array {
  const visit = new Int32Array(decoder.shop.count);
  for (const here of decoder.shop.jobsOf) {
    const visits: { id: number; kinds: number }[] = [];
    const holding = here.filter((at) => decoder.shop.outOfService[at] === 1);
    const rest = here.filter((at) => decoder.shop.outOfService[at] === 0);
    const [first] = holding;
    if (first !== undefined) {
      const kinds = holding.reduce((mask, at) => mask | decoder.shop.kind[at]!, 0);
      visits.push({ id: first, kinds });
      for (const at of holding) visit[at] = first;
    }
    for (const at of rest) {
      const kinds = decoder.shop.kind[at]!;
      const into = apart ? undefined : visits.find((each) => decoder.roomFits(each.kinds | kinds).length > 0);
      if (into) {
        into.kinds |= kinds;
        visit[at] = into.id;
      } else {
        visits.push({ id: at, kinds });
        visit[at] = at;
      }
    }
  }
  return visit;
}

/** Shift minutes of everybody, for each minute up to the horizon. */
function shiftsAMinute({ technicians, horizon }: Model): number {
  const ahead = technicians.flatMap(({ shifts }) =>
    shifts.map(({ from, to }) => Math.max(0, Math.min(horizon, to) - Math.max(0, from))),
  );
  return Math.max(1e-6, ahead.reduce((sum, minutes) => sum + minutes, 0) / Math.max(1, horizon));
}

/** The jobs as one would take them up, walking through the days: of those that are there, what presses most. */
function walkOrder(decoder: Decoder, { kappa, holding, worked }: (typeof WAYS)[number], rate: number): Int32Array {
  const jobs = decoder.shop.free.map((index) => decoder.shop.model.jobs[index]!);
  const left = new Set(jobs.keys());
  const order: number[] = [];
  let now = 0;
  while (left.size) {
    let [first, most, next] = [-1, -1, NEVER];
    for (const at of left) {
      const job = jobs[at]!;
      if (job.release > now) {
        next = Math.min(next, job.release);
        continue;
      }
      const slack = Math.max(0, job.due - now - job.minutes);
      const latest = decoder.latestOf(at);
      const must = latest < NEVER ? holding * Math.exp(-Math.max(0, latest - now - job.minutes) / kappa) : 0;
      const urgent = must + (job.outOfService ? holding : 0) + 100 * job.weight * Math.exp(-slack / kappa);
      const press = urgent / (job.minutes * job.people);
      if (press > most) [first, most] = [at, press];
    }
    if (first < 0) {
      now = next;
      continue;
    }
    left.delete(first);
    order.push(first);
    now += (jobs[first]!.minutes * jobs[first]!.people) / (rate * worked);
  }
  return Int32Array.from(order);
}

/** The order in which the jobs of the decoder's kept plan begin; what begins together stays in order. */
export function byStart(decoder: Decoder, order: Int32Array): Int32Array {
  const rank = new Int32Array(order.length);
  for (const [index, at] of order.entries()) rank[at] = index;
  return Int32Array.from([...order].sort((a, b) => decoder.startOf(a) - decoder.startOf(b) || rank[a]! - rank[b]!));
}

export const copyOf = ({ order, visit, room, person }: Choice): Choice => ({
  order: Int32Array.from(order),
  visit: Int32Array.from(visit),
  room: Int32Array.from(room),
  person: Int32Array.from(person),
});

/** A choice and what it costs. */
export interface Costed {
  choice: Choice;
  cost: number;
}

function bestOf(decoder: Decoder, visit: Int32Array, orders: readonly Int32Array[]): Costed {
  let best: Costed | null = null;
  for (const order of orders) {
    if (best && decoder.isOver()) break;
    const choice: Choice = {
      ...empty(decoder.shop.count),
      order: Int32Array.from(order),
      visit: Int32Array.from(visit),
    };
    let cost = decoder.decode(choice);
    for (let sorts = 0; ; sorts++) {
      if (!best || cost < best.cost) best = { choice: { ...choice, order: Int32Array.from(choice.order) }, cost };
      if (sorts === SORTS || decoder.isOver()) break;
      choice.order = byStart(decoder, choice.order);
      const again = decoder.decode(choice);
      if (again >= cost) break;
      cost = again;
    }
  }
  return best ?? { choice: empty(decoder.shop.count), cost: 0 };
}

/** The best of a few quick plans, and – for a small shop – the best with whole stays or without, whichever that is not. */
export function firstChoices(decoder: Decoder): Costed[] {
  const rate = shiftsAMinute(decoder.shop.model);
  const orders: Int32Array[] = [];
  for (const way of WAYS) {
    if (orders.length && decoder.isOver()) break;
    orders.push(walkOrder(decoder, way, rate));
  }
  const apart = bestOf(decoder, firstVisits(decoder, true), orders);
  if (decoder.shop.count > WHOLE_STAYS || decoder.isOver()) return [apart];
  return [apart, bestOf(decoder, firstVisits(decoder), orders)].sort((a, b) => a.cost - b.cost);
}
