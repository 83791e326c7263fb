import type { Board, CommandAnswer, CommandBody } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { clock } from '../../look/dates';
import { call, Refused } from '../../server/client';
import { queryClient } from '../../server/queries';

export type Published = { how: 'published' } | { how: 'refused' | 'unreachable'; words: string };

/**
 * Makes a plan the one people work by. It is not kept for later: a plan that waited on a device would be of another hour.
 */
export async function publishPlan(body: CommandBody<'publish-plan'>): Promise<Published> {
  try {
    await call<CommandAnswer>('POST', '/commands/publish-plan', { id: uuidv7(), at: new Date().toISOString(), body });
    return { how: 'published' };
  } catch (error) {
    if (!(error instanceof Refused))
      return {
        how: 'unreachable',
        words: 'No connection. Your changes are only here; no one else sees them yet.',
      };
    const newer = error.problem.current as Board | undefined;
    if (!newer?.published) return { how: 'refused', words: error.message };
    return {
      how: 'refused',
      words: `${newer.published.by} made another plan, ${clock(newer.published.at, newer.zone)}. Look at it below; yours was not published.`,
    };
  } finally {
    await queryClient.invalidateQueries({ queryKey: ['plan'] });
  }
}
