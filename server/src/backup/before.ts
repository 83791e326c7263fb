import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { pendingChanges } from '../store';
import { backUp } from './backup';

interface Before {
  file: string;
  /** The changes of the database's shape that follow. */
  changes: string[];
}

/**
 * Keeps a database in a file before its shape is changed. Null where nothing will change, or nothing is in it yet. Throws
 * where it cannot be kept: then its shape is better left as it is.
 */
export async function keepBefore(
  { databaseUrl, migrations, backups }: { databaseUrl: string; migrations: string; backups: string },
  now: Date,
): Promise<Before | null> {
  const changes = await pendingChanges(databaseUrl, migrations);
  if (changes.length === 0) return null;
  const file = join(backups, `before-${changes.at(-1)}-${now.toISOString().slice(0, 19).replaceAll(':', '')}.dump`);
  try {
    await mkdir(backups, { recursive: true });
    await backUp(databaseUrl, file, now);
  } catch (error) {
    throw new Error(
      `the database was to be kept in ${file} before its shape is changed, and could not be (${(error as Error).message}). Nothing was changed. Set ZA_BACKUPS to another folder, or to nothing to go on without`,
    );
  }
  return { file, changes };
}
