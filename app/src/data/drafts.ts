import { device } from './device';
import type { Draft } from './draft';

/** Inspections kept on this device. */
export const keepDraft = async (draft: Draft): Promise<void> => {
  await (await device()).put('drafts', draft);
};

export const findDraft = async (inspection: string): Promise<Draft | null> =>
  (await (await device()).get('drafts', inspection)) ?? null;

/** Inspections of a unit that are not closed yet, the newest first. */
export const openDrafts = async (unit: string): Promise<Draft[]> =>
  (await (await device()).getAllFromIndex('drafts', 'unit', unit))
    .filter(({ closed }) => !closed)
    .sort((a, b) => b.startedAt.localeCompare(a.startedAt));
