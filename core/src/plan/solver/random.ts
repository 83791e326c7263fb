/** A seeded source of chance: the same seed, the same numbers everywhere. */
export interface Random {
  /** In [0, 1). */
  next(): number;
  /** A whole number in [0, below). */
  below(below: number): number;
}

/** Marsaglia's xorshift on 32 bits, its seed stirred first so that 1 and 2 do not begin alike. */
export function randomOf(seed: number): Random {
  let state = Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) ^ 0x2545f491;
  if (state === 0) state = 1;
  const next = () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 4_294_967_296;
  };
  for (let stir = 0; stir < 8; stir++) next();
  return { next, below: (below) => Math.floor(next() * below) };
}
