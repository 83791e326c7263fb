import { DEFECT_LIFE, type DefectAct, type DefectNeed } from '@zealous-axle/core';
import { and, eq } from 'drizzle-orm';
import { type Doing, nextState } from '../run';
import type { DefectRow } from './queries';
import { defect } from './schema';

/** Moves a defect along its life, if its table lets this role do so now. */
export async function moveDefect(
  { store, session }: Pick<Doing<'triage-defect'>, 'store' | 'session'>,
  row: DefectRow,
  act: DefectAct,
  more: Partial<DefectRow> = {},
  given: Partial<Record<DefectNeed, boolean>> = {},
): Promise<number> {
  const state = nextState(DEFECT_LIFE, 'a defect', row.state, act, session.person.role, given);
  const version = row.version + 1;
  await store
    .update(defect)
    .set({ state, version, ...more })
    .where(and(eq(defect.id, row.id), eq(defect.version, row.version)));
  return version;
}
