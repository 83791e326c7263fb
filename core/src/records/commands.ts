import { z } from 'zod';
import { PURPOSE_ROLES } from '../inspection';
import { command, SHOP } from '../life';
import { wordsText } from '../measure';
import {
  invitedPersonSchema,
  movedPartSchema,
  movedReadingsSchema,
  movedRepairSchema,
  movedUnitSchema,
} from './moving';

/** No list of a shop is longer. */
const MOST_ROWS = 5_000;
const LARGEST = 6 * 1024 * 1024;
const move = { move: z.uuid(), name: wordsText(120) };

export const RECORD_COMMANDS = {
  /** Readings from a file; every line is checked again, and nothing is stored unless all are good or only the good ones are asked for. */
  'import-readings': command(
    'units',
    PURPOSE_ROLES.import,
    z.strictObject({ csv: z.string().min(1).max(2_000_000), goodLinesOnly: z.boolean() }),
    { touches: ['shop'], foresees: 'its units', largest: 3 * 1024 * 1024, names: ({ csv }) => ({ csv }), logged: true },
  ),
  /** Units from a file, all new: every line is checked again, and nothing is stored unless all are good or only the good ones are asked for. */
  'import-units': command(
    'fleet',
    SHOP,
    z.strictObject({ csv: z.string().min(1).max(2_000_000), goodLinesOnly: z.boolean() }),
    { touches: ['set-up'], foresees: 'its units', largest: 3 * 1024 * 1024, logged: true },
  ),
  /** Units of a shop's own list with their papers and meters: all of them, or none. */
  'move-in': command(
    'fleet',
    SHOP,
    z.strictObject({ ...move, units: z.array(movedUnitSchema).min(1).max(MOST_ROWS) }),
    {
      touches: ['set-up'],
      foresees: 'its units',
      largest: LARGEST,
      logged: true,
    },
  ),
  /** The parts room as the shop's list has it: all new, or none. */
  'move-in-parts': command(
    'fleet',
    SHOP,
    z.strictObject({ ...move, parts: z.array(movedPartSchema).min(1).max(MOST_ROWS) }),
    { touches: ['plan', 'parts', 'set-up'], largest: LARGEST, logged: true },
  ),
  /** People of the shop's list, each invited by a code of their own. */
  'move-in-people': command(
    'fleet',
    SHOP,
    z.strictObject({ ...move, people: z.array(invitedPersonSchema).min(1).max(500) }),
    { touches: ['set-up'], largest: LARGEST, logged: true },
  ),
  /** Repairs of before, as the list tells them: they are kept, and decide nothing. */
  'move-in-repairs': command(
    'fleet',
    SHOP,
    z.strictObject({ ...move, repairs: z.array(movedRepairSchema).min(1).max(MOST_ROWS) }),
    { touches: ['set-up'], largest: LARGEST, logged: true },
  ),
  /** What was last read, as the list tells it: judged as read on its day, and taken over by whatever is read here. */
  'move-in-readings': command(
    'units',
    SHOP,
    z.strictObject({ ...move, readings: z.array(movedReadingsSchema).min(1).max(MOST_ROWS) }),
    {
      touches: ['shop', 'set-up'],
      foresees: 'its units',
      largest: LARGEST,
      names: ({ readings }) => ({ numbers: readings.map(({ unit }) => unit) }),
      logged: true,
    },
  ),
  /** Takes a whole move back, while nothing rests on it. */
  'undo-move-in': command('fleet', SHOP, z.strictObject({ move: z.uuid() }), {
    touches: ['set-up', 'parts', 'shop'],
    foresees: 'its units',
    logged: true,
  }),
} as const;
