import {
  type CommandBody,
  type CommandName,
  METRIC_UNITS,
  PLAN_WEIGHTS,
  READING_COLUMNS,
  ROUTES,
  type Route,
  TEMPLATES,
  type Template,
  UNIT_COLUMNS,
} from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { FORM, type TestFleet } from './world';

/** Why a fact of a unit is changed. */
export const BECAUSE = { seen: 'ring-figure', reason: 'Read on the clamp ring' } as const;

/** A picture of one grey point. */
export const TINY_JPEG =
  '/9j/2wBDABALDA4MChAODQ4SERATGCgaGBYWGDEjJR0oOjM9PDkzODdASFxOQERXRTc4UG1RV19iZ2hnPk1xeXBkeFxlZ2P/2wBDARESEhgVGC' +
  '8aGi9jQjhCY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2P/wAARCAABAAEDASIAAhEBAxEB/8QAFQAB' +
  'AQAAAAAAAAAAAAAAAAAAAAP/xAAUEAEAAAAAAAAAAAAAAAAAAAAA/8QAFAEBAAAAAAAAAAAAAAAAAAAAAP/EABQRAQAAAAAAAAAAAAAAAAAAAA' +
  'D/2gAMAwEAAhEDEQA/AKAA/9k=';

const LAMP = { name: 'Lamp', price: 1_600, leadDays: 1 };
const PLACE = { axle: null, side: null, tyre: null };
const EXERCISE = { what: 'yard', seed: 7, level: 2, of: 'practice-brakes', vehicle: 'trailer' } as const;

/** What the bodies are about. */
interface About {
  unit: string;
  bay: string;
  defect: string;
  job: string;
  inspection: string;
}
type Bodies<N extends CommandName> = { [Each in N]: CommandBody<Each> };

/** Defects, from the report to the answer. */
function reported({
  unit,
  defect,
}: About): Bodies<
  | 'report-defect'
  | 'report-nothing'
  | 'see-held'
  | 'add-to-report'
  | 'triage-defect'
  | 'dismiss-defect'
  | 'measure-defect'
  | 'defer-defect'
  | 'run-by-daylight'
  | 'put-right-here'
  | 'join-defect'
  | 'find-no-fault'
  | 'take-back-answer'
  | 'acknowledge-repair'
> {
  return {
    'report-defect': { defect: uuidv7(), unit, code: 'lamp-out', place: PLACE, words: 'dark' },
    'report-nothing': { report: uuidv7(), unit },
    'see-held': { report: uuidv7(), unit },
    'add-to-report': { defect, note: uuidv7(), words: 'on the left too' },
    'triage-defect': { defect, version: 1, holds: false },
    'dismiss-defect': { defect, version: 1, reason: 'no defect' },
    'measure-defect': { defect, version: 1 },
    'defer-defect': { defect, version: 1, until: '2026-04-01', reason: 'small' },
    'put-right-here': { defect, version: 1, done: 'tied up' },
    'run-by-daylight': { defect, version: 1, reason: 'to the shop' },
    'join-defect': { defect, version: 1, with: uuidv7() },
    'find-no-fault': { defect, version: 1, reason: 'nothing there' },
    'take-back-answer': { defect, version: 1 },
    'acknowledge-repair': { defect, version: 1 },
  };
}

/** Jobs and what is done in them. */
function jobs({
  unit,
  bay,
  defect,
  job,
}: About): Bodies<
  | 'make-job'
  | 'make-jobs'
  | 'place-job'
  | 'cancel-job'
  | 'start-job'
  | 'finish-job'
  | 'reopen-job'
  | 'certify-job'
  | 'tick-step'
  | 'clock-on'
  | 'clock-off'
  | 'take-part'
  | 'order-part'
  | 'receive-part'
  | 'torque-wheel'
> {
  return {
    'make-job': {
      job: uuidv7(),
      unit,
      title: 'Job',
      defects: [{ defect, version: 1 }],
      minutes: 30,
      wheelsOff: false,
    },
    'make-jobs': { defects: [{ defect, version: 1, job: uuidv7() }] },
    'place-job': { job, version: 1, bay, day: '2026-03-03' },
    'cancel-job': { job, version: 1, reason: 'not now' },
    'start-job': { job, version: 1 },
    'finish-job': { job, version: 1, done: 'done' },
    'reopen-job': { job, version: 1, reason: 'again' },
    'certify-job': { job, version: 1, statement: 'good' },
    'tick-step': { job, step: 'off 1', done: true },
    'clock-on': { job, time: uuidv7() },
    'clock-off': { job, time: uuidv7(), because: 'pause' },
    'take-part': { job, use: uuidv7(), part: 'lamp', count: 1 },
    'order-part': { job, order: uuidv7(), part: 'lamp', count: 1, due: '2026-03-09' },
    'receive-part': { job, order: uuidv7() },
    'torque-wheel': {
      job,
      check: uuidv7(),
      axle: 1,
      side: 'left',
      holes: 10,
      stage: 'snug',
      value: '475 lb-ft',
      tool: 'wrench 4',
      calibrated: null,
    },
  };
}

/** What follows a job, and what jobs are made of. */
function afterwards({
  unit,
  defect,
}: About): Bodies<
  | 'do-retorque'
  | 'lapse-retorque'
  | 'ask-road'
  | 'note-road'
  | 'take-road-report'
  | 'set-road-costs'
  | 'add-part'
  | 'set-part'
  | 'count-part'
  | 'save-template'
> {
  return {
    'do-retorque': { unit, retorque: uuidv7(), value: '475 lb-ft', tool: 'wrench 4', moved: false },
    'lapse-retorque': { unit, retorque: uuidv7() },
    'ask-road': { call: uuidv7(), unit, defect, place: 'mile 12' },
    'note-road': { call: uuidv7(), unit, answer: uuidv7(), told: { state: 'cancelled' } },
    'take-road-report': { call: uuidv7(), unit, job: uuidv7() },
    'set-road-costs': { costs: { callOut: 1, serviceHour: 1, lostHour: 1, fine: 1, points: 1 } },
    'add-part': { part: 'lamp', form: LAMP, stock: 4 },
    'set-part': { part: 'lamp', version: 1, form: LAMP },
    'count-part': { part: 'lamp', stockVersion: 1, stock: 3 },
    'save-template': { version: 0, definition: { ...(TEMPLATES[0] as Template), name: 'Reline, our way' } },
  };
}

/** Units, what they pull and what lets them go. */
function units({
  unit,
}: About): Bodies<
  | 'hook'
  | 'drop'
  | 'record-meter'
  | 'hold-trailer'
  | 'release-trailer'
  | 'import-units'
  | 'move-in'
  | 'move-in-parts'
  | 'move-in-people'
  | 'move-in-repairs'
  | 'move-in-readings'
  | 'undo-move-in'
  | 'add-unit'
  | 'set-unit'
  | 'correct-ends'
  | 'set-unit-state'
  | 'set-departure'
  | 'set-outside'
  | 'record-paper'
  | 'record-sticker'
> {
  return {
    hook: { coupling: uuidv7(), unit, pulled: unit, place: 'yard' },
    drop: { coupling: uuidv7(), unit, pulled: unit, place: 'yard' },
    'record-meter': { meter: uuidv7(), unit, value: '48 210 km' },
    'hold-trailer': { hold: uuidv7(), unit, reason: 'looks wrong' },
    'release-trailer': { release: uuidv7(), unit, statement: 'good' },
    'undo-move-in': { move: uuidv7() },
    'move-in': { move: uuidv7(), name: 'list', units: [{ form: { ...FORM, number: 'M-1' }, papers: [] }] },
    'move-in-parts': { move: uuidv7(), name: 'list', parts: [{ part: 'wiper', form: LAMP, stock: 2 }] },
    'move-in-people': {
      move: uuidv7(),
      name: 'list',
      people: [{ signIn: 'moved', form: { name: 'Moved', role: 'driver' }, code: 'K7QM-2XWD-9HRT' }],
    },
    'move-in-repairs': {
      move: uuidv7(),
      name: 'list',
      repairs: [{ unit: 'T-1', day: '2025-03-02', work: 'Relined' }],
    },
    'move-in-readings': {
      move: uuidv7(),
      name: 'list',
      readings: [
        {
          unit: FORM.number,
          day: '2025-03-02',
          readings: [{ kind: 'lining', axle: 1, side: 'left', points: ['1/2 in'] }],
        },
      ],
    },
    'import-units': { csv: `${UNIT_COLUMNS.join(',')}\n`, goodLinesOnly: false },
    'add-unit': { unit: uuidv7(), form: FORM },
    'set-unit': { unit, version: 1, form: FORM, because: BECAUSE },
    'correct-ends': {
      change: uuidv7(),
      unit,
      ends: [{ axle: 1, side: 'left' }],
      facts: { chamber: { type: 'clamp', size: '24', stroke: 'long' } },
      because: BECAUSE,
    },
    'set-unit-state': { unit, version: 1, state: 'sold', reason: 'sold' },
    'set-departure': { unit, departure: { at: '2026-03-04T08:00:00Z', to: 'Wharf' } },
    'set-outside': { thing: 'dispatch', version: 0, form: { way: 'none', phone: '+1 555 0100', url: '' } },
    'record-paper': {
      paper: uuidv7(),
      unit,
      name: 'Insurance',
      good: { until: '2026-12-31' },
    },
    'record-sticker': { paper: uuidv7(), unit, month: '2026-03' },
  };
}

/** Inspections and what judges them. */
function measured({
  unit,
  inspection,
}: About): Bodies<
  | 'start-inspection'
  | 'take-reading'
  | 'skip-reading'
  | 'close-inspection'
  | 'note-renewed'
  | 'drop-inspection'
  | 'attach-photo'
  | 'import-readings'
  | 'set-fitted'
  | 'set-maker-limit'
  | 'save-route'
  | 'remove-route'
> {
  const route = uuidv7();
  const step = { kind: 'lining', axle: 1, side: 'left', tyre: null } as const;
  return {
    'start-inspection': { inspection: uuidv7(), unit, purpose: 'full' },
    'take-reading': {
      reading: uuidv7(),
      inspection,
      value: { kind: 'lining', axle: 1, side: 'left', points: ['1/2 in'] },
    },
    'skip-reading': { skip: uuidv7(), inspection, step, reason: 'mud' },
    'note-renewed': { life: uuidv7(), unit, part: 'lining', axle: 1, side: 'left', tyre: null },
    'close-inspection': { inspection, outcome: 'incomplete', because: 'rain' },
    'drop-inspection': { inspection, because: 'the wrong route' },
    'attach-photo': {
      photo: uuidv7(),
      unit,
      inspection: null,
      defect: null,
      key: null,
      width: 2,
      height: 2,
      jpeg: TINY_JPEG,
    },
    'import-readings': { csv: `${READING_COLUMNS.join(',')}\n`, goodLinesOnly: false },
    'set-fitted': { unit, key: 'check:spring@1L', fitted: false },
    'set-maker-limit': {
      unit,
      axle: 1,
      side: null,
      reading: 'lining',
      limit: { value: '5/16 in', source: 'manual' },
    },
    'save-route': { route, version: 0, definition: { ...(ROUTES[0] as Route), id: route } },
    'remove-route': { route, version: 1 },
  };
}

/** People, bays and the fleet’s own rules. */
function fleets(): Bodies<
  | 'invite-person'
  | 'set-person'
  | 'set-person-left'
  | 'reset-person'
  | 'save-bay'
  | 'set-holidays'
  | 'set-fleet-rules'
  | 'set-own-units'
  | 'add-fleet-limit'
  | 'withdraw-fleet-limit'
  | 'set-own-checks'
  | 'add-check-picture'
  | 'set-phrase'
  | 'set-own-sign'
  | 'withdraw-own-sign'
> {
  return {
    'invite-person': {
      person: uuidv7(),
      signIn: 'newcomer',
      form: { name: 'New Comer', role: 'driver' },
      code: 'K7QM-2XWD-9HRT',
    },
    'set-person': { person: uuidv7(), version: 1, form: { name: 'Other', role: 'driver' } },
    'set-person-left': { person: uuidv7(), version: 1, left: true },
    'reset-person': { person: uuidv7(), version: 1, code: 'K7QM-2XWD-9HRT' },
    'save-bay': { bay: uuidv7(), name: 'Bay 2' },
    'set-holidays': { version: 1, holidays: [{ day: '2026-03-06', name: 'Seed day' }] },
    'set-fleet-rules': { version: 1, book: 'na', policies: {}, units: METRIC_UNITS },
    'set-own-units': { units: METRIC_UNITS },
    'add-fleet-limit': { limit: uuidv7(), tightens: 'lining.drum', value: '5/16 in', reason: 'hills' },
    'set-phrase': { version: 1, subject: 'check:jaws', say: 'Jaws shut' },
    'add-check-picture': { picture: uuidv7(), width: 1, height: 1, jpeg: TINY_JPEG },
    'set-own-checks': { version: 1, checks: [] },
    'set-own-sign': { version: 1, code: 'mud-flap-torn', presses: 'hold', reason: 'stones' },
    'withdraw-own-sign': { version: 1, code: 'mud-flap-torn', reason: 'tarred road' },
    'withdraw-fleet-limit': { limit: uuidv7(), reason: 'flat again' },
  };
}

/** Practice. */
function practised(): Bodies<
  'set-practice-task' | 'withdraw-practice-task' | 'tell-practice' | 'finish-practice' | 'open-exam' | 'mark-exam'
> {
  return {
    'set-practice-task': { task: uuidv7(), name: 'Brakes', person: null, exercise: EXERCISE, due: null, pass: 80 },
    'withdraw-practice-task': { task: uuidv7() },
    'tell-practice': { task: null, words: '1L stroke', done: 1, of: 20 },
    'finish-practice': { result: uuidv7(), task: null, exercise: EXERCISE, marks: 90, seconds: 60, items: [], off: [] },
    'open-exam': {
      exam: uuidv7(),
      code: 'K7QM2X',
      form: 'Engine side',
      cards: [{ id: 'engine/belts', point: 'Belts', says: ['tight'], figure: null, mustNotFail: false }],
    },
    'mark-exam': { exam: uuidv7(), card: 'engine/belts', said: true },
  };
}

/** The plan. */
function planned({
  unit,
  bay,
  job,
}: About): Bodies<
  | 'set-plan-weights'
  | 'ask-plan'
  | 'cancel-plan'
  | 'put-plan-aside'
  | 'open-calendar'
  | 'close-calendar'
  | 'bundle-work'
  | 'decline-work'
  | 'publish-plan'
> {
  return {
    'set-plan-weights': { version: 1, weights: PLAN_WEIGHTS },
    'ask-plan': { run: uuidv7(), how: 'anew', seconds: 1 },
    'cancel-plan': { run: uuidv7() },
    'put-plan-aside': { run: uuidv7() },
    'open-calendar': { calendar: uuidv7(), whose: 'shop', secret: 'S'.repeat(40) },
    'close-calendar': { calendar: uuidv7() },
    'bundle-work': { unit, key: 'lining@1L', seen: '2026-03-01T12:00:00.000Z', job: uuidv7() },
    'decline-work': { unit, key: 'lining@1L', seen: '2026-03-01T12:00:00.000Z' },
    'publish-plan': {
      version: 0,
      slots: [
        {
          job,
          bay,
          technicians: [],
          start: '2026-03-03T14:00:00Z',
          end: '2026-03-03T15:00:00Z',
          setupMinutes: 0,
          pinned: false,
        },
      ],
    },
  };
}

/** What a manager does about the records. */
function records({
  unit,
}: About): Bodies<
  | 'check-records'
  | 'set-hook'
  | 'end-hook'
  | 'set-keeping'
  | 'place-legal-hold'
  | 'lift-legal-hold'
  | 'delete-past'
  | 'forget-person'
> {
  return {
    'check-records': { check: uuidv7() },
    'set-hook': { hook: uuidv7(), version: 0, url: 'http://127.0.0.1:1/events', secret: 's'.repeat(43) },
    'end-hook': { hook: uuidv7(), version: 1 },
    'set-keeping': {
      version: 1,
      keeping: { inspections: null, repairs: null, reports: 24, photos: null, security: null },
    },
    'place-legal-hold': { hold: uuidv7(), unit, reason: 'A claim is open' },
    'lift-legal-hold': { hold: uuidv7(), reason: 'The claim is settled' },
    'delete-past': { shown: [], statement: 'Past its time' },
    'forget-person': { person: uuidv7(), version: 1 },
  };
}

/** A body of every command that its schema takes, about the given fleet; ids that exist nowhere unless given. */
export function sampleBodies(fleet: TestFleet, known: Partial<About> = {}): Bodies<CommandName> {
  const about = { defect: uuidv7(), job: uuidv7(), inspection: uuidv7(), ...known, unit: fleet.unit, bay: fleet.bay };
  return {
    ...reported(about),
    ...jobs(about),
    ...afterwards(about),
    ...units(about),
    ...measured(about),
    ...fleets(),
    ...practised(),
    ...planned(about),
    ...records(about),
  };
}
