import { type Asking, type Book, type Limited, limitFor, limitsFor } from '../limits';
import { formatLike, formatPressure, must, parsePressure, pressurePart, pressureStep, pressureUnit } from '../measure';
import type { AirTest, ReadingOf } from '../reading';
import { judgeAmount } from './decide';
import { notJudged, type Opinion } from './opinion';
import { compareVerdicts } from './verdict';

type Test = ReadingOf<'air-test'>;
const pascals = (text: string): number => must(parsePressure(text));

const LEAKS: readonly AirTest[] = ['leak-released', 'leak-applied', 'suspension-leak'];
export const isLeakTest = (test: AirTest): boolean => LEAKS.includes(test);

/** Pressure lost between two readings, worked up to the time a limit is meant for; null while anything is missing. */
export function leakRate({ start, end, seconds }: Pick<Test, 'start' | 'end' | 'seconds'>, perSeconds: number) {
  if (!start || !end || !seconds) return null;
  return { lost: pressureStep(start, end), rate: pressureStep(start, end, perSeconds, seconds) };
}

function judgeLeak(book: Book, reading: Test): Opinion {
  const { test, start = '', end = '', seconds = 0 } = reading;
  const asking: Asking = { vehicles: reading.vehicles ?? 'single' };
  const limit = limitFor(book, test as Limited, asking);
  const per = limit?.perSeconds;
  if (!per) return notJudged('The book has no leak-down figure for this.', { measured: `${start} to ${end}` });
  const found = leakRate(reading, per);
  if (!found) return notJudged('Start, end and time are needed.');
  const unit = pressureUnit(start);
  const lost = formatLike(found.lost, start);
  const measured = `${formatPressure(Math.abs(found.rate), unit)} in ${per} s`;
  if (found.lost < 0)
    return notJudged(`The pressure rose by ${lost.slice(1)}: is the engine off?`, { measured: `${start} to ${end}` });
  if (seconds < per) return notJudged(`${seconds} s is too short: let it run ${per} s.`, { measured });
  const sum = `${start} to ${end} in ${seconds} s is ${lost}${seconds === per ? '' : `, or ${measured}`}.`;
  return judgeAmount(book, test as Limited, asking, { measured, amount: found.rate, also: sum });
}

/** Half of the cut-out pressure takes the place of the figure where it is less, as the book says. */
function judgeLowAir(book: Book, { value = '', cutOut }: Test): Opinion {
  const [limit] = limitsFor(book, 'low-air', {});
  const given = { measured: value, amount: pascals(value) };
  if (!limit?.orOfCutOut || !cutOut) return judgeAmount(book, 'low-air', {}, given);
  const part = pressurePart(cutOut, limit.orOfCutOut);
  if (pascals(part) >= pascals(limit.value)) return judgeAmount(book, 'low-air', {}, given);
  const less = { ...limit, value: part };
  const rules = { ...book, limits: book.limits.map((each) => (each.id === limit.id ? less : each)) };
  return judgeAmount(
    rules,
    'low-air',
    {},
    { ...given, also: `${part} is ${limit.orOfCutOut.join('/')} of the cut-out of ${cutOut}.` },
  );
}

function judgeGovernor(book: Book, { cutIn, cutOut }: Test): Opinion {
  const judged = [
    ...(cutIn ? [judgeAmount(book, 'cut-in', {}, { measured: cutIn, amount: pascals(cutIn) })] : []),
    ...(cutOut ? [judgeAmount(book, 'cut-out', {}, { measured: cutOut, amount: pascals(cutOut) })] : []),
  ];
  const [first, second] = [...judged].sort((a, b) => compareVerdicts(a.verdict, b.verdict));
  if (!first) return notJudged('Neither cut-in nor cut-out was noted.');
  const measured = [cutIn ? `in ${cutIn}` : '', cutOut ? `out ${cutOut}` : ''].filter(Boolean).join(', ');
  return { ...first, measured, because: [first.because, second?.because].filter(Boolean).join(' ') };
}

/** Judges a timed or noted air test by the shop's chosen policy. */
export function judgeAirTest(book: Book, reading: Test): Opinion {
  const { test, value, seconds } = reading;
  if (isLeakTest(test)) return judgeLeak(book, reading);
  if (test === 'governor') return judgeGovernor(book, reading);
  if (test === 'build-up')
    return seconds
      ? judgeAmount(book, 'build-up', {}, { measured: `${seconds} s`, amount: seconds * 1_000 })
      : notJudged('The time was not taken.');
  if (!value) return notJudged('The pressure was not noted.');
  if (test === 'low-air') return judgeLowAir(book, reading);
  return judgeAmount(book, 'spring-brake', {}, { measured: value, amount: pascals(value) });
}
