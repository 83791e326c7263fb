import type { Book } from '../limits';
import { formatLike, must, parsePressure, pressureStep, thinnest } from '../measure';
import type { ReadingOf } from '../reading';
import { type Unit, type WheelEnd, wheelEnds } from '../trailer';
import { judgeAmount } from './decide';
import { judgeDefect } from './defect';
import type { Finding } from './finding';
import { nmOf, notJudged, type Opinion, opinion } from './opinion';
import type { UnitReading } from './request';

/** The catalogue's code for tyres of a dual that touch. */
const TOUCHING = { code: 'tyre-contact' };

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
          because: 'The tyres of the dual do not touch.',
        })
      : notJudged('Neither spacing nor diameters were noted.');
  const [inner, outer] = diameters;
  const apart = Math.abs(nmOf(inner) - nmOf(outer));
  if (!size) return notJudged('The size class of the tyres was not given.', { measured: `${inner}, ${outer}` });
  const wrongWay = nmOf(inner) > nmOf(outer) ? 'The larger tyre is inside: the smaller one belongs there.' : '';
  return judgeAmount(
    book,
    'dual-diameter',
    { ...end, size },
    { measured: formatLike(apart, inner), amount: apart, also: wrongWay },
  );
}

type Tyre = 'inner' | 'outer';

/** A figure of each tyre of a dual, with what was typed. */
interface Figure {
  text: string;
  value: number;
  pressure?: boolean;
}
interface Pair {
  inner: Figure;
  outer: Figure;
}
const apartOf = ({ inner, outer }: Pair): number =>
  inner.pressure ? Math.abs(pressureStep(inner.text, outer.text)) : Math.abs(inner.value - outer.value);

/** The two readings of a dual that stand furthest apart; null while one tyre has none. */
function furthest(
  readings: readonly UnitReading[],
  end: WheelEnd,
  figure: (reading: UnitReading) => Figure | null,
): Pair | null {
  const at = (tyre: Tyre) =>
    readings
      .filter((each) => 'tyre' in each && each.axle === end.axle && each.side === end.side && each.tyre === tyre)
      .flatMap((each) => figure(each) ?? []);
  const sorted = (figures: readonly Figure[]) =>
    [...figures].sort((one, other) => one.value - other.value || (one.text < other.text ? -1 : 1));
  const [inner, outer] = [sorted(at('inner')), sorted(at('outer'))];
  const [lowInner, highInner, lowOuter, highOuter] = [inner[0], inner.at(-1), outer[0], outer.at(-1)];
  if (!lowInner || !highInner || !lowOuter || !highOuter) return null;
  const [a, b]: [Pair, Pair] = [
    { inner: lowInner, outer: highOuter },
    { inner: highInner, outer: lowOuter },
  ];
  return apartOf(a) >= apartOf(b) ? a : b;
}

const depth = (reading: UnitReading) => {
  if (reading.kind !== 'tread') return null;
  const { text, nm } = thinnest(reading.grooves.flat());
  return { text, value: nm };
};
const coldPressure = (reading: UnitReading) =>
  reading.kind === 'pressure' && !reading.hot
    ? { text: reading.value, value: must(parsePressure(reading.value)), pressure: true }
    : null;

const finding = (end: WheelEnd, kind: string, found: Opinion): Finding => ({
  unit: end.unit,
  axle: end.axle,
  side: end.side,
  tyre: null,
  kind,
  ...found,
});

/** Findings from comparing the two tyres of each dual; only what is too far apart is said. Workshop practice. */
export function judgeDuals(book: Book, unit: Unit, readings: readonly UnitReading[]): Finding[] {
  const own = readings.filter(({ unit: of, kind }) => of === unit.id && (kind === 'tread' || kind === 'pressure'));
  const compare = (end: WheelEnd, kind: 'dual-tread' | 'dual-pressure', pair: Pair | null, like: string): Finding[] => {
    if (!pair) return [];
    const amount = apartOf(pair);
    const also = `Inner ${pair.inner.text}, outer ${pair.outer.text}.`;
    const measured = formatLike(amount, kind === 'dual-tread' ? like : pair.inner.text);
    return [finding(end, kind, judgeAmount(book, kind, end, { measured, amount, also }))];
  };
  return wheelEnds(unit)
    .filter(({ tyres }) => tyres === 'dual')
    .flatMap((end) => [
      ...compare(end, 'dual-tread', furthest(own, end, depth), '1/32'),
      ...compare(end, 'dual-pressure', furthest(own, end, coldPressure), ''),
    ])
    .filter(({ verdict }) => verdict !== 'within' && verdict !== 'not-judged');
}

/** The mates of failing tyres, where the fleet replaces duals as pairs. */
export function judgePairs(book: Book, unit: Unit, findings: readonly Finding[]): Finding[] {
  if (book.policies?.duals !== 'pair') return [];
  const failing = (each: Finding) =>
    each.tyre !== null && (each.verdict === 'violation' || each.verdict === 'out-of-service');
  return findings
    .filter((each) => failing(each) && each.tyre !== 'single')
    .flatMap((bad) => {
      const mate: Tyre = bad.tyre === 'inner' ? 'outer' : 'inner';
      const already = findings.some(
        (each) => failing(each) && each.axle === bad.axle && each.side === bad.side && each.tyre === mate,
      );
      if (already || !bad.axle || !bad.side) return [];
      const { source: rule, sure } = book.dualPair;
      return [
        {
          unit: unit.id,
          axle: bad.axle,
          side: bad.side,
          tyre: mate,
          kind: 'dual-pair',
          ...opinion({
            verdict: 'shop-limit',
            rule,
            sure,
            because: `Its mate fails: the two are replaced as a matched pair, by the shop’s choice.`,
          }),
        },
      ];
    });
}
