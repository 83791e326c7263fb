import fc from 'fast-check';
import { type JobParts, partsDays } from './parts-days';
import { PRIORITIES } from './wire';

const TODAY = '2026-03-02';
const room = [{ part: 'drum', stock: 2, leadDays: 4, spare: [] }];
const job = (id: string, more: Partial<JobParts> = {}): JobParts => ({
  job: id,
  priority: 'planned',
  needs: [{ part: 'drum', count: 2 }],
  ordered: [],
  ...more,
});

test('what is there goes to the job that presses most; the others wait for the lead time', () => {
  const { days, shortages } = partsDays([job('a'), job('b', { priority: 'out-of-service' })], room, TODAY);
  expect([...days]).toEqual([['a', '2026-03-06']]);
  expect(shortages).toEqual([{ part: 'drum', missing: 2, jobs: ['a'], on: '2026-03-06' }]);
});

test('an order of its own is waited for, and what is in stock is left to others', () => {
  const ordered = [{ part: 'drum', count: 2, due: '2026-03-04' }];
  const { days, shortages } = partsDays([job('a', { ordered }), job('b')], room, TODAY);
  expect([...days]).toEqual([['a', '2026-03-04']]);
  expect(shortages).toEqual([]);
});

test('what was ordered for a job that is over goes to whoever needs it', () => {
  const spare = [
    { count: 1, due: '2026-03-05' },
    { count: 2, due: '2026-03-03' },
  ];
  const { days, shortages } = partsDays(
    [job('a'), job('b'), job('c')],
    [{ part: 'drum', stock: 2, leadDays: 9, spare }],
    TODAY,
  );
  expect([...days]).toEqual([
    ['b', '2026-03-03'],
    ['c', '2026-03-11'],
  ]);
  expect(shortages).toEqual([{ part: 'drum', missing: 1, jobs: ['c'], on: '2026-03-11' }]);
});

test('what should be here by now comes today at the earliest, and is said to be late', () => {
  const ordered = [{ part: 'drum', count: 2, due: '2026-02-20' }];
  const { days, overdue, toOrder } = partsDays([job('a', { ordered })], [], TODAY);
  expect([[...days], [...overdue], [...toOrder]]).toEqual([[['a', TODAY]], ['a'], []]);
});

test('what nobody ordered yet is told from what is on its way', () => {
  const ordered = [{ part: 'drum', count: 2, due: '2026-03-04' }];
  const short = [{ part: 'drum', stock: 0, leadDays: 4, spare: [] }];
  expect([...partsDays([job('a'), job('b', { ordered })], short, TODAY).toOrder]).toEqual(['a']);
});

test('of a part nobody knows, nobody knows when it comes', () => {
  const needs = [{ part: 'moon gear', count: 1 }];
  const { days, unknown, shortages } = partsDays([job('a', { needs })], room, TODAY);
  expect(days.size).toBe(0);
  expect([...unknown]).toEqual([['a', 'moon gear']]);
  expect(shortages).toEqual([{ part: 'moon gear', missing: 1, jobs: ['a'], on: null }]);
});

test('nothing is shared out twice: what is missing is what is needed beyond stock', () => {
  const anyJob = fc.record({ priority: fc.constantFrom(...PRIORITIES), count: fc.integer({ min: 1, max: 4 }) });
  fc.assert(
    fc.property(fc.array(anyJob, { maxLength: 8 }), fc.integer({ min: 0, max: 12 }), (jobs, stock) => {
      const asked = jobs.map(({ priority, count }, n) => job(`j${n}`, { priority, needs: [{ part: 'drum', count }] }));
      const { shortages, days } = partsDays(asked, [{ part: 'drum', stock, leadDays: 4, spare: [] }], TODAY);
      const needed = jobs.reduce((sum, { count }) => sum + count, 0);
      expect(shortages[0]?.missing ?? 0).toBe(Math.max(0, needed - stock));
      expect([...days.keys()].sort()).toEqual([...(shortages[0]?.jobs ?? [])].sort());
    }),
  );
});
