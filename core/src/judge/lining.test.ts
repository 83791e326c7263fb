import fc from 'fast-check';
import { BOOK_IDS, type BookId, bookFor, type Verdict } from '../limits';
import type { ReadingOf } from '../reading';
import { BRAKE_KINDS, type WheelEnd, wheelEnd } from '../trailer';
import { sentences } from '../words';
import { judgeReading } from '.';

const end = (brake: WheelEnd['brake'] = 's-cam') =>
  wheelEnd({ id: 'T', kind: 'semitrailer', axles: [{ brake, tyres: 'dual', hub: 'oil' }] }, 1, 'left') as WheelEnd;
const lining = (points: string[], unseen?: number): ReadingOf<'lining'> => ({
  kind: 'lining',
  axle: 1,
  side: 'left',
  points,
  ...(unseen ? { unseen } : {}),
});
const judged = (points: string[], unseen?: number, book: BookId = 'na') =>
  judgeReading(bookFor({ book, policies: {}, limits: [] }), end(), lining(points, unseen));

test('points that are not seen are no pass, and say how many', () => {
  expect(judged(['1/2 in', '7/16 in']).verdict).toBe('within');
  const open = judged(['1/2 in', '7/16 in'], 2);
  expect(open.verdict).toBe('not-judged');
  expect(sentences(open.said)).toContain('2 seen of 4');
  expect(sentences(open.said)).toContain('2 of 4 points not seen');
});

test('one point past its limit decides, whatever the others would say', () => {
  expect(judged(['1/8 in'], 3)).toMatchObject({ verdict: 'violation', share: judged(['1/8 in']).share });
});

test('not to see a point never improves a verdict', () => {
  const worse = (verdict: Verdict) =>
    ['within', 'not-judged', 'shop-limit', 'violation', 'out-of-service'].indexOf(verdict);
  const points = fc.array(
    fc.integer({ min: 0, max: 32 }).map((n) => `${n}/32 in`),
    { minLength: 1, maxLength: 4 },
  );
  fc.assert(
    fc.property(
      points,
      fc.integer({ min: 1, max: 4 }),
      fc.constantFrom(...BOOK_IDS),
      fc.constantFrom(...BRAKE_KINDS),
      (all, unseen, book, brake) => {
        const by = bookFor({ book, policies: {}, limits: [] });
        const [whole, part] = [lining(all), lining(all, unseen)].map((each) => judgeReading(by, end(brake), each));
        expect(worse(part?.verdict ?? 'within')).toBeGreaterThanOrEqual(worse(whole?.verdict ?? 'within'));
        expect(part?.verdict).not.toBe('within');
      },
    ),
  );
});
