import { expectedReadings, keyOf, type Reading, readingKey, type Unit } from '@zealous-axle/core';
import { inspectFully } from './full';
import { later, type Teller } from './teller';

export interface DemoTrailer {
  unit: Unit;
  /** Readings of its last good inspection, by step. */
  last: Reading[];
}

const MINUTES_A_READING = 2;

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

/** A repair that is certified, and waits to be acknowledged. */
async function tellRepaired({ narrator, bays, dayAhead, trailer }: Scene): Promise<void> {
  const { id, tell } = narrator;
  const unitId = (number: string) => trailer(number).unit.id;
  const lining = id();
  const relined = id();
  await tell('driver', 'report-defect', 96, {
    defect: lining,
    unit: unitId('H-13'),
    code: 'rust-trail',
    place: { axle: 1, side: 'right', tyre: null },
    words: 'Two nuts with rust running down',
  });
  await tell('foreman', 'make-job', 90, {
    job: relined,
    unit: unitId('H-13'),
    title: 'Wheel off 1R, studs and nuts',
    defects: [{ defect: lining, version: 1 }],
    minutes: 75,
    wheelsOff: true,
  });
  await tell('foreman', 'place-job', 90, { job: relined, version: 1, bay: bays[0] ?? '', day: dayAhead(-3) });
  await tell('technician', 'start-job', 74, { job: relined, version: 2 });
  await tell('technician', 'finish-job', 72, {
    job: relined,
    version: 3,
    done: 'Two studs and all nuts of 1R renewed, holes and face sound',
    torque: { value: '475 lb-ft', tool: 'Torque wrench 4' },
  });
  const again = id();
  await tell('technician', 'start-inspection', 72, {
    inspection: again,
    unit: unitId('H-13'),
    purpose: 're-measure',
    job: relined,
  });
  await tell('technician', 'take-reading', 72, {
    reading: id(),
    inspection: again,
    value: { kind: 'wheel-nuts', ...end(1, 'right'), holes: 10, loose: [], missing: [], rust: [] },
  });
  await tell('technician', 'close-inspection', 72, { inspection: again, outcome: 'complete' });
  await tell('technician', 'certify-job', 72, {
    job: relined,
    version: 4,
    statement: 'Repaired as described. Torque checked; re-torque due after the first trip.',
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
  });
  await tell('foreman', 'place-job', 47, { job: placed, version: 1, bay: bays[2] ?? '', day: dayAhead(0) });
}

/** The last days in the yard: a trailer for every verdict, reports to triage, a job in the bay, a repair to acknowledge. */
export async function tellStory(scene: Scene): Promise<void> {
  await tellInspections(scene);
  await tellWholeWalk(scene);
  await tellReports(scene);
  await tellRepaired(scene);
  await tellPlaced(scene);
}
