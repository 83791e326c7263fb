import { expectedReadings, keyOf, type Step } from '../reading';
import { AXLE } from '../testing/axle';
import { ask, at } from '../testing/judging';
import type { Unit } from '../trailer';
import { sentences } from '../words';
import { absentFindings, allFindings, readFindings } from './absent';

const unit: Unit = { id: 'T', kind: 'semitrailer', axles: [AXLE] };
const stroke = { kind: 'stroke-applied', ...at, value: '1 3/4 in', reservoir: '95 psi' } as const;
const drips: Step = { kind: 'check', item: 'drips', axle: null, side: null, tyre: null };
const { findings } = ask([stroke]);
const read = readFindings(unit, findings, [stroke]);

test('what is kept of a judgment is what was read; the rest is worked out again, whole', () => {
  expect(read.map(keyOf)).toEqual(['stroke-applied@1L']);
  const all = allFindings(unit, read);
  expect(all).toHaveLength(expectedReadings(unit).length);
  expect(all.filter(({ verdict }) => verdict !== 'not-judged').map(keyOf)).toEqual(['stroke-applied@1L']);
  expect(new Set(all.map(keyOf))).toEqual(new Set(findings.map(keyOf)));
});

test('what the walked route asked and nobody looked at is said, in words for the eye or the hand', () => {
  const absent = absentFindings(unit, read, [drips]);
  const says = (subject: string) => sentences(absent.find(({ kind }) => kind === subject)?.said ?? []);
  expect(says('check:drips')).toBe('Under the unit: not checked. Check it.');
  expect(says('lining')).toBe('Lining was not measured: measure it.');
  expect(absent.some((each) => keyOf(each) === 'stroke-applied@1L')).toBe(false);
  expect(allFindings(unit, read, [drips])).toHaveLength(expectedReadings(unit).length + 1);
});
