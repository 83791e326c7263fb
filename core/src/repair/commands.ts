import { z } from 'zod';
import { BENCH, command, EVERYBODY, SHOP, whoMay } from '../life';
import { dayText, wordsText } from '../measure';
import { endSchema, fittedFormSchema, renewalSchema, TYRES } from '../trailer';
import { JOB_LIFE } from './job-life';
import { CLOCK_REASONS, partFormSchema, stockSchema } from './parts';
import { roadAnswerSchema, roadCostsSchema } from './road';
import { templateSchema } from './templates';
import { TORQUE_STAGES, torqueSchema } from './torque';

/** The short name of a part, as templates call it. */
const partId = z.string().trim().min(1).max(40);
const id = z.uuid();
const version = z.int().min(1);
const job = { job: id, version };
const reason = wordsText(300);

export const REPAIR_COMMANDS = {
  'make-job': command(
    'unit',
    whoMay(JOB_LIFE, 'make'),
    z.strictObject({
      job: id,
      unit: id,
      title: wordsText(120),
      defects: z
        .array(z.strictObject({ defect: id, version }))
        .min(1)
        .max(50),
      minutes: z.int().min(5).max(4_800),
      wheelsOff: z.boolean(),
      /** What it is made of: each template at these axle ends. */
      work: z
        .array(z.strictObject({ template: z.string().max(40), ends: z.array(endSchema).max(24) }))
        .max(20)
        .optional(),
    }),
    { touches: ['shop'], movesPlan: 'There is a new job' },
  ),
  /**
   * Jobs of many defects at once, each by its template: one for each trailer and kind of work, under the id that comes with
   * the first of its defects. What no template names stays to be looked at.
   */
  'make-jobs': command(
    'units',
    whoMay(JOB_LIFE, 'make'),
    z.strictObject({
      defects: z
        .array(z.strictObject({ defect: id, version, job: id }))
        .min(1)
        .max(200),
    }),
    {
      touches: ['shop'],
      movesPlan: 'There are new jobs',
      names: ({ defects }) => ({ defects: defects.map(({ defect }) => defect) }),
    },
  ),
  'place-job': command('job', whoMay(JOB_LIFE, 'place'), z.strictObject({ ...job, bay: id, day: dayText })),
  'cancel-job': command('job', whoMay(JOB_LIFE, 'cancel'), z.strictObject({ ...job, reason }), {
    movesPlan: 'A job was canceled',
  }),
  'start-job': command('job', whoMay(JOB_LIFE, 'start'), z.strictObject(job), { movesPlan: 'A job was started' }),
  'finish-job': command(
    'job',
    whoMay(JOB_LIFE, 'finish'),
    z.strictObject({
      ...job,
      done: wordsText(1_000),
      torque: torqueSchema.optional(),
      /** Parts that were not needed after all, each with why. */
      without: z
        .array(z.strictObject({ part: z.string().max(40), reason }))
        .max(40)
        .optional(),
      /** What was fitted new: its life begins. */
      fitted: z.array(fittedFormSchema).max(60).optional(),
    }),
    { movesPlan: 'A job was finished', foresees: 'its units', signed: true },
  ),
  'reopen-job': command('job', whoMay(JOB_LIFE, 'reopen'), z.strictObject({ ...job, reason }), {
    movesPlan: 'A job was reopened',
  }),
  'certify-job': command(
    'job',
    whoMay(JOB_LIFE, 'certify'),
    z.strictObject({
      ...job,
      statement: wordsText(500),
      /** Where a defect needed no repair: why. Every other one of the job is certified as repaired. */
      unneeded: z
        .array(z.strictObject({ defect: id, reason }))
        .max(50)
        .optional(),
    }),
    { signed: true },
  ),
  /** A step of a job is done, or was not after all. Two people ticking lose nothing. */
  'tick-step': command(
    'job',
    whoMay(JOB_LIFE, 'work on'),
    z.strictObject({ job: id, step: z.string().max(120), done: z.boolean() }),
  ),
  /** Begins to work on a job; whatever else one's clock ran on stops. */
  'clock-on': command('job', whoMay(JOB_LIFE, 'work on'), z.strictObject({ job: id, time: id })),
  /** Stops one's clock. `minutes` says how long it was where the clock was left on. */
  'clock-off': command(
    'job',
    whoMay(JOB_LIFE, 'work on'),
    z.strictObject({
      job: id,
      time: id,
      because: z.enum(CLOCK_REASONS),
      minutes: z.int().min(1).max(1_440).optional(),
    }),
  ),
  'take-part': command(
    'job',
    whoMay(JOB_LIFE, 'work on'),
    z.strictObject({
      job: id,
      use: id,
      part: z.string().max(40),
      count: z.int().min(1).max(100),
      /** Where it came from, where not out of the parts room: then nothing is taken from there. */
      elsewhere: wordsText(80).optional(),
    }),
    { touches: ['parts'] },
  ),
  /** A part that is not there: ordered for this job, which waits for it. */
  'order-part': command(
    'job',
    BENCH,
    z.strictObject({
      job: id,
      order: id,
      part: z.string().max(40),
      count: z.int().min(1).max(100),
      due: dayText,
    }),
    { touches: ['parts'], movesPlan: 'A part is late' },
  ),
  /** It came: it stands in the parts room. */
  'receive-part': command('job', BENCH, z.strictObject({ job: id, order: id }), {
    touches: ['parts'],
    movesPlan: 'A part came',
  }),
  'torque-wheel': command(
    'job',
    whoMay(JOB_LIFE, 'work on'),
    z.strictObject({
      job: id,
      check: id,
      ...endSchema.shape,
      holes: z.int().min(4).max(12),
      stage: z.enum(TORQUE_STAGES),
      ...torqueSchema.shape,
      /** The last day of the tool's calibration, where it is known. */
      calibrated: dayText.nullable(),
    }),
  ),
  /** A part was found to have been renewed, by whoever did it: its life begins, and nothing read before is of it. */
  'note-renewed': command(
    'unit',
    BENCH,
    z.strictObject({ life: id, unit: id, ...renewalSchema.shape, tyre: z.enum(TYRES).nullable() }),
    { touches: ['forecast'], foresees: 'its units' },
  ),
  /** Wheels torqued again, by whoever is there; where a nut moved, that is reported. */
  'do-retorque': command(
    'unit',
    EVERYBODY,
    z.strictObject({ unit: id, retorque: id, ...torqueSchema.shape, moved: z.boolean() }),
    { touches: ['shop'] },
  ),
  /** A re-torque whose day has passed becomes a report. */
  'lapse-retorque': command('unit', SHOP, z.strictObject({ unit: id, retorque: id }), {
    touches: ['shop'],
  }),
  /** Road service for a defect, at a place: asked of the provider. */
  'ask-road': command('unit', EVERYBODY, z.strictObject({ call: id, unit: id, defect: id, place: wordsText(120) }), {
    touches: ['shop'],
  }),
  /** What became of a call for help, typed by whoever knows: agreed on the phone, arrived, done with its invoice, refused, not needed. */
  'note-road': command('unit', EVERYBODY, z.strictObject({ call: id, unit: id, answer: id, told: roadAnswerSchema }), {
    touches: ['shop'],
  }),
  /** What the road service did becomes a job, with its invoice: measured again and certified like any other. */
  'take-road-report': command('unit', SHOP, z.strictObject({ call: id, unit: id, job: id }), { touches: ['shop'] }),
  'set-road-costs': command('fleet', SHOP, z.strictObject({ costs: roadCostsSchema })),
  'add-part': command('fleet', SHOP, z.strictObject({ part: partId, form: partFormSchema, stock: stockSchema }), {
    touches: ['plan', 'parts'],
  }),
  /** What it is called, costs and how long it takes to come; how many lie there is counted. */
  'set-part': command('fleet', SHOP, z.strictObject({ part: partId, version: z.int().min(1), form: partFormSchema }), {
    touches: ['plan', 'parts'],
  }),
  /** How many lie there. What was taken since whoever counted looked is not undone: it is counted again. */
  'count-part': command(
    'fleet',
    SHOP,
    z.strictObject({ part: partId, stockVersion: z.int().min(1), stock: stockSchema }),
    { touches: ['plan', 'parts'] },
  ),
  'save-template': command('fleet', SHOP, z.strictObject({ version: z.int().min(0), definition: templateSchema }), {
    touches: ['templates'],
  }),
  'hold-trailer': command('unit', BENCH, z.strictObject({ hold: id, unit: id, reason }), {
    touches: ['shop'],
    movesPlan: 'A unit was put on hold',
  }),
  'release-trailer': command('unit', BENCH, z.strictObject({ release: id, unit: id, statement: wordsText(500) }), {
    touches: ['shop'],
    signed: true,
  }),
} as const;
