import {
  chosen,
  DEFAULT_BOOK,
  type DefectState,
  expectedReadings,
  foundDefects,
  holdReason,
  isOpenDefect,
  type JobState,
  type Random,
  type Reading,
  sentences,
  type Unit,
} from '@zealous-axle/core';
import { BODIES, type Body } from './fleet';
import { wornReadings } from './history';
import { pastInspection, standing } from './past';
import { seededId } from './seeded-id';

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

/** Everything one made-up unit is made with. */
export interface Making {
  fleetId: string;
  now: Date;
  random: Random;
  technicians: readonly string[];
  drivers: readonly string[];
  foremen: readonly string[];
  bays: readonly string[];
}

const ago = (now: Date, days: number, hours = 0): Date => new Date(now.getTime() - days * DAY_MS - hours * HOUR_MS);
const day = (at: Date): string => at.toISOString().slice(0, 10);

/** How often each body is made, out of a hundred. */
const SHARES: readonly [Body, letter: string, share: number][] = [
  [BODIES.hopper, 'H', 30],
  [BODIES.liveFloor, 'L', 26],
  [BODIES.refrigerated, 'R', 20],
  [BODIES.dropDeck, 'D', 14],
  [BODIES.dolly, 'J', 5],
  [BODIES.yardTractor, 'Y', 5],
];

const SITES = ['Low Marsh', 'Chip wharf', 'Upper Fold', 'Seed barn', 'Root store', 'River depot', 'North yard'];

function bodyOf(random: Random): readonly [Body, string] {
  let left = random.next() * SHARES.reduce((sum, [, , share]) => sum + share, 0);
  const found = SHARES.find(([, , share]) => {
    left -= share;
    return left < 0;
  });
  const [body, letter] = found ?? (SHARES[0] as (typeof SHARES)[number]);
  return [body, letter];
}

/** Readings each unit has at least, over its past inspections. */
const LEAST_READINGS = 200;

/** Days before today on which a unit was inspected, oldest first, so many times. */
function inspectedOn(times: number, random: Random): number[] {
  const days = [2 + random.below(58)];
  while (days.length < times) days.unshift((days[0] ?? 0) + 30 + random.below(40));
  return days;
}

const BAD: Record<string, object> = {
  'stroke-applied': { value: '2 3/4 in' },
  lining: { points: ['3/32 in'] },
  tread: { grooves: [['1/32']] },
  'hub-oil': { leak: 'onto-lining' },
};
/** Of a hundred units, those whose last inspection found something. */
const FAILING = 9;

/** The last readings of a unit, some of them bad in one unit of eleven. */
function spoiled(values: readonly Reading[], random: Random): Reading[] {
  if (random.next() * 100 >= FAILING) return [...values];
  const worst = 1 + random.below(4);
  const picked = new Set(Array.from({ length: worst }, () => random.below(values.length)));
  return values.map((value, index) => (picked.has(index) ? ({ ...value, ...BAD[value.kind] } as Reading) : value));
}

/** What drivers report that needs no measuring again, and what they say of it. */
const REPORTED: readonly [code: string, words: string][] = [
  ['lamp-out', 'Rear lamp dark on the left'],
  ['tape-missing', 'Half of the tape is gone'],
  ['mud-flap-torn', 'Flap torn to the bracket'],
  ['door', 'The latch springs open on the field road'],
  ['floor', 'A board is broken behind the middle'],
  ['air-coupling', 'The seal of the red coupling hisses'],
  ['paper-missing', 'The registration is not in its tube'],
  ['landing-gear', 'The crank slips in low gear'],
];

/** How a report of some age stands, and how often. */
const STANDS: readonly [DefectState, number][] = [
  ['acknowledged', 55],
  ['dismissed', 13],
  ['certified', 8],
  ['done', 3],
  ['planned', 9],
  ['triaged', 7],
  ['reported', 5],
];
const JOB_OF: Partial<Record<DefectState, readonly JobState[]>> = {
  planned: ['open', 'placed', 'started'],
  done: ['done'],
  certified: ['certified'],
  acknowledged: ['certified'],
};
const RECENT_DAYS = 4;

function stateOf(daysAgo: number, random: Random): DefectState {
  if (daysAgo < RECENT_DAYS) return 'reported';
  let left = random.next() * STANDS.reduce((sum, [, share]) => sum + share, 0);
  for (const [state, share] of STANDS) {
    left -= share;
    if (left < 0) return state;
  }
  return 'reported';
}

/** A job that carries a defect, with the certificate and acknowledgement it led to. */
function jobFor(making: Making, unitId: string, { words, state, at }: { words: string; state: DefectState; at: Date }) {
  const { fleetId, random, now } = making;
  const states = JOB_OF[state];
  if (!states) return null;
  const id = seededId(random, at);
  const its = chosen(random, states);
  const daysSince = (now.getTime() - at.getTime()) / DAY_MS;
  const doneAt = ago(now, daysSince * 0.6);
  const finished = its === 'done' || its === 'certified';
  return {
    id,
    row: {
      fleetId,
      id,
      unitId,
      title: words,
      state: its,
      minutes: 20 + 5 * random.below(20),
      wheelsOff: false,
      bayId: its === 'open' ? null : chosen(random, making.bays),
      day: its === 'open' ? null : day(finished ? doneAt : ago(now, -random.below(9))),
      done: finished ? 'Put right as reported, tried, and looked at again' : null,
      doneAt: finished ? doneAt : null,
      doneRecordedAt: finished ? doneAt : null,
      doneBy: finished ? chosen(random, making.technicians) : null,
      version: 1,
    },
    certificate:
      its === 'certified'
        ? {
            fleetId,
            jobId: id,
            statement: 'Repaired as described.',
            signedBy: chosen(random, making.technicians),
            signedAt: doneAt,
          }
        : null,
    acknowledgedAt: state === 'acknowledged' ? ago(now, daysSince * 0.5) : null,
  };
}

/** What drivers reported of a unit over a year, and what became of it. */
function reportsOf(making: Making, unitId: string) {
  const { fleetId, random, now } = making;
  const count = random.below(4);
  return Array.from({ length: count }, () => {
    const daysAgo = random.next() ** 2 * 360;
    const at = ago(now, daysAgo);
    const [code, words] = chosen(random, REPORTED);
    const state = stateOf(daysAgo, random);
    const job = jobFor(making, unitId, { words, state, at });
    const id = seededId(random, at);
    const defect = {
      fleetId,
      id,
      unitId,
      code,
      axle: null,
      side: null,
      tyre: null,
      words,
      origin: 'driver' as const,
      inspectionId: null,
      reportedBy: chosen(random, making.drivers),
      reportedAt: at,
      state,
      holds: false,
      jobId: job?.id ?? null,
      version: 1,
    };
    const acknowledgement = job?.acknowledgedAt
      ? { fleetId, defectId: id, acknowledgedBy: chosen(random, making.drivers), acknowledgedAt: job.acknowledgedAt }
      : null;
    return { defect, job, acknowledgement };
  });
}

/** Of a hundred units, those that were held once and released. */
const RELEASED = 12;

function oldHold({ fleetId, random, now, foremen }: Making, unitId: string) {
  if (random.next() * 100 >= RELEASED) return null;
  const at = ago(now, 60 + random.next() * 250);
  const until = new Date(at.getTime() + (4 + random.next() * 90) * HOUR_MS);
  const by = chosen(random, foremen);
  const [hold, release] = [seededId(random, at), seededId(random, until)];
  return {
    hold: { fleetId, id: hold, unitId, reason: 'Leans to the left when empty', placedBy: by, placedAt: at },
    release: {
      fleetId,
      id: release,
      unitId,
      statement: 'Put right and measured again; released by me.',
      signedBy: by,
      signedAt: until,
    },
    released: { fleetId, holdId: hold, releaseId: release },
  };
}

type Past = ReturnType<typeof pastInspection>;

/** The inspections of a made-up unit, one more worn than the other; the last one may have found something. */
function pastOf({ fleetId, now, random, technicians }: Making, unit: Unit): Past[] {
  const days = inspectedOn(Math.ceil(LEAST_READINGS / expectedReadings(unit).length), random);
  const history = wornReadings(
    unit,
    days.map((each) => (days[0] ?? 0) - each),
    random,
  );
  return history.map((values, index) => {
    const last = index === history.length - 1;
    const at = ago(now, days[index] ?? 0, random.below(5));
    const taken = last ? spoiled(values, random) : values;
    return pastInspection({ fleetId, unit, values: taken, by: chosen(random, technicians), at }, random);
  });
}

/** What the last inspection found: its defects, and the hold they make. */
function foundBy({ fleetId, random }: Making, unitId: string, last: Past, open: Parameters<typeof foundDefects>[1]) {
  const { inspection, findings } = last;
  const { closedAt, startedBy } = inspection;
  const found = foundDefects(findings, open, { book: DEFAULT_BOOK });
  const reason = holdReason(inspection.verdict, found);
  return {
    defects: found.map(({ said, ...each }) => ({
      ...each,
      words: sentences(said),
      fleetId,
      id: seededId(random, closedAt),
      unitId,
      origin: 'inspection' as const,
      inspectionId: inspection.id,
      reportedBy: startedBy,
      reportedAt: closedAt,
      state: 'reported' as const,
      jobId: null,
      version: 1,
    })),
    holds: reason
      ? [
          {
            fleetId,
            id: seededId(random, closedAt),
            unitId,
            reason,
            placedBy: startedBy,
            placedAt: closedAt,
            inspectionId: inspection.id,
          },
        ]
      : [],
  };
}

/** The rows of one made-up unit: what it is, how it was measured, what was reported of it and repaired. */
export function largeUnit(making: Making, rank: number) {
  const { fleetId, now, random } = making;
  const [{ body, kind, axles }, letter] = bodyOf(random);
  const id = seededId(random, ago(now, 1_500));
  const unit: Unit = { id, kind, axles: axles() };
  const past = pastOf(making, unit);
  const last = past.at(-1);
  const reports = reportsOf(making, id);
  const open = reports.map(({ defect }) => defect).filter(({ state }) => isOpenDefect(state));
  const found = last ? foundBy(making, id, last, open) : { defects: [], holds: [] };
  const held = oldHold(making, id);
  return {
    unit: {
      fleetId,
      id,
      number: `${letter}-${10_000 + rank}`,
      body,
      kind,
      site: chosen(random, SITES),
      axles: unit.axles,
    },
    paper: {
      fleetId,
      id: seededId(random, now),
      unitId: id,
      paper: 'Periodic inspection',
      dueOn: day(ago(now, 25 - random.next() * 390)),
    },
    inspections: past.map(({ inspection }) => inspection),
    readings: past.flatMap(({ readings }) => readings),
    judgements: past.map(({ judgement }) => judgement),
    standing: standing(unit, last?.readings ?? []),
    jobs: reports.flatMap(({ job }) => job?.row ?? []),
    certificates: reports.flatMap(({ job }) => job?.certificate ?? []),
    acknowledgements: reports.flatMap(({ acknowledgement }) => acknowledgement ?? []),
    defects: [...reports.map(({ defect }) => defect), ...found.defects],
    holds: [...(held ? [held.hold] : []), ...found.holds],
    releases: held ? [held.release] : [],
    released: held ? [held.released] : [],
  };
}
export type LargeUnit = ReturnType<typeof largeUnit>;
