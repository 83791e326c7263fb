import type { CommandBody, CommandName } from '@zealous-axle/core';
import { useDoneHere } from '../../../device/useOutbox';

/** What was done here about a job and its page does not tell of yet, of one kind of command: it counts on this device already. */
export function usePending<N extends CommandName>(job: string, name: N): CommandBody<N>[] {
  return useDoneHere()
    .filter((entry) => entry.name === name && (entry.body as { job?: string }).job === job)
    .map(({ body }) => body as CommandBody<N>);
}
