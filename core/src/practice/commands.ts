import { z } from 'zod';
import { command, EVERYBODY, SHOP } from '../life';
import { dayText, wordsText } from '../measure';
import { EXERCISES } from './exercise';

const id = z.uuid();
const shortText = z.string().min(1).max(80);
/** What one item came to: kept so that a teacher sees what is missed. */
const itemSchema = z.strictObject({ item: z.string().min(1).max(120), right: z.boolean() });
/** A figure beside the truth, in nanometres or pascals: less than none where it was read short. */
const offSchema = z.strictObject({ kind: shortText, off: z.number() });

/** What is practised: enough to make the same again. */
export const exerciseSchema = z.strictObject({
  what: z.enum(EXERCISES),
  seed: z.int().min(0).max(2_000_000_000),
  level: z.int().min(1).max(5).nullable(),
  /** A route of the yard, a form of the walk by heart, or a drill; the air brake check has none. */
  of: shortText.nullable(),
  vehicle: shortText.nullable(),
});

/** Letters that are not taken for one another, as an examiner types them. */
export const EXAM_CODE = /^[ABCDEFGHJKMNPQRSTUVWXYZ23456789]{6}$/;

export const PRACTICE_COMMANDS = {
  /** Something to practise, for one person or for everybody. */
  'set-practice-task': command(
    'fleet',
    SHOP,
    z.strictObject({
      task: id,
      name: wordsText(80),
      person: id.nullable(),
      exercise: exerciseSchema,
      due: dayText.nullable(),
      /** Marks of a hundred from which it is passed. */
      pass: z.int().min(1).max(100),
    }),
    { touches: ['practice'] },
  ),
  'withdraw-practice-task': command('fleet', SHOP, z.strictObject({ task: id }), { touches: ['practice'] }),
  /** How far somebody has come, for whoever watches. */
  'tell-practice': command(
    'self',
    EVERYBODY,
    z.strictObject({ task: id.nullable(), words: wordsText(120), done: z.int().min(0), of: z.int().min(1) }),
    { touches: ['practice'] },
  ),
  /** What came of it: the sender’s own result, made on the device. */
  'finish-practice': command(
    'self',
    EVERYBODY,
    z.strictObject({
      result: id,
      task: id.nullable(),
      exercise: exerciseSchema,
      marks: z.int().min(0).max(100),
      seconds: z.int().min(0).max(86_400),
      items: z.array(itemSchema).max(400),
      off: z.array(offSchema).max(400),
    }),
    { touches: ['practice'] },
  ),
  /** A walk to be said to somebody else, who marks it on a device of their own. */
  'open-exam': command(
    'self',
    EVERYBODY,
    z.strictObject({
      exam: id,
      code: z.string().regex(EXAM_CODE, 'six letters and digits'),
      form: wordsText(80),
      cards: z
        .array(
          z.strictObject({
            id: z.string().max(160),
            point: z.string().max(120),
            says: z.array(z.string().max(200)).max(20),
            figure: z.string().max(200).nullable(),
            mustNotFail: z.boolean(),
          }),
        )
        .min(1)
        .max(400),
    }),
    { touches: ['practice'], logged: true },
  ),
  'mark-exam': command(
    'self',
    EVERYBODY,
    z.strictObject({
      exam: id,
      card: z.string().max(160),
      said: z.boolean(),
      /** Said without its state or its figure. */
      half: z.literal(true).optional(),
    }),
    { touches: ['practice'] },
  ),
} as const;
