import { z } from 'zod';
import { PURPOSE_ROLES } from '../inspection';
import { command, SHOP } from '../life';
import { wordsText } from '../measure';
import { movedUnitSchema } from './moved-unit';

export const RECORD_COMMANDS = {
  /** Readings from a file; every line is checked again, and nothing is stored unless all are good or only the good ones are asked for. */
  'import-readings': command(
    'units',
    PURPOSE_ROLES.import,
    z.strictObject({ csv: z.string().min(1).max(2_000_000), goodLinesOnly: z.boolean() }),
    { touches: ['shop'], foresees: 'its units', largest: 3 * 1024 * 1024, names: ({ csv }) => ({ csv }) },
  ),
  /** Units from a file, all new: every line is checked again, and nothing is stored unless all are good or only the good ones are asked for. */
  'import-units': command(
    'fleet',
    SHOP,
    z.strictObject({ csv: z.string().min(1).max(2_000_000), goodLinesOnly: z.boolean() }),
    { touches: ['set-up'], foresees: 'its units', largest: 3 * 1024 * 1024 },
  ),
  /** Units of a shop's own list with their papers and meters: all of them, or none. */
  'move-in': command(
    'fleet',
    SHOP,
    z.strictObject({ move: z.uuid(), name: wordsText(120), units: z.array(movedUnitSchema).min(1).max(5_000) }),
    { touches: ['set-up'], foresees: 'its units', largest: 6 * 1024 * 1024 },
  ),
  /** Takes a whole move back, while nothing rests on it. */
  'undo-move-in': command('fleet', SHOP, z.strictObject({ move: z.uuid() }), { touches: ['set-up'] }),
} as const;
