import { Decoder } from './decode';
import { firstChoices } from './first';
import { madeUpShop } from './made-up';
import { modelOf } from './model';
import { search } from './search';

const STEPS = 8_000;
/** Few enough to be quick, and enough to be begun anew. */
const decoderOf = () => new Decoder(modelOf(madeUpShop({ seed: 4, jobs: 18 })));

/** A search by steps: what it found, each cost it told, and each number of steps it asked about. */
function searched(seed: number, stop: (asked: number) => boolean = () => false) {
  const decoder = decoderOf();
  const told: number[] = [];
  const asked: number[] = [];
  const progress = (step: number) => {
    asked.push(step);
    return step / STEPS;
  };
  const budget = { steps: STEPS, progress, stop: () => stop(asked.length) };
  const found = search(decoder, firstChoices(decoder), seed, budget, (cost) => told.push(cost));
  return { found, told, asked, decoder };
}

test('however often it is begun anew, each plan told is better than the last and the answer is no worse', () => {
  const { found, told, decoder } = searched(1);
  expect(told.length).toBeGreaterThan(1);
  for (const [at, cost] of told.slice(1).entries()) expect(cost).toBeLessThan(told[at] ?? 0);
  expect(found.cost).toBeLessThanOrEqual(told.at(-1) ?? 0);
  expect(decoder.decode(found.choice)).toBe(found.cost);
});

test('all beginnings together use the steps there are, no more, and never count back', () => {
  const { asked } = searched(1);
  expect(asked).toEqual([...asked].sort((a, b) => a - b));
  expect(asked.at(-1)).toBe(STEPS);
});

test('told to stop in a later beginning, it answers with the best of all of them', () => {
  const { found, told, asked } = searched(2, (looks) => looks > 80);
  expect(asked.at(-1)).toBeGreaterThan(18 * 200);
  expect(asked.at(-1)).toBeLessThan(STEPS);
  expect(found.cost).toBeLessThanOrEqual(told.at(-1) ?? 0);
});

test('a plan it is given is never left for a worse one, even where it is begun from others', () => {
  const { found } = searched(3);
  const decoder = decoderOf();
  const again = search(
    decoder,
    [found, ...firstChoices(decoder)],
    4,
    { steps: 4_000, progress: (step) => step / 4_000, stop: () => false },
    () => undefined,
  );
  expect(again.cost).toBeLessThanOrEqual(found.cost);
});
