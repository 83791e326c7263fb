import { z } from 'zod';
import { command, EVERYBODY } from '../life';
import { wordsText } from '../measure';
import { readingSchema, stepSchema } from '../reading';
import { gaugeSourceSchema } from './gauge';
import { sectionTimeSchema } from './life';

const id = z.uuid();

/** The longest photo a device sends, as base64: it is shrunk there first. */
/** Base64 characters a picture may take. */
export const PHOTO_CHARS = 700_000;

/** Walking, reading and closing. Everybody walks round; what takes the bench is asked again, with the purpose. */
export const INSPECTION_COMMANDS = {
  'start-inspection': command(
    'unit',
    EVERYBODY,
    z.strictObject({
      inspection: id,
      unit: id,
      purpose: z.enum(['full', 're-measure', 'walk']),
      job: id.optional(),
      /** The route walked with the version it stood at, and every step it asks of this unit. */
      route: z
        .strictObject({ id: z.string().max(60), name: wordsText(60), version: z.int().min(1).optional() })
        .optional(),
      steps: z.array(stepSchema).min(1).max(600).optional(),
    }),
    { late: 'written down' },
  ),
  'take-reading': command(
    'inspection',
    EVERYBODY,
    z.strictObject({
      reading: id,
      inspection: id,
      /** The reading this one corrects. Both stay. */
      supersedes: id.optional(),
      value: readingSchema,
      /** The gauge that sent it. */
      gauge: gaugeSourceSchema.optional(),
    }),
    { touches: ['shop'], foresees: 'its units', late: 'written down' },
  ),
  'skip-reading': command(
    'inspection',
    EVERYBODY,
    z.strictObject({ skip: id, inspection: id, step: stepSchema, reason: wordsText(300) }),
    { late: 'written down' },
  ),
  'close-inspection': command(
    'inspection',
    EVERYBODY,
    z.strictObject({
      inspection: id,
      outcome: z.enum(['complete', 'incomplete']),
      because: wordsText(500).optional(),
      sections: z.array(sectionTimeSchema).max(60).optional(),
    }),
    { touches: ['shop'], foresees: 'its units', late: 'written down', signed: true },
  ),
  /** Begun by mistake: it reads nothing more. Without a reading it leaves no trace; with one it is said why. */
  'drop-inspection': command(
    'inspection',
    EVERYBODY,
    z.strictObject({ inspection: id, because: wordsText(300).optional() }),
    { touches: ['shop'] },
  ),
  /** A photo, shrunk on the device, at a step of an inspection or with a defect. */
  'attach-photo': command(
    'unit',
    EVERYBODY,
    z.strictObject({
      photo: id,
      unit: id,
      inspection: id.nullable(),
      defect: id.nullable(),
      key: z.string().max(120).nullable(),
      width: z.int().min(1).max(4_096),
      height: z.int().min(1).max(4_096),
      jpeg: z.base64().max(PHOTO_CHARS),
    }),
    { touches: ['photos'], late: 'written down', largest: 1024 * 1024 },
  ),
} as const;
