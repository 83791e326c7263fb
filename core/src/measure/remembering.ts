/** Writings remembered at most, twice over: enough for a workshop's day, and no more however many are asked for. */
const MOST = 2_000;

/**
 * Remembers what was last read of each text. Two generations: what was not asked for since the younger was filled is
 * forgotten with the older one, so that memory stays flat.
 */
export function remembering<T>(read: (text: string) => T): (text: string) => T {
  let young = new Map<string, T>();
  let old = new Map<string, T>();
  return (text) => {
    const known = young.get(text);
    if (known !== undefined) return known;
    const value = old.get(text) ?? read(text);
    if (young.size >= MOST) {
      old = young;
      young = new Map();
    }
    young.set(text, value);
    return value;
  };
}
