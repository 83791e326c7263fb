/** Seeded chance: the same seed, the same choices everywhere. */
export { chosen, type Random, randomOf, shuffled } from './random';
