import fc from 'fast-check';
import { randomOf } from '../../chance';
import { Decoder } from './decode';
import { firstChoices } from './first';
import classical from './job-shops.json';
import { jobShop, pairsOf } from './made-up';
import { modelOf } from './model';
import { Sequences, type Turn } from './sequences';
import { sequencesOf, shorten } from './shorten';

const ten = jobShop((classical[1]?.jobs ?? []).map(pairsOf));
const started = (request: typeof ten) => {
  const decoder = new Decoder(modelOf(request));
  const [start] = firstChoices(decoder);
  if (!start) throw new Error('no plan to begin with');
  return { decoder, start };
};
const always = (most: number) => (turns: number) => turns < most;

const minutes = fc.integer({ min: 1, max: 30 });
/** Trailers with some jobs each, one behind the other and no two on one machine. */
const shops = fc.array(
  fc
    .shuffledSubarray([0, 1, 2, 3], { minLength: 2 })
    .chain((machines) => fc.tuple(...machines.map((machine) => fc.tuple(fc.constant(machine), minutes)))),
  { minLength: 2, maxLength: 6 },
);
/** … and such that come back to a machine, where jobs of one trailer may be one visit. */
const returning = fc.array(fc.array(fc.tuple(fc.nat(3), minutes), { minLength: 2, maxLength: 5 }), {
  minLength: 2,
  maxLength: 6,
});

test('after any turns the sequences say when the last job ends as the decoder does, whatever the turns were', () => {
  fc.assert(
    fc.property(shops, fc.integer(), (operations, seed) => {
      const { decoder, start } = started(jobShop(operations));
      const { choice } = start;
      decoder.decode(choice);
      const sequences = sequencesOf(decoder);
      if (!sequences) throw new Error('nobody is short here');
      for (let at = 0; at < decoder.shop.count; at++) choice.room[choice.visit[at] ?? 0] = decoder.roomOfJob(at);
      const random = randomOf(seed);
      for (let turns = 0; turns < 12; turns++) {
        const possible = turnsOfAll(sequences.runs(random)).filter((turn) => sequences.lengthAfter(turn) < Infinity);
        const turn = possible[random.below(Math.max(1, possible.length))];
        if (!turn) return;
        const about = sequences.lengthAfter(turn);
        const passed: number[] = [];
        sequences.passed(turn, (other) => passed.push(other));
        sequences.make(turn);
        // Of two neighbours turned round it is the length of the longest chain through either, no more.
        if (passed.length === 1) expect(sequences.longest).toBeGreaterThanOrEqual(about);
        choice.order.set(sequences.order());
        decoder.decode(choice);
        expect(decoder.endOf(decoder.lastEnding())).toBe(sequences.longest);
      }
    }),
  );
});

/** Every pair of a run, turned round from either side. */
const turnsOfAll = (runs: number[][]): Turn[] =>
  runs.flatMap((run) =>
    run.flatMap((late, at) =>
      run.slice(at + 1).flatMap((early): Turn[] => [
        { side: 0, job: early, behind: late },
        { side: 1, job: late, behind: early },
      ]),
    ),
  );

test('two jobs of one trailer are not turned round, nor what one of them waits for', () => {
  const sequences = new Sequences({
    minutes: [10, 20, 30],
    release: [0, 0, 5],
    room: [0, 0, 0],
    trailer: [0, 0, 1],
    start: [0, 10, 30],
  });
  expect(sequences.longest).toBe(60);
  expect(sequences.runs(randomOf(1)).flat()).toEqual([2, 1, 0]);
  expect(sequences.lengthAfter({ side: 0, job: 0, behind: 1 })).toBe(Infinity);
  expect(sequences.lengthAfter({ side: 0, job: 0, behind: 2 })).toBe(Infinity);
  expect(sequences.lengthAfter({ side: 1, job: 2, behind: 0 })).toBeLessThan(Infinity);
  sequences.make({ side: 1, job: 2, behind: 0 });
  expect([...sequences.order()]).toEqual([2, 0, 1]);
  expect(sequences.longest).toBe(65);
});

test('the classical ten by ten comes within three hundredths of its optimum, and each plan told is better than the last', () => {
  for (const seed of [1, 2, 3]) {
    const { decoder, start } = started(ten);
    const told: number[] = [];
    const found = shorten(decoder, start, randomOf(seed), always(20_000), (cost) => told.push(cost));
    expect(found.cost).toBeLessThanOrEqual(930 * 1.03);
    expect(told).toEqual([...told].sort((a, b) => b - a));
    expect(told.at(-1)).toBe(found.cost);
    expect(decoder.decode(found.choice)).toBe(found.cost);
  }
});

test('where people, their hours or visits have their say too, it is never worse than what it began with', () => {
  const people = fc.integer({ min: 1, max: 3 });
  fc.assert(
    fc.property(returning, people, fc.boolean(), (operations, count, byHours) => {
      const shop = jobShop(operations);
      const hours = Array.from({ length: 50 }, (_, at): [string, string] => [hour(at), hour(at + 0.75)]);
      const technicians = shop.technicians
        .slice(0, count)
        .map((each) => ({ ...each, shifts: byHours ? hours : each.shifts }));
      const { decoder, start } = started({ ...shop, technicians });
      const told: number[] = [];
      const found = shorten(decoder, start, randomOf(1), always(60), (cost) => told.push(cost));
      expect(found.cost).toBeLessThanOrEqual(start.cost);
      expect(found.cost).toBe(told.at(-1) ?? start.cost);
      expect(decoder.decode(found.choice)).toBe(found.cost);
    }),
  );
});
const hour = (at: number) => new Date(Date.parse(ten.now) + at * 3_600_000).toISOString();

test('it ends when it is told to, and where no turn makes a difference', () => {
  const { decoder, start } = started(ten);
  expect(
    shorten(
      decoder,
      start,
      randomOf(1),
      () => false,
      () => undefined,
    ).cost,
  ).toBe(start.cost);
  const asked: number[] = [];
  const alone = started(
    jobShop([
      [
        [0, 10],
        [1, 20],
      ],
    ]),
  );
  const found = shorten(
    alone.decoder,
    alone.start,
    randomOf(1),
    (turns) => asked.push(turns) < 100,
    () => undefined,
  );
  expect([found.cost, asked]).toEqual([30, [0]]);
});
