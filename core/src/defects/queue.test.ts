import fc from 'fast-check';
import { URGENCIES } from './propose';
import { compareQueuePlaces, queueOf, type Waiting } from './queue';

const report = (unit: string, more: Partial<Waiting> = {}): Waiting => ({
  unit,
  holds: false,
  severity: 'next-visit',
  reportedAt: '2026-05-04T08:00:00.000Z',
  leavesAt: null,
  ...more,
});
const unitsOf = (waiting: Waiting[]): string[] => queueOf(waiting).map(([, , , , unit]) => unit);

test('what holds is first, then what presses, what leaves next, what waited longest', () => {
  const waiting = [
    report('young'),
    report('old', { reportedAt: '2026-05-01T08:00:00.000Z' }),
    report('leaves', { leavesAt: '2026-05-05T06:00:00.000Z' }),
    report('leaves first', { leavesAt: '2026-05-04T18:00:00.000Z' }),
    report('presses', { severity: 'before-use' }),
    report('held', { holds: true, severity: 'hold' }),
  ];
  expect(unitsOf(waiting)).toEqual(['held', 'presses', 'leaves first', 'leaves', 'old', 'young']);
});

test('a unit stands where the worst of its reports would, once', () => {
  const waiting = [report('one'), report('two', { severity: 'measure-first' }), report('one', { holds: true })];
  expect(unitsOf(waiting)).toEqual(['one', 'two']);
});

test('whatever the order they are read in, the queue is the same, and one more report never moves its unit back', () => {
  const waiting = fc.record({
    unit: fc.constantFrom('a', 'b', 'c', 'd'),
    holds: fc.boolean(),
    severity: fc.constantFrom(...URGENCIES),
    reportedAt: fc.constantFrom('2026-05-01T08:00:00.000Z', '2026-05-02T08:00:00.000Z'),
    leavesAt: fc.constant(null),
  });
  fc.assert(
    fc.property(fc.array(waiting, { maxLength: 20 }), waiting, (all, more) => {
      const queue = queueOf(all);
      expect(queueOf([...all].reverse())).toEqual(queue);
      const before = queue.find(([, , , , unit]) => unit === more.unit);
      const after = queueOf([...all, more]).find(([, , , , unit]) => unit === more.unit);
      if (before && after) expect(compareQueuePlaces(after, before)).toBeLessThanOrEqual(0);
    }),
  );
});
