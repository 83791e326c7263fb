import type { Draft } from '@zealous-axle/core';
import { device } from './device';
import { thisWindow } from './this-window';

const DAY_MS = 86_400_000;
/** A closed inspection stays on the device this long, so that its sheet opens without a signal. */
const CLOSED_STAYS_MS = 60 * DAY_MS;

const here = thisWindow<Draft>();

/** Keeps an inspection, committed at once so that it holds even while the page is left. False when only this window holds it. */
export async function keepDraft(draft: Draft): Promise<boolean> {
  try {
    const writing = (await device()).transaction('drafts', 'readwrite');
    await Promise.all([writing.store.put(draft), writing.commit(), writing.done]);
    here.drop(draft.inspection);
    return true;
  } catch {
    here.keep(draft.inspection, draft);
    return false;
  }
}

/** Forgets an inspection that was dropped. */
export async function dropDraft(inspection: string): Promise<void> {
  here.drop(inspection);
  await orNothing(device().then((db) => db.delete('drafts', inspection)));
}

const orNothing = <T>(stored: Promise<T>): Promise<T | undefined> => stored.catch(() => undefined);

export const findDraft = async (inspection: string): Promise<Draft | null> =>
  here.get(inspection) ?? (await orNothing(device().then((db) => db.get('drafts', inspection)))) ?? null;

/** Every inspection of a unit on this device, the newest first. */
async function draftsOf(unit: string): Promise<Draft[]> {
  const stored = (await orNothing(device().then((db) => db.getAllFromIndex('drafts', 'unit', unit)))) ?? [];
  const alone = here.all().filter((draft) => draft.unit.id === unit);
  return [...stored.filter(({ inspection }) => !here.get(inspection)), ...alone].sort((a, b) =>
    b.startedAt.localeCompare(a.startedAt),
  );
}

/** Those that are not closed yet. */
export const openDrafts = async (unit: string): Promise<Draft[]> =>
  (await draftsOf(unit)).filter(({ closed }) => !closed);

/** The inspections of these ids, as far as they are on this device. */
export const findDrafts = async (inspections: readonly string[]): Promise<Draft[]> =>
  (await Promise.all(inspections.map(findDraft))).flatMap((draft) => draft ?? []);

/** Removes what was closed long before `now` (milliseconds) and has nothing left to send. */
export async function clearOldDrafts(now: number): Promise<void> {
  const db = await orNothing(device());
  if (!db) return;
  const waiting = (await db.getAll('outbox')).map(({ body }) => (body as { inspection?: string }).inspection);
  const old = (await db.getAll('drafts')).filter(
    ({ inspection, closed, startedAt }) =>
      closed && Date.parse(startedAt) < now - CLOSED_STAYS_MS && !waiting.includes(inspection),
  );
  for (const { inspection } of old) await db.delete('drafts', inspection);
}
