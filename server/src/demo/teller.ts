import type { CommandAnswer, CommandBody, CommandName, Random } from '@zealous-axle/core';
import { doCommand } from '../handlers';
import type { Actor } from '../run';
import type { Database } from '../store';
import { seededId } from './seeded-id';

export type DemoPerson = 'driver' | 'technician' | 'foreman';

/** Sends the demo's commands as its people would, each at its own hour. */
export interface Teller {
  id: () => string;
  tell: <N extends CommandName>(
    who: DemoPerson,
    name: N,
    hoursAgo: number,
    body: CommandBody<N>,
  ) => Promise<CommandAnswer>;
}

const HOUR_MS = 3_600_000;

/** Hours ago, so many minutes after something else was. */
export const later = (hoursAgo: number, minutes: number): number => hoursAgo - minutes / 60;

export function teller(db: Database, people: Record<DemoPerson, Actor>, random: Random, now: Date): Teller {
  return {
    id: () => seededId(random, now),
    async tell(who, name, hoursAgo, body) {
      const at = new Date(now.getTime() - hoursAgo * HOUR_MS);
      const said = at.toISOString();
      return doCommand(
        db,
        people[who],
        name,
        { id: seededId(random, now), at: said, sent: said, contact: said, body },
        { now: at, offlineDays: 1 },
      );
    },
  };
}
