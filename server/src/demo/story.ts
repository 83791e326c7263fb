import {
  expectedReadings,
  jobOf,
  keyOf,
  type Reading,
  readingKey,
  TEMPLATES,
  TORQUE_STAGES,
  type Unit,
  workFor,
} from '@zealous-axle/core';
import { inspectFully } from './full';
import { later, type Teller } from './teller';

export interface DemoTrailer {
  unit: Unit;
  /** Readings of its last good inspection, by step. */
  last: Reading[];
}

const MINUTES_A_READING = 2;

/** Units that are known whole: inspected by the full route, and walked round today with nothing found. */
const WHOLE = ['H-11', 'L-23', 'R-35'] as const;

/** A whole inspection in which the readings in `odd` replace the usual ones, and the steps in `skipped` are left open. Gives the defects it made. */
async function inspect(
  { id, tell }: Teller,
  { unit, last }: DemoTrailer,
  hoursAgo: number,
  odd: readonly Reading[],
  skipped: Record<string, string> = {},
): Promise<string[]> {
  const inspection = id();
  const different = new Map(odd.map((reading) => [readingKey(reading), reading]));
  await tell('technician', 'start-inspection', hoursAgo, { inspection, unit: unit.id, purpose: 'full' });
  const steps = expectedReadings(unit);
  for (const [index, step] of steps.entries()) {
    const at = later(hoursAgo, (index + 1) * MINUTES_A_READING);
    const key = keyOf(step);
    const value = different.get(key) ?? last.find((reading) => readingKey(reading) === key);
    const reason = skipped[key];
    if (reason) await tell('technician', 'skip-reading', at, { skip: id(), inspection, step, reason });
    else if (value) await tell('technician', 'take-reading', at, { reading: id(), inspection, value });
  }
  const because = Object.values(skipped)[0];
  const { changed } = await tell(
    'technician',
    'close-inspection',
    later(hoursAgo, (steps.length + 1) * MINUTES_A_READING),
    {
      inspection,
      outcome: because ? 'incomplete' : 'complete',
      ...(because ? { because } : {}),
    },
  );
  return changed.filter(({ kind }) => kind === 'defect').map((each) => each.id);
}

const end = (axle: number, side: 'left' | 'right') => ({ axle, side });
const stroke = (axle: number, side: 'left' | 'right', value: string): Reading => ({
  kind: 'stroke-applied',
  ...end(axle, side),
  value,
  reservoir: '95 psi',
});
const whole = { axle: null, side: null, tyre: null };
const hub = (axle: number, side: 'left' | 'right', noted: object): Reading =>
  ({ kind: 'hub-oil', ...end(axle, side), level: 'between', condition: 'clear', leak: 'none', ...noted }) as Reading;

/** Where the story plays: who tells it, the trailers by number, the bays, and a day from today. */
interface Scene {
  narrator: Teller;
  trailer: (number: string) => DemoTrailer;
  bays: readonly string[];
  dayAhead: (days: number) => string;
}

/** A trailer for every verdict. */
async function tellInspections({ narrator, trailer }: Scene): Promise<void> {
  const { tell } = narrator;
  await inspect(narrator, trailer('L-22'), 20, [
    stroke(2, 'left', '2 3/4 in'),
    stroke(3, 'right', '2 13/16 in'),
    stroke(3, 'left', '2 5/8 in'),
    hub(2, 'left', { leak: 'seep' }),
  ]);
  const worn = await inspect(narrator, trailer('R-32'), 44, [
    { kind: 'lining', ...end(1, 'right'), points: ['3/32 in'] },
    { kind: 'tread', ...end(2, 'left'), tyre: 'outer', grooves: [['1/32']] },
  ]);
  for (const defect of worn) await tell('foreman', 'triage-defect', 40, { defect, version: 1, holds: true });
  await inspect(narrator, trailer('D-41'), 70, [
    { kind: 'tread', ...end(1, 'left'), tyre: 'inner', grooves: [['3/32']] },
  ]);
  await inspect(narrator, trailer('H-14'), 30, [
    hub(2, 'right', { level: 'at-add' }),
    hub(1, 'left', { condition: 'dark' }),
  ]);
  await inspect(narrator, trailer('L-24'), 26, [hub(1, 'right', { level: 'unreadable' })], {
    'stroke-applied@1L': 'Lift axle would not come down',
    'stroke-applied@1R': 'Lift axle would not come down',
  });
}

/** One that was walked whole, by a limit of the fleet’s own. */
async function tellWholeWalk({ narrator, trailer }: Scene): Promise<void> {
  const { id, tell } = narrator;
  await tell('foreman', 'add-fleet-limit', 400, {
    limit: id(),
    tightens: 'flap.8',
    value: '7 in',
    reason: 'The field roads throw stones',
  });
  await inspectFully(narrator, trailer('R-33'), 52, [
    {
      kind: 'tread',
      ...end(2, 'right'),
      tyre: 'outer',
      grooves: [
        ['6/32', '5/32', '7/32'],
        ['6/32', '6/32', '7/32'],
        ['5/32', '5/32', '6/32'],
      ],
      wear: ['cupped'],
    },
    { kind: 'wheel-nuts', ...end(1, 'left'), holes: 10, loose: [], missing: [], rust: [4] },
    { kind: 'check', check: 'wheel-look', ...end(1, 'left'), found: ['thread-shiny'], how: 'seen', words: 'At stud 4' },
    { kind: 'check', check: 'shock', ...end(2, 'right'), found: ['shock-wet'], how: 'seen' },
  ]);
}

/** What is known whole, and signed by a driver before its trip. */
async function tellKnownWhole({ narrator, trailer }: Scene): Promise<void> {
  for (const [nth, number] of WHOLE.entries()) {
    await inspectFully(narrator, trailer(number), 34 + nth * 24, []);
    const unit = trailer(number).unit.id;
    await narrator.tell('driver', 'report-nothing', 4 + nth, { report: narrator.id(), unit });
  }
}

/** What drivers reported and nobody has answered yet. */
async function tellReports({ narrator, trailer }: Scene): Promise<void> {
  const { id, tell } = narrator;
  const unitId = (number: string) => trailer(number).unit.id;
  await tell('driver', 'report-defect', 3, {
    defect: id(),
    unit: unitId('H-12'),
    code: 'lamp-out',
    place: whole,
    words: 'Left rear turn lamp dark, came back once when I tapped it',
  });
  await tell('driver', 'report-defect', 2.5, {
    defect: id(),
    unit: unitId('H-12'),
    code: 'chamber-leak',
    place: { axle: 2, side: 'left', tyre: null },
    words: 'Hisses with the brake held',
  });
  await tell('driver', 'report-defect', 28, {
    defect: id(),
    unit: unitId('D-42'),
    code: 'tyre-nail',
    place: { axle: 3, side: 'right', tyre: 'outer' },
    words: 'Bolt head in the tread',
  });
}

interface Repaired {
  number: string;
  code: string;
  words: string;
  title: string;
  done: string;
  statement: string;
  /** Hours ago it was reported; the work follows. */
  reported: number;
}

/** Studs and nuts at one end: reported, made a job by its template, worked on step by step, and certified. */
async function tellNuts({ narrator, bays, dayAhead, trailer }: Scene, told: Repaired): Promise<void> {
  const { id, tell } = narrator;
  const { unit } = trailer(told.number);
  const [defect, job, again] = [id(), id(), id()];
  const at = (after: number) => told.reported - after;
  const place = end(1, 'right');
  await tell('driver', 'report-defect', at(0), {
    defect,
    unit: unit.id,
    code: told.code,
    place: { ...place, tyre: null },
    words: told.words,
  });
  const works = workFor(TEMPLATES, [{ code: told.code, ...place }], unit.axles);
  const plan = jobOf(works, unit.axles);
  await tell('foreman', 'make-job', at(6), {
    job,
    unit: unit.id,
    title: told.title,
    defects: [{ defect, version: 1 }],
    minutes: plan.minutes,
    wheelsOff: true,
    work: works.map(({ template, ends }) => ({ template: template.id, ends: [...ends] })),
  });
  const day = dayAhead(-Math.round(at(22) / 24));
  await tell('foreman', 'place-job', at(6), { job, version: 1, bay: bays[0] ?? '', day });
  await tell('technician', 'start-job', at(22), { job, version: 2 });
  await tell('technician', 'clock-on', at(22), { job, time: id() });
  for (const { part, count } of plan.parts)
    await tell('technician', 'take-part', at(22), { job, use: id(), part, count });
  for (const [index, { key }] of plan.steps.entries())
    await tell('technician', 'tick-step', later(at(22), index * MINUTES_A_STEP), { job, step: key, done: true });
  for (const stage of TORQUE_STAGES)
    for (const wheel of plan.wheels)
      await tell('technician', 'torque-wheel', at(23.5), {
        job,
        check: id(),
        ...wheel,
        holes: 10,
        stage,
        value: '475 lb-ft',
        tool: 'Torque wrench 4',
        calibrated: dayAhead(200),
      });
  await tell('technician', 'finish-job', at(24), { job, version: 3, done: told.done });
  await tell('technician', 'start-inspection', at(24), {
    inspection: again,
    unit: unit.id,
    purpose: 're-measure',
    job,
  });
  await tell('technician', 'take-reading', at(24), {
    reading: id(),
    inspection: again,
    value: { kind: 'wheel-nuts', ...place, holes: 10, loose: [], missing: [], rust: [] },
  });
  await tell('technician', 'close-inspection', at(24), { inspection: again, outcome: 'complete' });
  await tell('technician', 'certify-job', at(24), { job, version: 4, statement: told.statement });
  await tell('foreman', 'release-trailer', at(24.5), {
    release: id(),
    unit: unit.id,
    statement: 'Nuts seen, torque witnessed, measured again.',
  });
}

const MINUTES_A_STEP = 9;

/** A repair that is certified and waits to be acknowledged, its re-torque still to come; and one whose re-torque lapsed. */
async function tellRepaired(scene: Scene): Promise<void> {
  await tellNuts(scene, {
    number: 'H-13',
    code: 'rust-trail',
    words: 'Two nuts with rust running down',
    title: 'Wheel off 1R, studs and nuts',
    done: 'Two studs and all nuts of 1R renewed, holes and face sound',
    statement: 'Repaired as described. Torque checked; re-torque due after the first trip.',
    reported: 96,
  });
  await tellNuts(scene, {
    number: 'D-42',
    code: 'thread-shiny',
    words: 'One thread looks new and bright',
    title: 'Wheel off 1R, one stud',
    done: 'One stud and its nut renewed',
    statement: 'Stud renewed, the others sound.',
    reported: 340,
  });
}

/** A job in the bay, of a trailer that is held. */
async function tellPlaced({ narrator, bays, dayAhead, trailer }: Scene): Promise<void> {
  const { id, tell } = narrator;
  const unitId = (number: string) => trailer(number).unit.id;
  const placed = id();
  const nut = id();
  await tell('driver', 'report-defect', 50, {
    defect: nut,
    unit: unitId('L-21'),
    code: 'air-bag-flat',
    place: { axle: 3, side: 'left', tyre: null },
    words: 'Leans to the left when empty',
  });
  await tell('foreman', 'triage-defect', 48, { defect: nut, version: 1, holds: true });
  await tell('foreman', 'make-job', 48, {
    job: placed,
    unit: unitId('L-21'),
    title: 'Air bag 3L and its mate',
    defects: [{ defect: nut, version: 2 }],
    minutes: 110,
    wheelsOff: false,
    work: [{ template: 'air-bag', ends: [end(3, 'left')] }],
  });
  await tell('foreman', 'place-job', 47, { job: placed, version: 1, bay: bays[2] ?? '', day: dayAhead(0) });
  await tell('technician', 'order-part', 20, {
    job: placed,
    order: id(),
    part: 'air-bag',
    count: 2,
    due: dayAhead(2),
  });
}

/** A full trailer on its dolly behind the straight truck, since this morning. */
async function tellHooked({ narrator: { id, tell }, trailer }: Scene): Promise<void> {
  const [truck, dolly, rear] = ['S-61', 'J-51', 'W-81'].map((number) => trailer(number).unit.id) as [
    string,
    string,
    string,
  ];
  await tell('driver', 'hook', 5, { coupling: id(), unit: dolly, pulled: rear, place: 'Low Marsh' });
  await tell('driver', 'hook', 4.8, { coupling: id(), unit: truck, pulled: dolly, place: 'Low Marsh' });
}

/** A report that was put off with its reason, and comes back by itself; and one that road service saw to. */
async function tellPutOffAndRoad({ narrator: { id, tell }, trailer, dayAhead }: Scene): Promise<void> {
  const [flap, tyre, call] = [id(), id(), id()];
  await tell('driver', 'report-defect', 75, {
    defect: flap,
    unit: trailer('Y-2').unit.id,
    code: 'mud-flap-torn',
    place: whole,
    words: 'A corner is gone on the right',
  });
  await tell('foreman', 'defer-defect', 72, {
    defect: flap,
    version: 1,
    until: dayAhead(9),
    reason: 'Still covers the tire; goes with the next visit',
  });
  const unit = trailer('R-31').unit.id;
  await tell('driver', 'report-defect', 9, {
    defect: tyre,
    unit,
    code: 'tyre-nail',
    place: { axle: 2, side: 'left', tyre: 'outer' },
    words: 'Lost air on the wharf road',
  });
  await tell('driver', 'ask-road', 8.8, { call, unit, defect: tyre, place: 'Wharf road, at the second bridge' });
  const answers = [
    { hoursAgo: 8.6, told: { state: 'accepted' as const, words: 'By phone: a van from the county road, in an hour' } },
    { hoursAgo: 6.5, told: { state: 'done' as const, report: ROAD_REPORT } },
  ];
  for (const { hoursAgo, told } of answers)
    await tell('foreman', 'note-road', hoursAgo, { call, unit, answer: id(), told });
  await tell('foreman', 'take-road-report', 6, { call, unit, job: id() });
}

const ROAD_REPORT = {
  done: 'Tire 2L outer changed for the spare',
  parts: 'None, the spare was carried along',
  minutes: 45,
  invoice: 26_500,
};

/** The last days in the yard: a trailer for every verdict, reports in every state, a job in the bay, a repair to acknowledge. */
export async function tellStory(scene: Scene): Promise<void> {
  await tellHooked(scene);
  await tellInspections(scene);
  await tellWholeWalk(scene);
  await tellKnownWhole(scene);
  await tellReports(scene);
  await tellRepaired(scene);
  await tellPlaced(scene);
  await tellPutOffAndRoad(scene);
}
