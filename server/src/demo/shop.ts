import {
  type BayWork,
  DEFAULT_BOOK,
  holdsByLaw,
  jobOf,
  type KeptSlot,
  type Shift,
  type Side,
  TEMPLATES,
  workFor,
} from '@zealous-axle/core';
import type { DemoTrailer } from './story';
import type { Teller } from './teller';

const WEEK = [1, 2, 3, 4, 5];
const HOURS: Shift[] = [
  { days: WEEK, from: '06:00', to: '22:00' },
  { days: [6], from: '06:00', to: '12:00' },
];
const bay = (name: string, ...kinds: BayWork['kinds']) => ({ name, work: { kinds, hours: HOURS, closed: [] } });

/** The demo's bays: what each is fit for, and when it is open. */
export const BAYS = [
  bay('Bay 1 – lift', 'lift'),
  bay('Bay 2 – lift', 'lift', 'floor'),
  bay('Bay 3 – long', 'long', 'lift', 'floor'),
  bay('Wash and yard', 'wash', 'yard', 'floor'),
] as const;

/** A day of the coming fortnight on which nobody works, counted from today. */
export const HOLIDAY = { inDays: 11, name: 'Seed fair' };

interface Wanted {
  number: string;
  code: string;
  words: string;
  title: string;
  at?: [axle: number, side: Side];
  holds?: true;
}

/** What waits for the shop: reported by drivers, answered, and made jobs by their templates. */
const WANTED: readonly Wanted[] = [
  {
    number: 'H-15',
    code: 'brake-dragging',
    at: [1, 'left'],
    holds: true,
    words: 'Smells after the hill',
    title: 'Locked brake 1L',
  },
  { number: 'H-16', code: 'lining-cracked', at: [2, 'left'], words: 'Crack across the lining', title: 'Reline axle 2' },
  { number: 'H-16', code: 'hub-leak', at: [2, 'right'], words: 'Oil on the rim', title: 'Wheel seal 2R' },
  { number: 'H-17', code: 'tyre-cut', at: [1, 'right'], words: 'Cut in the sidewall', title: 'Tire 1R' },
  { number: 'H-17', code: 'lamp-out', words: 'Stop lamp dark', title: 'Stop lamp' },
  { number: 'H-18', code: 'air-leak', words: 'Loses air over night', title: 'Find and mend the air leak' },
  { number: 'L-25', code: 'shock-wet', at: [3, 'right'], words: 'Shock wet to the top', title: 'Shocks axle 3' },
  { number: 'L-25', code: 'mud-flap-torn', words: 'Half a flap left', title: 'Mud flap' },
  {
    number: 'L-26',
    code: 'u-bolt-loose',
    at: [2, 'left'],
    words: 'Bright marks at the U-bolt',
    title: 'Leaf pack and U-bolts 2L',
  },
  {
    number: 'L-27',
    code: 'brake-hose-chafed',
    at: [1, 'left'],
    words: 'Hose rubbed to the cords',
    title: 'Brake hose 1L',
  },
  {
    number: 'R-34',
    code: 'metal-on-metal',
    at: [1, 'left'],
    holds: true,
    words: 'Grinds when braking',
    title: 'Pads axle 1',
  },
  { number: 'R-34', code: 'abs-lamp', words: 'Lamp stays on', title: 'ABS fault' },
  { number: 'R-35', code: 'door-seal', words: 'Seal hangs out', title: 'Door seal' },
  {
    number: 'D-43',
    code: 'frame-cracked',
    holds: true,
    words: 'Crack by the gooseneck',
    title: 'Frame crack at the neck',
  },
  { number: 'D-43', code: 'camshaft-bushing', at: [3, 'left'], words: 'Cam rattles', title: 'Cam and bushings 3L' },
];
/** The one that is being worked on. */
const AT_WORK = 'L-27';

/** When units leave next: hours from now, and where to. */
const LEAVING: readonly [number: string, hours: number, to: string][] = [
  ['H-12', 20, 'Upper Fold'],
  ['H-15', 9, 'Mill'],
  ['H-16', 26, 'Mill'],
  ['H-17', 22, 'Chip wharf'],
  ['L-25', 46, 'Chip wharf'],
  ['L-27', 7, 'Chip wharf'],
  ['R-34', 30, 'Cold store'],
  ['R-35', 70, 'Cold store'],
  ['D-43', 96, 'Upper Fold'],
  ['R-33', 28, 'Cold store'],
  ['H-11', 5, 'Mill'],
];

const HOUR_MS = 3_600_000;

interface Scene {
  narrator: Teller;
  trailer: (number: string) => DemoTrailer;
  bays: readonly string[];
  dayAhead: (days: number) => string;
  now: Date;
  /** A plan for the shop as it stands. */
  planned: () => Promise<KeptSlot[]>;
}

async function tellJob({ narrator: { id, tell }, trailer, bays, dayAhead }: Scene, wanted: Wanted, index: number) {
  const { unit } = trailer(wanted.number);
  const [defect, job] = [id(), id()];
  const [axle = null, side = null] = wanted.at ?? [];
  const reported = 30 + index;
  await tell('driver', 'report-defect', reported, {
    defect,
    unit: unit.id,
    code: wanted.code,
    place: { axle, side, tyre: null },
    words: wanted.words,
  });
  await tell('foreman', 'triage-defect', reported - 4, {
    defect,
    version: 1,
    holds: wanted.holds || holdsByLaw(wanted.code, DEFAULT_BOOK),
  });
  const works = workFor(TEMPLATES, [{ code: wanted.code, axle, side }], unit.axles);
  const work = jobOf(works, unit.axles);
  await tell('foreman', 'make-job', reported - 4, {
    job,
    unit: unit.id,
    title: wanted.title,
    defects: [{ defect, version: 2 }],
    minutes: work.minutes,
    wheelsOff: work.wheels.length > 0,
    work: works.map(({ template, ends }) => ({ template: template.id, ends: [...ends] })),
  });
  if (wanted.number !== AT_WORK) return;
  await tell('foreman', 'place-job', 3, { job, version: 1, bay: bays[1] ?? '', day: dayAhead(0) });
  await tell('technician', 'start-job', 0.3, { job, version: 2 });
  await tell('technician', 'clock-on', 0.3, { job, time: id() });
}

/** A shop with enough before it: jobs, departures, one job at work, and the plan that people work by. */
export async function tellShop(scene: Scene): Promise<void> {
  const { narrator, trailer, now, planned } = scene;
  for (const [index, wanted] of WANTED.entries()) await tellJob(scene, wanted, index);
  for (const [number, hours, to] of LEAVING)
    await narrator.tell('foreman', 'set-departure', 12, {
      unit: trailer(number).unit.id,
      departure: { at: new Date(now.getTime() + hours * HOUR_MS).toISOString(), to },
    });
  await narrator.tell('foreman', 'publish-plan', 0, { version: 0, slots: await planned() });
}
