import { device } from './device';
import { thisWindow } from './this-window';

const here = thisWindow<unknown>();

/** Keeps what a person practises, by its name. False when only this window holds it. */
export async function keepPractice(person: string, name: string, value: unknown): Promise<boolean> {
  const key = `${person}/${name}`;
  try {
    await (await device()).put('practice', value, key);
    here.drop(key);
    return true;
  } catch {
    here.keep(key, value);
    return false;
  }
}

/** What was kept under a name; null where there is nothing. */
export async function findPractice<T>(person: string, name: string): Promise<T | null> {
  const key = `${person}/${name}`;
  const alone = here.get(key);
  if (alone !== undefined) return alone as T;
  return (
    ((await device()
      .then((db) => db.get('practice', key))
      .catch(() => undefined)) as T | undefined) ?? null
  );
}

/** Everything a person kept whose name begins so. */
export async function allPractice<T>(person: string, begins: string): Promise<T[]> {
  const range = IDBKeyRange.bound(`${person}/${begins}`, `${person}/${begins}\uffff`);
  return (await device()
    .then((db) => db.getAll('practice', range))
    .catch(() => [])) as T[];
}
