import type { YardRow } from '@zealous-axle/core';
import { device } from './device';

/** Keeps rows of the yard as they were seen, so that they can be searched without a signal. */
export async function keepRows(rows: readonly YardRow[]): Promise<void> {
  if (rows.length === 0) return;
  try {
    const writing = (await device()).transaction('rows', 'readwrite');
    await Promise.all([...rows.map((row) => writing.store.put(row)), writing.done]);
  } catch {
    // A device whose storage takes nothing shows rows as they come: they are the server's, so nothing is lost.
  }
}

/** Forgets a unit that left the yard. */
export const dropRow = (unit: string): Promise<void> =>
  device()
    .then((db) => db.delete('rows', unit))
    .catch(() => undefined);

/** Every row of the yard this device has seen. */
export const rowsHere = (): Promise<YardRow[]> =>
  device()
    .then((db) => db.getAll('rows'))
    .catch(() => []);
