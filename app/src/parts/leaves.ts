import type { Leaves } from '@zealous-axle/core';
import { clock } from '../look/dates';

/** When a unit leaves and where to, in words; what a stand-in made up is said to be. */
export const leavesWords = ({ at, to, madeUp }: Leaves, zone: string): string =>
  `Leaves ${clock(at, zone)}${to ? ` for ${to}` : ''}${madeUp ? ' (made up)' : ''}`;
