import type { CommandBody, CommandName } from '@zealous-axle/core';
import { useOutbox } from '../../../device/useOutbox';

/** What waits to be sent about a job, of one kind of command: it counts on this device already. */
export function usePending<N extends CommandName>(job: string, name: N): CommandBody<N>[] {
  const { entries } = useOutbox();
  return entries
    .filter((entry) => entry.name === name && !entry.refused && (entry.body as { job?: string }).job === job)
    .map(({ body }) => body as CommandBody<N>);
}
