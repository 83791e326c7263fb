import { z } from 'zod';
import { command, whoMay } from '../life';
import { wordsText } from '../measure';
import { codeText } from '../reading';
import { placeSchema } from '../trailer';
import { DEFECT_LIFE } from './life';

const id = z.uuid();
const version = z.int().min(1);

export const DEFECT_COMMANDS = {
  'report-defect': command(
    'unit',
    whoMay(DEFECT_LIFE, 'report'),
    z.strictObject({ defect: id, unit: id, code: codeText, place: placeSchema, words: z.string().trim().max(500) }),
  ),
  /** A walk round that found nothing, signed: as much a report as one that did. */
  'report-nothing': command('unit', whoMay(DEFECT_LIFE, 'report'), z.strictObject({ report: id, unit: id })),
  'triage-defect': command(
    'defect',
    whoMay(DEFECT_LIFE, 'triage'),
    z.strictObject({ defect: id, version, holds: z.boolean() }),
  ),
  'dismiss-defect': command(
    'defect',
    whoMay(DEFECT_LIFE, 'dismiss'),
    z.strictObject({ defect: id, version, reason: wordsText(300) }),
  ),
  'acknowledge-repair': command('defect', whoMay(DEFECT_LIFE, 'acknowledge'), z.strictObject({ defect: id, version })),
} as const;
