import { z } from 'zod';
import { PURPOSE_ROLES } from '../inspection';
import { command, SHOP } from '../life';

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
} as const;
