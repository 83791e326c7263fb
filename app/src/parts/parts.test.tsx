import { fireEvent, render, screen } from '@testing-library/react-native';
import {
  type Axle,
  type BrakeCount,
  expectedReadings,
  type Finding,
  type Reading,
  type UnitKind,
  VERDICTS,
} from '@zealous-axle/core';
import { BrakeSum } from './BrakeSum';
import { endsOf, type PlacedReading } from './ends';
import { RunningGear } from './RunningGear';
import { VerdictBadge } from './VerdictMark';
import { VERDICT_LOOK } from './verdict';

const axle = { brake: 's-cam', tyres: 'dual', hub: 'oil' } as const;
const unit: { kind: UnitKind; axles: Axle[] } = {
  kind: 'semitrailer',
  axles: [axle, { ...axle, lift: true, tyres: 'single' }],
};
const lining: Reading = { kind: 'lining', axle: 1, side: 'left', points: ['3/16 in'] };
const count: BrakeCount = {
  total: 4,
  measured: 1,
  full: 0,
  half: 1,
  defective: 0,
  defectiveAtMost: 3,
  outOfServiceAt: 1,
  outOfService: false,
};

test.each(VERDICTS)('%s is always said in a word, and never as “safe”', async (verdict) => {
  await render(<VerdictBadge verdict={verdict} />);
  expect(screen.getByText(VERDICT_LOOK[verdict].word)).toBeTruthy();
  expect(VERDICT_LOOK[verdict].word).not.toMatch(/safe/i);
});

test('the plan has every axle end of its unit, and says what is not measured', async () => {
  const chosen: string[] = [];
  const read = { axle: 1, side: 'left', tyre: null, kind: 'lining', verdict: 'violation', value: lining } as const;
  await render(
    <RunningGear unit={unit} ends={endsOf(unit, [read])} size="medium" onSelect={(code) => chosen.push(code)} />,
  );
  expect(screen.getByLabelText('1L: Violation. Lining 3/16')).toBeTruthy();
  for (const code of ['1R', '2L', '2R']) expect(screen.getByLabelText(`${code}: No verdict. `)).toBeTruthy();
  await fireEvent.press(screen.getByLabelText('2R: No verdict. '));
  expect(chosen).toEqual(['2R']);
});

test('an end is within its limits only when everything expected there was read', () => {
  const all: PlacedReading[] = expectedReadings({ id: 'u', ...unit })
    .filter((step) => step.axle === 1 && step.side === 'left')
    .map((step) => ({ ...step, verdict: 'within', value: null }));
  expect(endsOf(unit, all)['1L']?.verdict).toBe('within');
  for (const left of all)
    expect(
      endsOf(
        unit,
        all.filter((each) => each !== left),
      )['1L']?.verdict,
    ).toBe('not-judged');
});

test('an end’s mark is its worst truth: a driver’s defect, and what comparing found', () => {
  const all: PlacedReading[] = expectedReadings({ id: 'u', ...unit }).map((step) => ({
    ...step,
    verdict: 'within',
    value: null,
  }));
  const found = (more: object) => ({ unit: 'u', axle: 1, side: 'left', tyre: null, ...more }) as Finding;
  const marks = (finding: Finding) => ['1L', '1R', '2L'].map((code) => endsOf(unit, all, [finding])[code]?.verdict);
  expect(marks(found({ kind: 'defect', verdict: 'shop-limit' }))).toEqual(['shop-limit', 'within', 'within']);
  expect(marks(found({ kind: 'dual-tread', verdict: 'shop-limit' }))).toEqual(['shop-limit', 'within', 'within']);
  expect(marks(found({ kind: 'chamber-match', side: null, verdict: 'violation' }))).toEqual([
    'violation',
    'violation',
    'within',
  ]);
});

test('the brake count is a sum, with its range while brakes are open', async () => {
  await render(<BrakeSum share={[1, 5]} count={count} />);
  expect(screen.getByText('1 × ½')).toBeTruthy();
  expect(screen.getByText('0 to 3')).toBeTruthy();
  expect(screen.getByText('Not decided: 1 of 4 brakes measured.')).toBeTruthy();
});

test('a settled count says which way', async () => {
  await render(
    <BrakeSum share={[1, 5]} count={{ ...count, full: 1, defective: 1, defectiveAtMost: 1, outOfService: true }} />,
  );
  expect(screen.getByText('1 is at or over 1: out of service by brake count.')).toBeTruthy();
  expect(screen.getByText('Out of service at 20 % of 4 brakes')).toBeTruthy();
});

test('of brakes nobody measured the count says nothing, and of few measured ones no more than that', async () => {
  const none = { ...count, full: 0, half: 0, defective: 0, defectiveAtMost: 0, measured: 0 };
  const { rerender } = await render(<BrakeSum share={[1, 5]} count={none} />);
  expect(screen.getByText('No brake was measured here, so there is no brake count.')).toBeTruthy();
  await rerender(<BrakeSum share={[1, 5]} count={{ ...none, measured: 2 }} />);
  expect(
    screen.getByText('Less than 1: by the 2 of 4 brakes measured, not out of service by brake count.'),
  ).toBeTruthy();
  await rerender(<BrakeSum share={[1, 5]} count={{ ...none, measured: 4 }} />);
  expect(screen.getByText('Less than 1: not out of service by brake count.')).toBeTruthy();
});

test('a book without a share of brakes says nothing of one', async () => {
  await render(<BrakeSum share={null} count={{ ...count, outOfServiceAt: null }} />);
  expect(screen.queryByText(/%/)).toBeNull();
  expect(screen.queryByText(/null/)).toBeNull();
  expect(screen.queryByText(/brake count/)).toBeNull();
});
