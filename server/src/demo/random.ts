/** A seeded stream of numbers in [0, 1): the same seed always makes the same demo. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const byte = (random: () => number) =>
  Math.floor(random() * 256)
    .toString(16)
    .padStart(2, '0');

/** A UUIDv7 whose time is `at` and whose rest comes from the seeded stream. */
export function seededId(random: () => number, at: Date): string {
  const time = at.getTime().toString(16).padStart(12, '0');
  const rest = Array.from({ length: 9 }, () => byte(random)).join('');
  return `${time.slice(0, 8)}-${time.slice(8)}-7${rest.slice(0, 3)}-8${rest.slice(3, 6)}-${rest.slice(6, 18)}`;
}
