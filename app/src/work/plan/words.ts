import type { Board, BoardJob, Difference, Objective, PlanRun } from '@zealous-axle/core';
import { type PlanWeights, sumOf } from '@zealous-axle/core';
import type { Binding } from '@zealous-axle/core/plan';
import { clock, dayName } from '../../look/dates';
import { minutesWords } from '../../look/minutes';

/** The names of what a plan speaks of by id. */
export interface Names {
  job: (id: string) => string;
  bay: (id: string) => string;
  person: (id: string) => string;
}

export function namesOf({ jobs, bays, people }: Pick<Board, 'jobs' | 'bays' | 'people'>): Names {
  const of = (pairs: readonly [string, string][]) => {
    const known = new Map(pairs);
    return (id: string) => known.get(id) ?? 'no longer in the fleet';
  };
  return {
    job: of(jobs.map(({ id, number, title }) => [id, `${number}, ${title}`])),
    bay: of(bays.map(({ id, name }) => [id, name])),
    person: of(people.map(({ id, name }) => [id, name])),
  };
}

/** Sentences of the planner name bays, people and jobs by id: here by their names. */
export function named(sentence: string, { jobs, bays, people }: Pick<Board, 'jobs' | 'bays' | 'people'>): string {
  const all: [string, string][] = [
    ...jobs.map(({ id, number }): [string, string] => [id, number]),
    ...jobs.map(({ unit, number }): [string, string] => [unit, number]),
    ...bays.map(({ id, name }): [string, string] => [id, name]),
    ...people.map(({ id, name }): [string, string] => [id, name]),
  ];
  return all.reduce((text, [id, name]) => text.replaceAll(id, name), sentence);
}

const signed = (minutes: number): string => `${minutes < 0 ? '−' : '+'}${minutesWords(Math.abs(Math.round(minutes)))}`;

const TERMS: readonly [keyof Objective, string][] = [
  ['heldMinutes', 'held'],
  ['weightedLateness', 'late, weighted'],
  ['setupMinutes', 'setup'],
  ['makespanMinutes', 'until all done'],
];

/** What a plan changes, in words and numbers: `−2 h held, +15 min set-up, 3 jobs move`. */
export function differenceWords({ moves, terms }: Difference): string {
  const said = TERMS.flatMap(([key, name]) => (Math.round(terms[key]) === 0 ? [] : [`${signed(terms[key])} ${name}`]));
  const added = moves.filter(({ how }) => how === 'new').length;
  const gone = moves.filter(({ how }) => how === 'gone').length;
  const moved = moves.length - added - gone;
  const jobs = (count: number, one: string, many: string) =>
    count ? [count === 1 ? `1 job ${one}` : `${count} jobs ${many}`] : [];
  const all = [
    ...said,
    ...jobs(added, 'is scheduled', 'are scheduled'),
    ...jobs(moved, 'moves', 'move'),
    ...jobs(gone, 'is no longer scheduled', 'are no longer scheduled'),
  ];
  return all.length ? all.join(', ') : 'Nothing changes';
}

/** How near a plan is proven to be to the best there is; null where nothing was proven. */
export function provenWords({ answer }: Pick<PlanRun, 'answer'>, weights: PlanWeights): string | null {
  if (!answer || answer.boundSum <= 0) return null;
  const sum = sumOf(answer.objective, weights);
  const apart = ((sum - answer.boundSum) / Math.max(sum, weights.sum.makespanMinutes)) * 100;
  return apart < 0.05
    ? 'Proven: no plan is better.'
    : `Proven within ${apart < 1 ? apart.toFixed(1) : Math.ceil(apart)} % of the best.`;
}

/** What keeps a job from standing earlier, in a sentence. */
export function bindingWords(binding: Binding, names: Names, unitOf: (trailer: string) => string): string {
  switch (binding.by) {
    case 'pin':
      return 'It is pinned here.';
    case 'now':
      return 'It starts right away.';
    case 'release':
      return 'Its parts or its unit are not here earlier.';
    case 'after':
      return `It follows ${names.job(binding.job)}.`;
    case 'trailer':
      return `Its unit is in ${names.job(binding.job)} before that.`;
    case 'bay':
      return `${names.bay(binding.bay)} has ${unitOf(binding.trailer)} before that.`;
    case 'bay-hours':
      return `${names.bay(binding.bay)} opens then.`;
    case 'person':
      return `${names.person(binding.technician)} is on ${names.job(binding.job)} before that.`;
    case 'shift':
      return `${names.person(binding.technician)}: shift starts then.`;
    case 'others':
      return 'Any earlier would delay other jobs more.';
  }
}

/** What a job waits for of the parts room; null where nothing is missing. */
export function waitsWords({ waits }: Pick<BoardJob, 'waits'>): string | null {
  if (!waits) return null;
  const { on, how, unknown } = waits;
  const said = {
    expected: (day: string) => `Parts expected ${day}`,
    'to order': (day: string) => `Parts not ordered yet: ${day} at the earliest`,
    overdue: () => 'Parts overdue',
  };
  const room = unknown ? `${unknown} is not in the parts list: planned as if in stock` : '';
  return [on ? said[how](dayName(on)) : '', room].filter(Boolean).join('. ');
}

/** What somebody who cannot see the bar is told of it. */
export function slotWords(
  job: BoardJob,
  slot: {
    start: string;
    end: string;
    setupMinutes: number;
    pinned: boolean;
    technicians: readonly string[];
    bay: string;
  },
  names: Names,
  zone: string,
): string {
  const until = clock(slot.end, zone);
  return [
    `${job.number}, ${job.title}`,
    `${clock(slot.start, zone)} to ${until}`,
    slot.bay ? names.bay(slot.bay) : 'no bay',
    slot.technicians.map(names.person).join(' and '),
    slot.setupMinutes ? `includes ${minutesWords(slot.setupMinutes)} setup` : '',
    job.held ? 'held' : '',
    job.begun ? 'begun' : '',
    slot.pinned && !job.begun ? 'pinned' : '',
    waitsWords(job) ?? '',
  ]
    .filter(Boolean)
    .join(', ');
}
