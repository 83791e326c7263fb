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

/** One of several, each as likely. Throws where there is none. */
export function chosen<T>(random: Random, from: readonly T[]): T {
  const one = from[random.below(from.length)];
  if (one === undefined) throw new Error('nothing to choose from');
  return one;
}

/** The same things in another order. */
export function shuffled<T>(random: Random, all: readonly T[]): T[] {
  const out = [...all];
  for (let last = out.length - 1; last > 0; last--) {
    const other = random.below(last + 1);
    [out[last], out[other]] = [out[other] as T, out[last] as T];
  }
  return out;
}
