import { type DefectView, type JobPage, type JobView, NO_WORK_KNOWN, type UnitPage } from '@zealous-axle/core';
import { HOPPER } from './inspection';

const AT = '2026-07-01T09:00:00Z';
const HEAD = { id: HOPPER.id, number: HOPPER.number, body: HOPPER.body, kind: HOPPER.kind };

/** A defect at the left of the first axle, changed as a test wants it. */
export const defectWith = (more: Partial<DefectView> = {}): DefectView => ({
  id: 'd',
  unit: { ...HEAD, features: {} },
  code: 'hub-leak',
  words: '',
  axle: 1,
  side: 'left',
  tyre: null,
  state: 'planned',
  holds: false,
  origin: 'driver',
  reportedBy: 'Ada',
  reportedAt: AT,
  inspection: null,
  job: null,
  joined: null,
  comeBackOf: null,
  until: null,
  untilMeter: null,
  reason: null,
  added: [],
  photos: [],
  certified: null,
  version: 1,
  ...more,
});

/** A job on the hopper, begun, with nothing to do. */
export const jobWith = (more: Partial<JobView> = {}): JobView => ({
  id: 'j',
  unit: { ...HEAD, axles: [...HOPPER.axles], features: {} },
  title: 'Hub seal',
  state: 'started',
  minutes: 60,
  wheelsOff: false,
  bay: null,
  day: null,
  waits: [],
  done: null,
  doneAt: null,
  finished: null,
  torque: [],
  certified: null,
  version: 3,
  ...more,
});

/** Its page. */
export const jobPageWith = (more: Partial<JobPage> = {}): JobPage => ({
  job: jobWith(),
  bays: [],
  today: '2026-07-01',
  held: false,
  defects: [],
  standing: [],
  unitChanges: [],
  work: NO_WORK_KNOWN,
  ticks: [],
  times: [],
  parts: [],
  fitted: [],
  documents: [],
  retorque: null,
  cannotSign: null,
  ...more,
});

/** The hopper's page: nothing known against it, nothing measured. */
export const unitPageWith = (more: Partial<UnitPage> = {}): UnitPage => ({
  ...HEAD,
  site: '',
  state: 'in-use',
  version: 1,
  features: {},
  axles: [...HOPPER.axles],
  notFitted: [],
  holds: [],
  papers: [],
  signed: null,
  standing: [],
  looked: [],
  walked: null,
  helpSince: null,
  inspecting: [],
  judging: false,
  takenBack: [],
  defects: [],
  combination: [],
  lastBehind: null,
  meter: null,
  retorques: [],
  lives: [],
  jobs: [],
  inspections: [],
  inspectionsTotal: 0,
  acts: [],
  actsNext: null,
  changedSinceHeld: [],
  photos: [],
  photosTotal: 0,
  ...more,
});
