import fc from 'fast-check';
import { randomOf } from '../../chance';
import { Decoder } from './decode';
import { firstChoices } from './first';
import { jobShop, madeUpShop } from './made-up';
import { modelOf } from './model';
import { Moves } from './moves';
import { rebuild } from './rebuild';

/** Pairs of machine and minutes, so many jobs by so many machines. */
const machines = (jobs: number, steps: number, seed: number) => {
  const random = randomOf(seed);
  return jobShop(
    Array.from({ length: jobs }, () =>
      Array.from({ length: steps }, (_, at) => [(at * 3 + random.below(steps)) % steps, 1 + random.below(20)] as const),
    ),
  );
};

const shops = fc.record({
  seed: fc.integer({ min: 1, max: 300 }),
  kind: fc.constantFrom('easy', 'hard', 'machines', 'across'),
});
const requestOf = ({ seed, kind }: { seed: number; kind: string }) => {
  if (kind === 'machines') return machines(5, 6, seed);
  const shop = madeUpShop({ seed, jobs: 30, hard: kind !== 'easy' });
  if (kind !== 'across') return shop;
  // Some wait for work on another trailer.
  const jobs = shop.jobs.map((job, index) =>
    index > 20 && job.priority !== 'out-of-service' ? { ...job, after: [shop.jobs[index - 15]?.id ?? ''] } : job,
  );
  return { ...shop, jobs };
};

const placesOf = (decoder: Decoder) => decoder.puts().sort((a, b) => a.job - b.job);

test('what is decoded from the first change on comes out as if all of it were decoded anew', () => {
  fc.assert(
    fc.property(shops, (shop) => {
      const model = modelOf(requestOf(shop));
      const [decoder, fresh] = [new Decoder(model), new Decoder(model)];
      const [{ choice }] = firstChoices(decoder) as [ReturnType<typeof firstChoices>[number]];
      const moves = new Moves(choice, decoder, randomOf(shop.seed));
      decoder.decode(choice);
      for (let step = 0; step < 150; step++) {
        const change = moves.any();
        if (!change) continue;
        const cost = decoder.attempt(choice, change.from, change.to, Number.POSITIVE_INFINITY);
        expect(cost).toBeCloseTo(fresh.decode(choice), 3);
        if (cost === Number.POSITIVE_INFINITY || step % 3 === 0) {
          decoder.forget();
          change.undo();
        } else {
          decoder.keep(cost);
          expect(placesOf(decoder)).toEqual(placesOf(fresh));
        }
      }
    }),
    { numRuns: 40 },
  );
});

test('a job that waits for another trailer’s goes by when that one ended, however alike all else has come out', () => {
  const shop = madeUpShop({ seed: 1, jobs: 1 });
  const at = (minutes: number) => new Date(Date.parse(shop.now) + minutes * 60_000).toISOString();
  const open: [string, string][] = [[at(0), at(2_000)]];
  const job = (id: string, trailer: string, minutes: number, from: number, more = {}) => ({
    ...{ id, trailer, axle: null, skill: 'floor', technicians: 1, bayKind: 'floor', minutes, setup: null },
    ...{ priority: 'planned' as const, release: at(from), due: at(5), after: [], pinned: null, ...more },
  });
  const others = Array.from({ length: 10 }, (_, index) => job(`F${index}`, `F${index}`, 10, 600 + 10 * index));
  const model = modelOf({
    ...shop,
    bays: ['floor', 'pit'].map((id) => ({ id, kinds: [id], open })),
    technicians: ['floor', 'pit'].map((id) => ({ id, skills: [id], shifts: open })),
    jobs: [
      ...[
        job('short', 'A', 10, 0),
        job('long', 'B', 30, 0),
        job('X', 'X', 10, 200),
        job('A2', 'A', 10, 300),
        job('B2', 'B', 10, 400),
      ],
      ...[...others, job('waits', 'C', 10, 0, { skill: 'pit', bayKind: 'pit', after: ['short'] })],
    ],
  });
  const [decoder, fresh] = [new Decoder(model), new Decoder(model)];
  const count = model.jobs.length;
  const choice = {
    order: Int32Array.from({ length: count }, (_, index) => index),
    visit: Int32Array.from({ length: count }, (_, index) => index),
    room: new Int32Array(count).fill(-1),
    person: new Int32Array(count).fill(-1),
  };
  decoder.decode(choice);
  choice.order.set([1, 0]);

  const cost = decoder.attempt(choice, 0, 1, Number.POSITIVE_INFINITY);
  expect(cost).toBe(fresh.decode(choice));
  decoder.keep(cost);
  expect(placesOf(decoder)).toEqual(placesOf(fresh));
  expect(placesOf(decoder).at(-1)).toMatchObject({ start: 40 });
});

test('jobs put in anew leave every job in the order once, and cost what they say', () => {
  fc.assert(
    fc.property(shops, (shop) => {
      const model = modelOf(requestOf(shop));
      const [decoder, fresh] = [new Decoder(model), new Decoder(model)];
      const [{ choice }] = firstChoices(decoder) as [ReturnType<typeof firstChoices>[number]];
      decoder.decode(choice);
      const random = randomOf(shop.seed);
      const moves = new Moves(choice, decoder, random);
      for (let round = 0; round < 3; round++) {
        const cost = rebuild(moves, decoder, random);
        expect([...choice.order].sort((a, b) => a - b)).toEqual([...Array(decoder.shop.count).keys()]);
        expect([...choice.order].map((at) => moves.position[at])).toEqual([...Array(decoder.shop.count).keys()]);
        expect(cost).toBe(fresh.decode(choice));
      }
    }),
    { numRuns: 30 },
  );
});
