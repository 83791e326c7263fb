import type { CommandName } from '@zealous-axle/core';

/** Commands after which something else is foreseen of the units they concern. */
const OF_UNITS: ReadonlySet<CommandName> = new Set([
  'close-inspection',
  'import-readings',
  'finish-job',
  'set-unit',
  'take-reading',
  'correct-ends',
  'set-maker-limit',
  'record-meter',
  'add-unit',
  'import-units',
]);
/** Commands after which something else may be foreseen of any unit. */
const OF_ALL: ReadonlySet<CommandName> = new Set(['add-fleet-limit', 'withdraw-fleet-limit', 'set-fleet-rules']);

/** Whose forecast a command may change. */
export const forecastsMoved = (name: CommandName): 'none' | 'its units' | 'all' =>
  OF_ALL.has(name) ? 'all' : OF_UNITS.has(name) ? 'its units' : 'none';
