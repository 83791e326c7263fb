import { invalid } from '../problem';

/** Where a page ended: the values its rows are ordered by. Opaque to whoever asks for the next one. */
export type Key = readonly (string | number | null)[];

const writeKey = (key: Key): string => Buffer.from(JSON.stringify(key)).toString('base64url');

/** A key as it was given out; a 400 when it is none. */
export function readKey(text: string | undefined, length: number): Key | null {
  if (text === undefined) return null;
  try {
    const key: unknown = JSON.parse(Buffer.from(text, 'base64url').toString());
    if (Array.isArray(key) && key.length === length && key.every((each) => each === null || typeof each !== 'object'))
      return key;
  } catch {
    // Said below, as for every other text that is no key.
  }
  throw invalid('after', 'no-page');
}

/** One more row was asked for than a page has: it tells whether there is a next page. */
export function pageOf<T>(rows: T[], size: number, keyOf: (row: T) => Key): { rows: T[]; next: string | null } {
  const page = rows.slice(0, size);
  const last = page.at(-1);
  return { rows: page, next: rows.length > size && last !== undefined ? writeKey(keyOf(last)) : null };
}
