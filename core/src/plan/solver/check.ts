import weights from '../weights.json';
import type { Objective, PlanAnswer, PlanRequest, Slot } from '../wire';

/** A rule of the plan that is broken, or a sum that does not add up. */
export interface Breach {
  rule: 'whole' | '1' | '2' | '3' | '4' | '5' | '6' | '7' | 'horizon' | 'sum' | 'bound';
  job: string | null;
  message: string;
}

type Job = PlanRequest['jobs'][number];
interface Placed {
  job: Job;
  slot: Slot;
  from: number;
  to: number;
  /** Pinned, and begun before now: a fact, whatever the rules say. */
  begun: boolean;
}

const MINUTE = 60_000;
const DAY = 86_400_000;
const ms = (instant: string): number => Date.parse(instant);
/** Hours in milliseconds. */
type Hours = readonly (readonly [from: number, to: number])[];
const hoursOf = (given: readonly (readonly [string, string])[]): Hours => given.map(([from, to]) => [ms(from), ms(to)]);

const covers = (hours: Hours, from: number, to: number): boolean =>
  hours.some(([begin, end]) => begin <= from && end >= to);

/** Milliseconds of [from, to) in which all of several lists of hours run. */
function together(lists: readonly Hours[], from: number, to: number): number {
  const marks = [...new Set([from, to, ...lists.flatMap((list) => list.flat())])]
    .filter((mark) => mark >= from && mark <= to)
    .sort((a, b) => a - b);
  let sum = 0;
  for (const [index, mark] of marks.entries()) {
    const next = marks[index + 1];
    if (next !== undefined && lists.every((list) => covers(list, mark, next))) sum += next - mark;
  }
  return sum;
}

/** The stays of one trailer: its slots that follow each other in one bay with no other trailer between. */
function staysOf(trailer: string, placed: readonly Placed[]): Placed[][] {
  const own = placed.filter(({ job }) => job.trailer === trailer).sort((a, b) => a.from - b.from);
  const stays: Placed[][] = [];
  for (const each of own) {
    const before = stays.at(-1)?.at(-1);
    const between =
      before &&
      placed.some(
        (other) =>
          other.job.trailer !== trailer &&
          other.slot.bay === each.slot.bay &&
          other.from >= before.to &&
          other.to <= each.from,
      );
    if (before && before.slot.bay === each.slot.bay && !between) stays.at(-1)?.push(each);
    else stays.push([each]);
  }
  return stays;
}

class Check {
  readonly breaches: Breach[] = [];
  private readonly placed: Placed[] = [];
  private readonly stays: { trailer: string; stay: Placed[] }[] = [];
  private readonly bays: Map<string, PlanRequest['bays'][number] & { hours: Hours }>;
  private readonly people: Map<string, PlanRequest['technicians'][number] & { hours: Hours }>;
  private readonly longest = new Map<string, number>();

  constructor(
    private readonly request: PlanRequest,
    private readonly answer: Pick<PlanAnswer, 'slots' | 'unplaced' | 'objective' | 'bound'>,
  ) {
    this.bays = new Map(request.bays.map((bay) => [bay.id, { ...bay, hours: hoursOf(bay.open) }]));
    this.people = new Map(request.technicians.map((one) => [one.id, { ...one, hours: hoursOf(one.shifts) }]));
  }

  /** The longest shift of anybody with a skill. */
  private longestShift(skill: string): number {
    const known = this.longest.get(skill);
    if (known !== undefined) return known;
    let longest = 0;
    for (const { skills, hours } of this.people.values())
      if (skills.includes(skill)) for (const [from, to] of hours) longest = Math.max(longest, to - from);
    this.longest.set(skill, longest);
    return longest;
  }

  private say(rule: Breach['rule'], job: string | null, message: string): void {
    this.breaches.push({ rule, job, message });
  }

  run(): Breach[] {
    this.everyJobOnce();
    for (const trailer of new Set(this.placed.map(({ job }) => job.trailer)))
      for (const stay of staysOf(trailer, this.placed)) this.stays.push({ trailer, stay });
    for (const each of this.placed) this.slotByItself(each);
    this.oneThingAtATime();
    this.setups();
    this.holdingFirst();
    this.sums();
    return this.breaches;
  }

  private everyJobOnce(): void {
    const { request, answer } = this;
    const jobs = new Map(request.jobs.map((job) => [job.id, job]));
    const told = [...answer.slots.map(({ job }) => job), ...answer.unplaced.map(({ job }) => job)];
    const times = new Map<string, number>();
    for (const id of told) times.set(id, (times.get(id) ?? 0) + 1);
    for (const [id, count] of times) {
      if (!jobs.has(id)) this.say('whole', id, 'there is no such job');
      if (count > 1) this.say('whole', id, 'it stands here twice');
    }
    for (const { id } of request.jobs) if (!times.has(id)) this.say('whole', id, 'it is neither placed nor unplaced');
    for (const slot of answer.slots) {
      const job = jobs.get(slot.job);
      if (!job) continue;
      const begun = job.pinned != null && ms(job.pinned.start) < ms(request.now);
      this.placed.push({ job, slot, from: ms(slot.start), to: ms(slot.end), begun });
    }
  }

  private slotByItself({ job, slot, from, to, begun }: Placed): void {
    const { request } = this;
    const bay = this.bays.get(slot.bay);
    const people = slot.technicians.map((id) => this.people.get(id));
    if (job.pinned) {
      const same =
        slot.bay === job.pinned.bay &&
        from === ms(job.pinned.start) &&
        [...slot.technicians].sort().join() === [...job.pinned.technicians].sort().join();
      if (!same) this.say('5', job.id, 'it is pinned, and stands elsewhere');
    }
    if (!bay) {
      this.say('5', job.id, `there is no bay ${slot.bay}`);
      return;
    }
    if (!bay.kinds.includes(job.bayKind)) this.say('5', job.id, `${bay.id} is no ${job.bayKind} bay`);
    if (people.length !== job.technicians || new Set(slot.technicians).size !== people.length)
      this.say('3', job.id, `it takes ${job.technicians} people`);
    for (const [index, person] of people.entries())
      if (!person?.skills.includes(job.skill))
        this.say('3', job.id, `${slot.technicians[index]} does not have the skill ${job.skill}`);
    if (begun) return;
    if (from < ms(request.now)) this.say('horizon', job.id, 'it begins before now');
    if (to > ms(request.now) + request.horizonDays * DAY) this.say('horizon', job.id, 'it ends after the horizon');
    if (job.release && from < ms(job.release)) this.say('5', job.id, 'it begins before its release');
    for (const id of job.after ?? []) {
      const before = this.placed.find((each) => each.job.id === id);
      if (!before || before.to > from) this.say('5', job.id, `it begins before ${id} is done`);
    }
    const hours = people.map((person) => person?.hours ?? []);
    const work = (job.minutes + slot.setupMinutes) * MINUTE;
    if (work > this.longestShift(job.skill)) {
      if (together([...hours, bay.hours], from, to) !== work)
        this.say('7', job.id, 'its work in shifts and hours is not its minutes');
      return;
    }
    if (to - from !== work) this.say('7', job.id, 'its slot is not as long as its work');
    if (!covers(bay.hours, from, to)) this.say('1', job.id, `${bay.id} is not open all the while`);
    for (const [index, list] of hours.entries())
      if (!covers(list, from, to))
        this.say('3', job.id, `${slot.technicians[index]} is not in one shift all the while`);
  }

  private oneThingAtATime(): void {
    const sorted = [...this.placed].sort((a, b) => a.from - b.from);
    for (const [index, one] of sorted.entries())
      for (let at = index + 1; at < sorted.length; at++) {
        const other = sorted[at] as Placed;
        if (other.from >= one.to) break;
        if (one.slot.bay === other.slot.bay) this.say('1', other.job.id, `it meets ${one.job.id} in ${one.slot.bay}`);
        if (one.job.trailer === other.job.trailer) this.say('2', other.job.id, `its trailer is at ${one.job.id} then`);
        for (const id of one.slot.technicians)
          if (other.slot.technicians.includes(id)) this.say('3', other.job.id, `${id} is at ${one.job.id} then`);
      }
    for (const { stay } of this.stays) {
      const [first, last] = [stay[0] as Placed, stay.at(-1) as Placed];
      for (const other of this.placed)
        if (other.slot.bay === first.slot.bay && !stay.includes(other) && other.from < last.to && other.to > first.from)
          this.say('1', other.job.id, `${first.slot.bay} is taken by ${first.job.trailer} then`);
    }
  }

  /** Once per trailer, axle and stay; moving in once per stay, with its first job. */
  private setups(): void {
    const { setups } = this.request;
    for (const { stay } of this.stays) {
      if (stay.some(({ job }) => job.pinned)) {
        this.pinnedSetups(stay);
        continue;
      }
      const shunt = setups.shunt ?? 0;
      const own = (each: Placed) => each.slot.setupMinutes - (each === stay[0] ? shunt : 0);
      const groups = new Map<string, number>();
      for (const each of stay) {
        const key = each.job.setup ? JSON.stringify([each.job.axle ?? null, each.job.setup]) : '';
        groups.set(key, (groups.get(key) ?? 0) + own(each));
        if (own(each) < 0) this.say('4', each.job.id, 'moving in is not in the first slot of its stay');
      }
      for (const [key, minutes] of groups) {
        const [, setup] = key ? (JSON.parse(key) as [number | null, string]) : [null, ''];
        const asked = setup && Object.hasOwn(setups, setup) ? (setups[setup] ?? 0) : 0;
        if (minutes !== asked)
          this.say('4', (stay[0] as Placed).job.id, `set-up ${setup || 'none'}: ${minutes} minutes, not ${asked}`);
      }
    }
  }

  /** With what is pinned the shares are as a caller or an earlier plan had them: only that none is negative is held against it. */
  private pinnedSetups(stay: readonly Placed[]): void {
    for (const { job, slot } of stay) if (slot.setupMinutes < 0) this.say('4', job.id, 'a set-up takes no time back');
  }

  /** What holds a trailer is all in one stay, and nothing else of it is in an earlier one. */
  private holdingFirst(): void {
    for (const trailer of new Set(this.stays.map((each) => each.trailer))) {
      const stays = this.stays.filter((each) => each.trailer === trailer).map(({ stay }) => stay);
      const holds = ({ job }: Placed) => job.priority === 'out-of-service' && !job.pinned;
      const with_ = stays.flatMap((stay, index) => (stay.some(holds) ? [index] : []));
      const [first] = with_;
      if (first === undefined) continue;
      if (with_.length > 1)
        this.say('6', stays[first]?.find(holds)?.job.id ?? null, `what holds ${trailer} is in ${with_.length} stays`);
      for (const each of stays.slice(0, first).flat())
        if (!each.job.pinned) this.say('6', each.job.id, `it comes before what holds ${trailer}`);
    }
  }

  private sums(): void {
    const { request, answer } = this;
    const now = ms(request.now);
    const minutes = (instant: number) => (instant - now) / MINUTE;
    const end = new Map(this.placed.map(({ job, to }) => [job.id, to]));
    const held = new Map<string, number>();
    for (const job of request.jobs) {
      if (job.priority !== 'out-of-service') continue;
      const until = end.get(job.id) ?? now + request.horizonDays * DAY;
      held.set(job.trailer, Math.max(held.get(job.trailer) ?? 0, minutes(until)));
    }
    const own: Objective = {
      heldMinutes: [...held.values()].reduce((sum, each) => sum + Math.max(0, each), 0),
      weightedLateness: this.placed.reduce(
        (sum, { job, to }) =>
          sum +
          (job.due
            ? (this.request.weights ?? weights).priority[job.priority] * Math.max(0, (to - ms(job.due)) / MINUTE)
            : 0),
        0,
      ),
      setupMinutes: this.placed.reduce((sum, { slot }) => sum + slot.setupMinutes, 0),
      makespanMinutes: Math.max(0, ...this.placed.map(({ to }) => minutes(to))),
    };
    for (const key of Object.keys(own) as (keyof Objective)[]) {
      if (Math.abs(own[key] - answer.objective[key]) > 1e-6)
        this.say('sum', null, `${key} is ${own[key]}, not ${answer.objective[key]}`);
      if (answer.bound[key] > own[key] + 1e-6)
        this.say('bound', null, `${key}: the bound ${answer.bound[key]} is above ${own[key]}`);
    }
  }
}

/**
 * Holds a plan against its rules and its sums, from the request and the answer alone: nothing of what made the plan is
 * used here. Empty where everything is kept.
 */
export const checkPlan = (
  request: PlanRequest,
  answer: Pick<PlanAnswer, 'slots' | 'unplaced' | 'objective' | 'bound'>,
): Breach[] => new Check(request, answer).run();
