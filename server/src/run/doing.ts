import { type Act, type CommandBody, type CommandName, mayAct, type Role } from '@zealous-axle/core';
import { KnownProblem } from '../problem';
import type { FleetStore } from '../store';
import type { Actor } from './actor';
import type { When } from './time';

/** One command being done: its transaction, who does it, and when it was done on their device. */
export interface Doing<N extends CommandName> {
  store: FleetStore;
  session: Actor;
  command: string;
  at: Date;
  /** What is known of that time. */
  when: When;
  /** Our clock. */
  now: Date;
  body: CommandBody<N>;
}

export interface Changed {
  kind:
    | 'defect'
    | 'job'
    | 'inspection'
    | 'reading'
    | 'skip'
    | 'hold'
    | 'release'
    | 'photo'
    | 'report'
    | 'fleet'
    | 'person'
    | 'unit'
    | 'fleet-limit'
    | 'route'
    | 'move-in'
    | 'paper';
  id: string;
  version: number | null;
}

/** What a command did: what changed, and the unit it concerns. */
export interface Done {
  /** Null where no unit, or more than one, is concerned. */
  unitId: string | null;
  /** The units concerned, where there are several. */
  unitIds?: readonly string[];
  changed: Changed[];
  /** What the event keeps instead of the whole body, where that is large. */
  eventBody?: unknown;
}

export type Handler<N extends CommandName> = (doing: Doing<N>) => Promise<Done>;

export const changed = (kind: Changed['kind'], id: string, version: number | null = null): Changed => ({
  kind,
  id,
  version,
});

/** The next state, or the table's refusal as a problem. */
export function nextState<State extends string, Name extends string, Need extends string>(
  table: readonly Act<State, Name, Need>[],
  subject: string,
  state: State,
  act: Name,
  role: Role,
  given: Partial<Record<Need, boolean>> = {},
): State {
  const allowed = mayAct(table, subject, state, act, role, given);
  if (allowed.ok) return allowed.to;
  throw new KnownProblem(allowed.because === 'role' ? 'not-allowed' : 'not-now', { detail: allowed.message });
}

/** The row, or a 404: another fleet's rows do not exist here. */
export function found<T>(row: T | null | undefined): T {
  if (!row) throw new KnownProblem('not-found');
  return row;
}

/** Refuses when somebody else changed the row since `version`; `current` is what the app shows beside the person's own. */
export function sameVersion(row: { version: number }, version: number, current: () => Promise<unknown>): Promise<void> {
  if (row.version === version) return Promise.resolve();
  return current().then((newer) => {
    throw new KnownProblem('changed', { current: newer });
  });
}
