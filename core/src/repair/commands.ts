import { z } from 'zod';
import { command, whoMay } from '../life';
import { dayText, wordsText } from '../measure';
import { HOLD_LIFE } from './hold-life';
import { JOB_LIFE } from './job-life';
import { torqueSchema } from './torque';

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
    }),
  ),
  'place-job': command('job', whoMay(JOB_LIFE, 'place'), z.strictObject({ ...job, bay: id, day: dayText })),
  'cancel-job': command('job', whoMay(JOB_LIFE, 'cancel'), z.strictObject({ ...job, reason })),
  'start-job': command('job', whoMay(JOB_LIFE, 'start'), z.strictObject(job)),
  'finish-job': command(
    'job',
    whoMay(JOB_LIFE, 'finish'),
    z.strictObject({ ...job, done: wordsText(1_000), torque: torqueSchema.optional() }),
  ),
  'reopen-job': command('job', whoMay(JOB_LIFE, 'reopen'), z.strictObject({ ...job, reason })),
  'certify-job': command('job', whoMay(JOB_LIFE, 'certify'), z.strictObject({ ...job, statement: wordsText(500) })),
  'hold-trailer': command('unit', whoMay(HOLD_LIFE, 'hold'), z.strictObject({ hold: id, unit: id, reason })),
  'release-trailer': command(
    'unit',
    whoMay(HOLD_LIFE, 'release'),
    z.strictObject({ release: id, unit: id, statement: wordsText(500) }),
  ),
} as const;
