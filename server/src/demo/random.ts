import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A seeded stream of numbers in [0, 1): the same seed always makes the same demo. */
export type Random = () => number;

export function seeded(seed: number): Random {
  const generator = xoroshiro128plus(seed);
  return () => uniformFloat64(generator);
}

/** One of several, each as likely as the next. */
export const oneOf = <T>(random: Random, several: readonly T[]): T =>
  several[Math.floor(random() * several.length)] as T;

const hex = (random: Random, digits: number): string =>
  Math.floor(random() * 16 ** digits)
    .toString(16)
    .padStart(digits, '0');

/** A UUIDv7 whose time is `at` and whose rest comes from the seeded stream. */
export function seededId(random: Random, at: Date): string {
  const time = at.getTime().toString(16).padStart(12, '0');
  return `${time.slice(0, 8)}-${time.slice(8)}-7${hex(random, 3)}-8${hex(random, 3)}-${hex(random, 12)}`;
}
