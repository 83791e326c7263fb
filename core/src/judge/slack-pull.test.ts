import { foundDefects } from '../inspection';
import type { ReadingOf } from '../reading';
import type { Unit } from '../trailer';
import { spoken } from '../words';
import { judge } from './judge';

const unit: Unit = { id: 'T1', kind: 'tractor', axles: [{ brake: 's-cam', tyres: 'single', hub: 'oil' }] };
const pulled = (value: string): ReadingOf<'slack-pull'> => ({ kind: 'slack-pull', axle: 1, side: 'left', value });
const judged = (value: string, book: 'na' | 'gb' = 'na') =>
  spoken(judge({ book, units: [unit], readings: [{ ...pulled(value), unit: unit.id }] } as never));

test.each([
  ['1 in', 'within', false, false],
  ['1 1/16 in', 'shop-limit', true, false],
  ['1 15/16 in', 'shop-limit', true, false],
  ['2 in', 'shop-limit', true, true],
] as const)('a pull of %s is %s; reported %s, held %s', (value, verdict, reported, held) => {
  for (const book of ['na', 'gb'] as const) {
    const { findings } = judged(value, book);
    const own = findings.filter(({ kind }) => kind === 'slack-pull');
    expect(own).toMatchObject([{ verdict }]);
    const defects = foundDefects(own, [], { book });
    expect(defects.map(({ code, holds }) => [code, holds])).toEqual(reported ? [['slack-pull', held]] : []);
  }
});

test('it is never counted as a brake, nor held against the applied stroke', () => {
  const { units, findings } = judged('3 in');
  expect(units[0]?.brakes).toMatchObject({ defective: 0 });
  expect(findings.find(({ kind }) => kind === 'slack-pull')).toMatchObject({
    limit: '1 in',
    share: 0,
    because: expect.stringMatching(/find.* out why.*held until somebody answers.*no applied stroke/),
  });
});

test('only where an adjuster is to be pulled', () => {
  const disc: Unit = { ...unit, axles: [{ brake: 'air-disc', tyres: 'single', hub: 'oil' }] };
  const { findings } = judge({ book: 'na', units: [disc], readings: [{ ...pulled('3 in'), unit: 'T1' }] } as never);
  expect(findings.find(({ kind }) => kind === 'slack-pull')).toMatchObject({ verdict: 'not-judged' });
});
