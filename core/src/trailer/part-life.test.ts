import fc from 'fast-check';
import { lifeOf, ofPresentLives, type PartLife } from './part-life';

const life = (change: Partial<PartLife>): PartLife => ({
  part: 'lining',
  axle: 1,
  side: 'left',
  tyre: null,
  number: 'L-47',
  limit: null,
  since: '2026-03-02T08:00:00.000Z',
  by: 'Ada',
  job: 'j',
  ...change,
});
const at = { axle: 1, side: 'left', tyre: null } as const;

test('the newest life at the place is that of what is read there', () => {
  const lives = [
    life({ since: '2026-03-02T08:00:00.000Z' }),
    life({ since: '2025-03-02T08:00:00.000Z', number: 'old' }),
  ];
  expect(lifeOf(lives, { kind: 'lining', ...at })?.number).toBe('L-47');
  expect(lifeOf(lives, { kind: 'lining', ...at, side: 'right' })).toBeNull();
  expect(lifeOf(lives, { kind: 'tread', ...at })).toBeNull();
  expect(lifeOf([life({ part: 'chamber' })], { kind: 'stroke-free', ...at })).not.toBeNull();
});

test('one tire of a dual is another life than its mate', () => {
  const outer = [life({ part: 'tyre', tyre: 'outer' })];
  expect(lifeOf(outer, { kind: 'tread', ...at, tyre: 'outer' })).not.toBeNull();
  expect(lifeOf(outer, { kind: 'tread', ...at, tyre: 'inner' })).toBeNull();
});

test('no reading from before a life is kept for it, and none of another part is lost', () => {
  const days = fc.integer({ min: 0, max: 60 }).map((day) => new Date(Date.UTC(2026, 0, 1 + day)).toISOString());
  const reading = fc.record({
    at: days,
    kind: fc.constantFrom('lining', 'tread'),
    side: fc.constantFrom('left' as const, 'right' as const),
  });
  fc.assert(
    fc.property(fc.array(reading), days, (readings, since) => {
      const kept = ofPresentLives([life({ since })], readings, ({ kind, side }) => ({ ...at, kind, side }));
      for (const each of readings) {
        const replaced = each.kind === 'lining' && each.side === 'left' && each.at < since;
        expect(kept.includes(each)).toBe(!replaced);
      }
    }),
  );
});
