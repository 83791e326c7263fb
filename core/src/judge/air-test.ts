import { type Asking, type Book, type Limit, type Limited, limitFor, limitsFor } from '../limits';
import { formatLike, formatPressure, must, parsePressure, pressurePart, pressureStep, pressureUnit } from '../measure';
import type { AirTest, ReadingOf } from '../reading';
import { figure, said } from '../said';
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
  if (!per) return notJudged(said('no-leak-figure'), { measured: `${start} to ${end}` });
  const found = leakRate(reading, per);
  if (!found) return notJudged(said('leak-needs'));
  const unit = pressureUnit(start);
  const lost = formatLike(found.lost, start);
  const rate = formatPressure(Math.abs(found.rate), unit);
  const measured = `${rate} in ${per} s`;
  if (found.lost < 0)
    return notJudged(said('pressure-rose', { by: figure(lost.slice(1)) }), { measured: `${start} to ${end}` });
  if (seconds < per) return notJudged(said('too-short', { seconds, per }), { measured });
  const sum = said('leak-sum', {
    start: figure(start),
    end: figure(end),
    seconds,
    lost: figure(lost),
    rate: seconds === per ? 'none' : said('in-seconds', { lost: figure(rate), seconds: per }),
  });
  return judgeAmount(book, test as Limited, asking, { measured, amount: found.rate, also: [sum] });
}

/** The low-air limits, the law's at half of the cut-out pressure where that is less, as the book says. */
function lowAirLimits(book: Book, cutOut: string | undefined): Book {
  const less = (limit: Limit): Limit => {
    const part = cutOut && limit.orOfCutOut ? pressurePart(cutOut, limit.orOfCutOut) : null;
    return part && pascals(part) < pascals(limit.value) ? { ...limit, value: part } : limit;
  };
  return { ...book, limits: limitsFor(book, 'low-air', {}).map(less) };
}

const judgeLowAir = (book: Book, { value = '', cutOut }: Test): Opinion =>
  judgeAmount(
    lowAirLimits(book, cutOut),
    'low-air',
    {},
    {
      measured: value,
      amount: pascals(value),
      ...(cutOut ? { also: [said('cut-out-was', { cutOut: figure(cutOut) })] } : {}),
    },
  );

const NO_CUT_OUT = said('no-cut-out');

/** Where a governor cuts out is its maker's figure: the unit's own where that is known, else what is usual. */
const withMakers = (book: Book, maker: string | undefined): Book =>
  maker
    ? {
        ...book,
        limits: book.limits.map((limit) =>
          limit.reading === 'cut-out' && !limit.from
            ? { ...limit, value: maker, source: 'The maker of this unit', sure: 'practice' }
            : limit,
        ),
      }
    : book;

function judgeGovernor(shipped: Book, { cutIn, cutOut, maker }: Test): Opinion {
  const book = withMakers(shipped, maker);
  const measured = [cutIn ? `in ${cutIn}` : '', cutOut ? `out ${cutOut}` : ''].filter(Boolean).join(', ') || null;
  const judged = [
    ...(cutIn ? [judgeAmount(book, 'cut-in', {}, { measured: cutIn, amount: pascals(cutIn) })] : []),
    ...(cutOut ? [judgeAmount(book, 'cut-out', {}, { measured: cutOut, amount: pascals(cutOut) })] : []),
  ];
  const [first, second] = [...judged].sort((a, b) => compareVerdicts(a.verdict, b.verdict));
  if (!first) return notJudged(said('no-governor'));
  if (!cutOut && first.verdict === 'within') return notJudged(NO_CUT_OUT, { measured });
  const because = [...first.said, ...(second?.said ?? [])];
  return { ...first, measured, said: because, open: cutOut ? undefined : [NO_CUT_OUT] };
}

/** The time from one pressure to another: one taken over more or less than the book's stretch settles only what it can. */
function judgeBuildUp(book: Book, { seconds, start, end }: Test): Opinion {
  if (!seconds) return notJudged(said('no-time'));
  const measured = start && end ? `${seconds} s from ${start} to ${end}` : `${seconds} s`;
  const judged = judgeAmount(book, 'build-up', {}, { measured, amount: seconds * 1_000 });
  const [from, to] = limitFor(book, 'build-up', {})?.between ?? [];
  if (!start || !end || !from || !to || judged.verdict === 'not-judged') return judged;
  const short = pascals(start) > pascals(from) || pascals(end) < pascals(to);
  const long = pascals(start) < pascals(from) || pascals(end) > pascals(to);
  const settled = judged.verdict === 'within' ? !short : !long;
  const again = said('take-time', { from: figure(from), to: figure(to) });
  return settled ? judged : notJudged([...judged.said, again], judged);
}

/** Judges a timed or noted air test by the shop's chosen policy. */
export function judgeAirTest(book: Book, reading: Test): Opinion {
  const { test, value } = reading;
  if (isLeakTest(test)) return judgeLeak(book, reading);
  if (test === 'governor') return judgeGovernor(book, reading);
  if (test === 'build-up') return judgeBuildUp(book, reading);
  if (!value) return notJudged(said('no-pressure'));
  if (test === 'low-air') return judgeLowAir(book, reading);
  return judgeAmount(book, 'spring-brake', {}, { measured: value, amount: pascals(value) });
}
