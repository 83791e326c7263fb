import { keyOf } from '../../reading';
import { debrief, perfectWalk, type Taken, type Walked } from './debrief';
import { levelsOf, makeUp, vehiclesOf } from './make';
import { PRACTICE_ROUTES } from './settings';
import { inches } from './truth';

const [BRAKES] = PRACTICE_ROUTES;
if (!BRAKES) throw new Error('no route');

test('a walk that reads everything as it is finds all of it, invents nothing, costs nothing', () => {
  for (const route of PRACTICE_ROUTES)
    for (const vehicle of vehiclesOf(route))
      for (const level of levelsOf(route)) {
        const made = makeUp(3, level, route, vehicle);
        const told = debrief(made, perfectWalk(made));
        expect([route.id, vehicle, level, told.missed.map(({ id }) => id), told.invented.length]).toEqual([
          route.id,
          vehicle,
          level,
          [],
          0,
        ]);
        expect(told).toMatchObject({ decidedRight: true, cost: 0, outOfOrder: 0, marks: 100, skipped: [] });
        expect(told.compared.every(({ error, changed }) => error === null || !changed)).toBe(true);
      }
});

/** A trailer whose first hidden thing is a stroke past its limit. */
function longStroke() {
  for (let seed = 1; ; seed++) {
    const made = makeUp(seed, 1, BRAKES as (typeof PRACTICE_ROUTES)[number]);
    const [only] = made.hidden;
    if (only?.id === 'stroke-long') return { made, only };
  }
}

const read = (walked: Walked, key: string, change: (taken: Taken) => Taken): Walked => ({
  ...walked,
  taken: walked.taken.map((each) => (each.key === key ? change(each) : each)),
});

test('a stroke read short says by how much, and that it changed the verdict; the fault is missed, and costs', () => {
  const { made, only } = longStroke();
  const [key] = only.keys;
  const short = read(perfectWalk(made), key ?? '', (taken) => ({
    ...taken,
    reading: { ...taken.reading, value: inches(24, 16) } as Taken['reading'],
    said: 'good',
  }));
  const told = debrief(made, { ...short, mayGo: true });
  const row = told.compared.find(({ step }) => keyOf(step) === key);
  expect(row).toMatchObject({ right: false, changed: true, judgedAs: 'good', said: '1 1/2 in' });
  expect(row?.error).toMatch(/^−.* in$/);
  expect(told.missed.map(({ id }) => id)).toEqual(['stroke-long']);
  expect(told).toMatchObject({ decidedRight: false });
  expect(told.cost).toBeGreaterThan(0);
  expect(told.marks).toBeLessThan(60);
});

test('one sixteenth off that changes nothing is said, and is no miss', () => {
  const { made, only } = longStroke();
  const perfect = perfectWalk(made);
  const good = perfect.taken.find(({ key, reading }) => reading.kind === 'stroke-applied' && !only.keys.includes(key));
  const off = read(perfect, good?.key ?? '', (taken) => ({
    ...taken,
    reading: { ...taken.reading, value: '1 1/16 in' } as Taken['reading'],
  }));
  const told = debrief(made, off);
  expect(told.missed).toEqual([]);
  expect(told.compared.find(({ step }) => keyOf(step) === good?.key)).toMatchObject({
    right: false,
    changed: false,
    error: expect.stringMatching(/^[−+]/),
  });
});

test('what was found and is not there is invented; what was passed over is said; order and chocks lose their marks', () => {
  const { made, only } = longStroke();
  const perfect = perfectWalk(made);
  const other = perfect.taken.find(({ key, reading }) => reading.kind === 'lining' && !only.keys.includes(key));
  const invented = read(perfect, other?.key ?? '', (taken) => ({ ...taken, said: 'hold' }));
  expect(debrief(made, invented).invented.map(({ step }) => keyOf(step))).toEqual([other?.key]);
  const few = debrief(made, { ...perfect, taken: perfect.taken.slice(2), chocked: false });
  expect(few.skipped).toHaveLength(2);
  expect(few.marks).toBeLessThan(100);
  const backwards = debrief(made, { ...perfect, taken: [...perfect.taken].reverse() });
  expect(backwards.outOfOrder).toBe(perfect.taken.length - 1);
  expect(backwards.marks).toBeLessThan(100);
  const [first] = perfect.taken;
  if (!first) throw new Error('nothing taken');
  const putRight = debrief(made, { ...perfect, taken: [...perfect.taken, first] });
  expect(putRight).toMatchObject({ outOfOrder: 0, marks: 100 });
});
