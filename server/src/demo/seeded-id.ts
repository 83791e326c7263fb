import type { Random } from '@zealous-axle/core';

const hex = (random: Random, digits: number): string =>
  random
    .below(16 ** digits)
    .toString(16)
    .padStart(digits, '0');

/** A UUIDv7 whose time is `at` and whose rest comes from a seeded source of chance: the same seed, the same demo. */
export function seededId(random: Random, at: Date): string {
  const time = at.getTime().toString(16).padStart(12, '0');
  return `${time.slice(0, 8)}-${time.slice(8)}-7${hex(random, 3)}-8${hex(random, 3)}-${hex(random, 6)}${hex(random, 6)}`;
}
