import { device } from './device';
import type { Draft } from './draft';

/** Keeps an inspection on this device. It is committed at once, so that it holds even while the page is left. */
export const keepDraft = async (draft: Draft): Promise<void> => {
  const writing = (await device()).transaction('drafts', 'readwrite');
  await Promise.all([writing.store.put(draft), writing.commit(), writing.done]);
};

export const findDraft = async (inspection: string): Promise<Draft | null> =>
  (await (await device()).get('drafts', inspection)) ?? null;

/** Inspections of a unit that are not closed yet, the newest first. */
export const openDrafts = async (unit: string): Promise<Draft[]> =>
  (await (await device()).getAllFromIndex('drafts', 'unit', unit))
    .filter(({ closed }) => !closed)
    .sort((a, b) => b.startedAt.localeCompare(a.startedAt));
