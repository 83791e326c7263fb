import type { Model, PlanRequest } from '../solver';

/** Jobs beyond which no proof is tried: it would not come to an end. Practice: sixty took 10 to 130 s. */
const MOST_JOBS = 60;
/** Whether a proof can be tried at all, before anything is read of the shop: few jobs, and none of them pinned. */
export const isAskable = ({ jobs }: Pick<PlanRequest, 'jobs'>): boolean =>
  jobs.length <= MOST_JOBS && jobs.every(({ pinned }) => pinned == null);

/** What a whole number of the solver holds, with room to add. */
const MOST_COST = 2 ** 30;

type Span = Model['bays'][number]['open'][number];

/** Sets stand as the solver's data form has them. */
interface Whole {
  set: number[];
}
type Figures = Record<string, number | number[] | boolean[] | Whole[]>;

/** A shop in the figures of {@link PROOF_MODEL}: `unit` minutes are one. */
export interface ProofData {
  unit: number;
  figures: Figures;
}

const divisor = (a: number, b: number): number => (b === 0 ? Math.abs(a) : divisor(b, a % b));
const setOf = (members: readonly number[]): Whole => ({ set: [...new Set(members)].sort((a, b) => a - b) });

/** The coarsest grid everything lies on: some best plan keeps to it, since nothing begins but at one of these times or when something ends. */
function unitOf({ jobs, groups, technicians, bays, shunt, horizon }: Model): number {
  const spans = [...technicians.flatMap(({ shifts }) => shifts), ...bays.flatMap(({ open }) => open)];
  return [
    shunt,
    ...jobs.flatMap(({ minutes, release, due }) => [minutes, release, due < horizon ? due : 0]),
    ...groups.flatMap(({ off, on }) => [off, on]),
    ...spans.flatMap(({ from, to }) => [from, to]),
  ].reduce(divisor, 0);
}

/** The times between spans, each whole; where two spans only touch, a gap without length that nothing goes over. */
function gapsOf(spans: readonly Span[], horizon: number): Span[] {
  const gaps: Span[] = [];
  let at = 0;
  for (const { from, to } of spans) {
    if (from > 0 && at < horizon) gaps.push({ from: at, to: Math.min(from, horizon) });
    at = Math.max(at, to);
  }
  if (at < horizon) gaps.push({ from: at, to: horizon });
  return gaps.filter(({ to }) => to > 0);
}

/** Every set, and every two of them together. */
function wholesOf(sets: readonly Whole[]): Whole[] {
  const known = new Map(sets.map((each) => [each.set.join(), each]));
  for (const one of [...known.values()])
    for (const other of [...known.values()]) {
      const both = setOf([...one.set, ...other.set]);
      known.set(both.set.join(), both);
    }
  return [...known.values()].filter(({ set }) => set.length > 0);
}

/** Each bay with the next one that is alike in its kinds and hours. */
const likesOf = (bays: Model['bays']): [one: number, other: number][] =>
  bays.flatMap((bay, at) => {
    const next = bays.findIndex(
      (other, index) =>
        index > at && other.kinds === bay.kinds && JSON.stringify(other.open) === JSON.stringify(bay.open),
    );
    return next < 0 ? [] : [[at + 1, next + 1] as [number, number]];
  });

/**
 * What a solver has to be given to find a plan whose weighted sum is below `best`, or to prove that there is none.
 * Null where it cannot be asked: something is pinned, has no place, is split over shifts, or there is too much of it.
 */
export function proofDataOf(model: Model, best: number): ProofData | null {
  const { jobs, groups, bays, technicians, unfit } = model;
  const { heldMinutes, weightedLateness, setupMinutes, makespanMinutes } = model.weights.sum;
  const unit = unitOf(model);
  const weights = [heldMinutes, setupMinutes, makespanMinutes, ...jobs.map(({ weight }) => weight * weightedLateness)];
  const whole = [unit, best, ...weights].every(Number.isInteger) && unit > 0;
  const plain = unfit.size === 0 && jobs.every(({ pinned, splits }) => pinned === null && !splits);
  const most = Math.ceil(best / unit) - 1;
  if (!whole || !plain || jobs.length === 0 || jobs.length > MOST_JOBS || most < 0 || best > MOST_COST) return null;
  const by = (minutes: number) => minutes / unit;
  const horizon = Math.floor(by(model.horizon));
  const gaps = (all: readonly (readonly Span[])[]) =>
    all.flatMap((spans, index) =>
      gapsOf(spans, horizon * unit).map(({ from, to }) => ({ index: index + 1, from, to })),
    );
  const closed = gaps(bays.map(({ open }) => open));
  const away = gaps(technicians.map(({ shifts }) => shifts));
  const baysOf = jobs.map(({ kind }) =>
    setOf(bays.flatMap(({ kinds }, at) => ((kind & ~kinds) === 0 ? [at + 1] : []))),
  );
  const likes = likesOf(bays);
  const crews = jobs.map(({ crew }) => setOf(crew.map((each) => each + 1)));
  return {
    unit,
    figures: {
      n: jobs.length,
      bayCount: bays.length,
      people: technicians.length,
      horizon,
      shunt: by(model.shunt),
      most,
      minutes: jobs.map(({ minutes }) => by(minutes)),
      needs: jobs.map(({ people }) => people),
      release: jobs.map(({ release }) => by(release)),
      due: jobs.map(({ due }) => (due < model.horizon ? by(due) : horizon)),
      late: jobs.map(({ due, weight }) => (due < model.horizon ? weight * weightedLateness : 0)),
      trailer: jobs.map(({ trailer }) => trailer + 1),
      group: jobs.map(({ group }) => group + 1),
      off: jobs.map(({ group }) => by(groups[group]?.off ?? 0)),
      on: jobs.map(({ group }) => by(groups[group]?.on ?? 0)),
      holds: jobs.map(({ outOfService }) => outOfService),
      bays: baysOf,
      crew: crews,
      after: jobs.map(({ after }) => setOf(after.map((each) => each + 1))),
      likes: likes.length,
      likeOne: likes.map(([one]) => one),
      likeOther: likes.map(([, other]) => other),
      closings: closed.length,
      closedBay: closed.map(({ index }) => index),
      closedFrom: closed.map(({ from }) => by(from)),
      closedTo: closed.map(({ to }) => by(to)),
      absences: away.length,
      awayWho: away.map(({ index }) => index),
      awayFrom: away.map(({ from }) => by(from)),
      awayTo: away.map(({ to }) => by(to)),
      crews: wholesOf(crews),
      rooms: wholesOf(baysOf),
      heldWeight: heldMinutes,
      setupWeight: setupMinutes,
      spanWeight: makespanMinutes,
    },
  };
}
