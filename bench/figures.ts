import { performance } from 'node:perf_hooks';

export const say = (what: string, figures: string): void => console.log(`${what.padEnd(36)} ${figures}`);
export const round = (value: number, places = 2): string => value.toFixed(places);

export const overPercent = (one: number, other: number): string => `${round((one / other - 1) * 100, 1)} %`;

export const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** Medians of several kinds of work done by turns, so that what else the machine does falls on all alike. */
export async function medians<K extends string>(
  runs: number,
  work: Record<K, () => unknown>,
): Promise<Record<K, number>> {
  const names = Object.keys(work) as K[];
  const times = Object.fromEntries(names.map((name) => [name, [] as number[]])) as Record<K, number[]>;
  for (let run = 0; run < runs; run++)
    for (const name of names) {
      const from = performance.now();
      await work[name]();
      times[name].push(performance.now() - from);
    }
  return Object.fromEntries(names.map((name) => [name, middle(times[name])])) as Record<K, number>;
}

/** Milliseconds of a run, each kind of work in a loop of its own once all are warm: what is measured is the code, not the change between them. */
export function inLoops<K extends string>(runs: number, work: Record<K, () => unknown>): Record<K, number> {
  const names = Object.keys(work) as K[];
  const once = (name: K) => {
    const from = performance.now();
    for (let run = 0; run < runs; run++) work[name]();
    return (performance.now() - from) / runs;
  };
  for (const name of names) once(name);
  return Object.fromEntries(names.map((name) => [name, middle([1, 2, 3].map(() => once(name)))])) as Record<K, number>;
}
