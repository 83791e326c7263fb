import { randomOf } from '../../chance';
import { type PlanJob, type PlanRequest, PRIORITIES } from '../wire';

/** What a made-up shop is made of. */
export interface MadeUp {
  seed: number;
  jobs: number;
  days?: number;
  /** Bays closed at night, moving in paid, jobs that wait for others. */
  hard?: boolean;
}

const MINUTE_MS = 60_000;
const BEGIN = Date.parse('2026-11-23T07:00:00.000Z');
const at = (minutes: number): string => new Date(BEGIN + minutes * MINUTE_MS).toISOString();
const SKILLS = ['brakes', 'tyres', 'electrical', 'welding'] as const;

/** A shop with its jobs, the same for the same seed: for tests, benches and trials. */
export function madeUpShop({ seed, jobs: count, days = 10, hard = false }: MadeUp): PlanRequest {
  const random = randomOf(seed);
  const pick = <T>(from: readonly T[]): T => from[random.below(from.length)] as T;
  const people = Math.max(2, Math.min(8, Math.round(count / 10) + 2));
  const bays = Math.max(2, Math.min(6, Math.round(count / 12) + 1));
  const hours = (from: number, to: number): [string, string][] =>
    Array.from({ length: days }, (_, day) => [at(day * 1_440 + from), at(day * 1_440 + to)]);
  const technicians = Array.from({ length: people }, (_, index) => {
    const skills = SKILLS.filter((_, skill) => index < 2 || skill === index % 4 || random.next() < 0.4);
    return { id: `K${index}`, skills: [...skills], shifts: index % 2 ? hours(60, 570) : hours(0, 450) };
  });
  const jobs: PlanJob[] = [];
  let trailer = 0;
  while (jobs.length < count) {
    const here = Math.min(count - jobs.length, 1 + random.below(4));
    const holds = random.next() < 0.3;
    const arrives = random.next() < 0.4 ? random.below(days * 120) * 5 : 0;
    for (let index = 0; index < here; index++) {
      const axle = random.next() < 0.6 ? 1 + random.below(3) : null;
      const minutes = 15 * (1 + random.below(12));
      const priority = holds && index === 0 ? 'out-of-service' : pick(PRIORITIES.slice(1));
      jobs.push({
        id: `J${jobs.length}`,
        trailer: `T${trailer}`,
        axle,
        skill: pick(SKILLS),
        technicians: random.next() < 0.2 ? 2 : 1,
        bayKind: pick(['floor', 'floor', 'lift', ...(hard ? ['long'] : [])]),
        minutes,
        setup: axle === null ? null : 'wheels-off',
        priority,
        release: at(arrives),
        due: random.next() < 0.9 ? at(arrives + minutes + 60 * (1 + random.below(72))) : null,
        after: hard && index > 0 && priority !== 'out-of-service' && random.next() < 0.2 ? [`J${jobs.length - 1}`] : [],
        pinned: null,
      });
    }
    trailer++;
  }
  const open = hard ? hours(0, 900) : ([[at(0), at(days * 1_440)]] as [string, string][]);
  return {
    now: at(0),
    horizonDays: days,
    timeLimitMs: 1_000,
    seed,
    bays: Array.from({ length: bays }, (_, index) => ({
      id: `B${index}`,
      kinds: index === 0 ? ['floor', 'lift', 'long'] : index % 2 ? ['floor'] : ['floor', 'lift'],
      open,
    })),
    technicians,
    jobs,
    setups: { 'wheels-off': 30, ...(hard ? { shunt: 15 } : {}) },
  };
}

/** Pairs of machine and minutes, of a row of both by turns: so the classical job shops are written down. */
export const pairsOf = (row: readonly number[]): [machine: number, minutes: number][] =>
  row.flatMap((machine, at) => (at % 2 ? [] : [[machine, row[at + 1] ?? 0]]));

/**
 * A classical job shop in the wire form: each machine a bay of its own kind, each job a trailer, everybody skilled.
 * `operations` are, job by job, pairs of machine and minutes in their order.
 */
export function jobShop(
  operations: readonly (readonly (readonly [machine: number, minutes: number])[])[],
): PlanRequest {
  const machines = 1 + Math.max(...operations.flat().map(([machine]) => machine));
  const whole: [string, string][] = [[at(0), at(60 * 1_440)]];
  return {
    now: at(0),
    horizonDays: 60,
    timeLimitMs: 10_000,
    seed: 1,
    bays: Array.from({ length: machines }, (_, index) => ({ id: `M${index}`, kinds: [`M${index}`], open: whole })),
    technicians: Array.from({ length: operations.length }, (_, index) => ({
      id: `K${index}`,
      skills: ['any'],
      shifts: whole,
    })),
    jobs: operations.flatMap((steps, job) =>
      steps.map(([machine, minutes], index) => ({
        id: `${job}.${index}`,
        trailer: `T${job}`,
        axle: null,
        skill: 'any',
        technicians: 1,
        bayKind: `M${machine}`,
        minutes,
        setup: null,
        priority: 'planned' as const,
        release: null,
        due: null,
        after: index ? [`${job}.${index - 1}`] : [],
        pinned: null,
      })),
    ),
    setups: {},
  };
}
