import { z } from 'zod';
import { command, EVERYBODY, whoMay } from '../life';
import { dayText, distanceText, wordsText } from '../measure';
import { codeText } from '../reading';
import { placeSchema } from '../trailer';
import { DEFECT_LIFE } from './life';

const id = z.uuid();
const version = z.int().min(1);

export const DEFECT_COMMANDS = {
  'report-defect': command(
    'unit',
    whoMay(DEFECT_LIFE, 'report'),
    z.strictObject({
      defect: id,
      unit: id,
      code: codeText,
      place: placeSchema,
      words: z.string().trim().max(500),
      /** The certified defect it is again. */
      comeBackOf: id.optional(),
    }),
    { touches: ['shop'], movesPlan: 'A driver reported a defect', late: 'written down' },
  ),
  /** A walk round that found nothing, signed: as much a report as one that did. */
  'report-nothing': command('unit', EVERYBODY, z.strictObject({ report: id, unit: id }), { signed: true }),
  /** Whoever was to drive it saw that it is held, and leaves it. */
  'see-held': command('unit', EVERYBODY, z.strictObject({ report: id, unit: id }), { signed: true }),
  /** More that is known of it: the report itself stays as it was signed. */
  'add-to-report': command('defect', EVERYBODY, z.strictObject({ defect: id, note: id, words: wordsText(500) })),
  'triage-defect': command(
    'defect',
    whoMay(DEFECT_LIFE, 'triage'),
    z.strictObject({ defect: id, version, holds: z.boolean() }),
    { movesPlan: 'A report was decided' },
  ),
  'dismiss-defect': command(
    'defect',
    whoMay(DEFECT_LIFE, 'dismiss'),
    z.strictObject({ defect: id, version, reason: wordsText(300) }),
  ),
  /** Only a reading can tell: it waits until it was measured, and then for an answer. */
  'measure-defect': command('defect', whoMay(DEFECT_LIFE, 'measure'), z.strictObject({ defect: id, version })),
  /** It waits until a day, or until its unit's meter reads so much, where the rule allows that; it comes back by itself. */
  'defer-defect': command(
    'defect',
    whoMay(DEFECT_LIFE, 'defer'),
    z.strictObject({
      defect: id,
      version,
      until: dayText,
      untilMeter: distanceText.optional(),
      reason: wordsText(300),
    }),
  ),
  /** It runs by daylight only, until today's dusk in the fleet's zone, where the rule allows that; then it waits for an answer again. */
  'run-by-daylight': command(
    'defect',
    whoMay(DEFECT_LIFE, 'let run by daylight'),
    z.strictObject({ defect: id, version, reason: wordsText(300) }),
  ),
  /** The same fault reported twice: its words stay, and the other one carries it. */
  'join-defect': command('defect', whoMay(DEFECT_LIFE, 'join'), z.strictObject({ defect: id, version, with: id })),
  'find-no-fault': command(
    'defect',
    whoMay(DEFECT_LIFE, 'close as no fault found'),
    z.strictObject({ defect: id, version, reason: wordsText(300) }),
  ),
  /** Tied up by whoever found it; its photo goes before. */
  'put-right-here': command(
    'defect',
    whoMay(DEFECT_LIFE, 'put right on the spot'),
    z.strictObject({ defect: id, version, done: wordsText(300) }),
  ),
  'take-back-answer': command(
    'defect',
    whoMay(DEFECT_LIFE, 'undo the decision on'),
    z.strictObject({ defect: id, version }),
  ),
  'acknowledge-repair': command('defect', whoMay(DEFECT_LIFE, 'acknowledge'), z.strictObject({ defect: id, version }), {
    signed: true,
  }),
} as const;
