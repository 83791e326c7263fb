import type { Book } from '../limits';
import { formatLike, must, parsePressure, pressureStep, thinnest } from '../measure';
import type { ReadingOf } from '../reading';
import { figure, type Said, said } from '../said';
import { type Unit, type WheelEnd, wheelEnds } from '../trailer';
import { judgeAmount } from './decide';
import { judgeDefect } from './defect';
import type { Finding } from './finding';
import { findingOf } from './findings';
import { nmOf, notJudged, type Opinion, opinion } from './opinion';
import type { UnitReading } from './request';

/** The catalogue's code for tyres of a dual that touch. */
const TOUCHING = { code: 'tyre-contact' };

const innerOuter = (inner: string, outer: string): Said =>
  said('inner-outer', { inner: figure(inner), outer: figure(outer) });

/** Judges a dual's spacing and diameters. Contact is out of service where the catalogue says so. */
export function judgeDual(book: Book, end: WheelEnd, reading: ReadingOf<'dual'>): Opinion {
  const contact = judgeDefect(book, TOUCHING);
  if (reading.touching) return contact;
  const { diameters, size } = reading;
  if (!diameters)
    return reading.touching === false
      ? opinion({
          verdict: 'within',
          measured: 'apart',
          rule: contact.rule,
          sure: contact.sure,
          said: [said('duals-apart')],
        })
      : notJudged(said('dual-not-noted'));
  const [inner, outer] = diameters;
  const apart = Math.abs(nmOf(inner) - nmOf(outer));
  if (!size)
    return notJudged(said('dual-no-size'), {
      measured: `${inner}, ${outer}`,
    });
  const judged = judgeAmount(
    book,
    'dual-diameter',
    { ...end, size },
    { measured: formatLike(apart, inner), amount: apart, also: [innerOuter(inner, outer)] },
  );
  if (nmOf(inner) <= nmOf(outer)) return judged;
  const because = [said('larger-inside'), ...judged.said];
  return { ...judged, verdict: judged.verdict === 'within' ? 'shop-limit' : judged.verdict, said: because };
}

type DualTyre = 'inner' | 'outer';

/** A figure of each tyre of a dual, with what was typed. */
interface Read {
  text: string;
  value: number;
  pressure?: boolean;
}
interface Pair {
  inner: Read;
  outer: Read;
}
const apartOf = ({ inner, outer }: Pair): number =>
  inner.pressure ? Math.abs(pressureStep(inner.text, outer.text)) : Math.abs(inner.value - outer.value);

/** The least and the greatest figure of one tyre; null while it has none. */
type Span = { low: Read; high: Read } | null;

const before = (a: Read, b: Read): boolean => a.value < b.value || (a.value === b.value && a.text < b.text);

function widened(span: Span, figure: Read): Span {
  if (!span) return { low: figure, high: figure };
  return { low: before(figure, span.low) ? figure : span.low, high: before(span.high, figure) ? figure : span.high };
}

/** The two readings of a dual that stand furthest apart; null while one tyre has none. */
function furthest({ inner, outer }: Record<DualTyre, Span>): Pair | null {
  if (!inner || !outer) return null;
  const [a, b]: [Pair, Pair] = [
    { inner: inner.low, outer: outer.high },
    { inner: inner.high, outer: outer.low },
  ];
  return apartOf(a) >= apartOf(b) ? a : b;
}

const depth = (reading: UnitReading) => {
  if (reading.kind !== 'tread') return null;
  const { text, nm } = thinnest(...reading.grooves);
  return { text, value: nm };
};
const pressureWhen =
  (hot: boolean) =>
  (reading: UnitReading): Read | null =>
    reading.kind === 'pressure' && (reading.hot ?? false) === hot
      ? { text: reading.value, value: must(parsePressure(reading.value)), pressure: true }
      : null;

interface Comparison {
  kind: 'dual-tread' | 'dual-pressure';
  figure: (reading: UnitReading) => Read | null;
  like?: string;
  how: readonly Said[];
}

/** What is compared across a dual. Two hot pressures are: both stand above their cold ones by the same rule. */
const COMPARISONS: readonly Comparison[] = [
  { kind: 'dual-tread', figure: depth, like: '1/32', how: [] },
  { kind: 'dual-pressure', figure: pressureWhen(false), how: [] },
  { kind: 'dual-pressure', figure: pressureWhen(true), how: [said('both-hot')] },
];

const endKey = (axle: number, side: string): string => `${axle}${side}`;

/** The figures of both tyres of every dual, by axle end. */
function spansOf(readings: readonly UnitReading[], figure: (reading: UnitReading) => Read | null) {
  const spans = new Map<string, Record<DualTyre, Span>>();
  for (const reading of readings) {
    const read = figure(reading);
    if (!read || !('tyre' in reading) || !reading.tyre || reading.tyre === 'single') continue;
    const key = endKey(reading.axle ?? 0, reading.side ?? '');
    const here = spans.get(key) ?? { inner: null, outer: null };
    here[reading.tyre] = widened(here[reading.tyre], read);
    spans.set(key, here);
  }
  return spans;
}

/** What comparing a pair says; null where the two are alike enough. */
function judgeApart(book: Book, end: WheelEnd, { kind, like, how }: Comparison, pair: Pair): Finding | null {
  const amount = apartOf(pair);
  const also = [innerOuter(pair.inner.text, pair.outer.text), ...how];
  const measured = formatLike(amount, like ?? pair.inner.text);
  const judged = judgeAmount(book, kind, end, { measured, amount, also });
  if (judged.verdict === 'within' || judged.verdict === 'not-judged') return null;
  return findingOf(end.unit, { axle: end.axle, side: end.side, tyre: null }, kind, judged);
}

/** Findings from comparing the two tyres of each dual; only what is too far apart is said. Workshop practice. */
export function judgeDuals(book: Book, unit: Unit, own: readonly UnitReading[]): Finding[] {
  const duals = wheelEnds(unit).filter(({ tyres }) => tyres === 'dual');
  if (duals.length === 0) return [];
  const compared = COMPARISONS.map((comparison) => ({ comparison, spans: spansOf(own, comparison.figure) }));
  return duals.flatMap((end) =>
    compared.flatMap(({ comparison, spans }) => {
      const here = spans.get(endKey(end.axle, end.side));
      const pair = here ? furthest(here) : null;
      return (pair && judgeApart(book, end, comparison, pair)) ?? [];
    }),
  );
}

/** The mates of failing tyres, where the fleet replaces duals as pairs. */
export function judgePairs(book: Book, unit: Unit, findings: readonly Finding[]): Finding[] {
  if (book.policies?.duals !== 'pair') return [];
  const failing = (each: Finding) =>
    each.tyre !== null && (each.verdict === 'violation' || each.verdict === 'out-of-service');
  return findings
    .filter((each) => failing(each) && each.tyre !== 'single')
    .flatMap((bad) => {
      const mate: DualTyre = bad.tyre === 'inner' ? 'outer' : 'inner';
      const already = findings.some(
        (each) => failing(each) && each.axle === bad.axle && each.side === bad.side && each.tyre === mate,
      );
      if (already || !bad.axle || !bad.side) return [];
      const { source: rule, sure } = book.dualPair;
      return [
        findingOf(
          unit.id,
          { axle: bad.axle, side: bad.side, tyre: mate },
          'dual-pair',
          opinion({
            verdict: 'shop-limit',
            rule,
            sure,
            said: [said('mate-fails')],
          }),
        ),
      ];
    });
}
