import type { Book } from '../limits';
import { implausible, type Reading, type ReadingKind, type ReadingOf, readingText } from '../reading';
import { asWritten, said } from '../said';
import type { WheelEnd } from '../trailer';
import { judgeAirTest } from './air-test';
import { judgeCheck } from './check';
import { judgeDefect } from './defect';
import { judgeDual } from './dual';
import { judgeEndPlay } from './end-play';
import { judgeFreeStroke } from './free-stroke';
import { judgeGuardHeight } from './guard-height';
import { judgeHub } from './hub-oil';
import { judgeInflation } from './inflation';
import { judgeKingPin } from './king-pin';
import { judgeLining } from './lining';
import { judgeMudFlap } from './mud-flap';
import { notJudged, type Opinion } from './opinion';
import { judgeOwnCheck } from './own-check';
import { judgePart } from './part';
import { judgeScribeMarks } from './scribe-marks';
import { judgeSlackPull } from './slack-pull';
import { judgeSliderPins } from './slider-pins';
import { judgeStroke } from './stroke';
import { judgeTread } from './tread';
import { judgeWheelNuts } from './wheel-nuts';
import { judgeWheelPlay } from './wheel-play';
import { judgeWheelTemperature } from './wheel-temperature';

/** What the book says of one reading of a kind, taken at this axle end; null where it was taken at none. */
type Rule<K extends ReadingKind> = (book: Book, reading: ReadingOf<K>, end: WheelEnd | null) => Opinion;

const NOWHERE = notJudged(said('no-axle-end'));

const atEnd =
  <R>(rule: (book: Book, end: WheelEnd, reading: R) => Opinion) =>
  (book: Book, reading: R, end: WheelEnd | null): Opinion =>
    end ? rule(book, end, reading) : NOWHERE;

/** The rule of every kind of reading. */
const RULES: { [K in ReadingKind]: Rule<K> } = {
  'stroke-applied': atEnd(judgeStroke),
  lining: atEnd(judgeLining),
  tread: atEnd(judgeTread),
  'hub-oil': atEnd(judgeHub),
  'stroke-free': atEnd(judgeFreeStroke),
  'slack-pull': atEnd(judgeSlackPull),
  'scribe-marks': atEnd(judgeScribeMarks),
  drum: atEnd(judgePart),
  rotor: atEnd(judgePart),
  pressure: judgeInflation,
  dual: atEnd(judgeDual),
  'wheel-nuts': judgeWheelNuts,
  'end-play': atEnd(judgeEndPlay),
  'wheel-temperature': atEnd(judgeWheelTemperature),
  'king-pin': judgeKingPin,
  'slider-pins': judgeSliderPins,
  'mud-flap': judgeMudFlap,
  'guard-height': judgeGuardHeight,
  'wheel-play': judgeWheelPlay,
  'air-test': judgeAirTest,
  check: (book, reading) => judgeCheck(book, reading)[0] ?? notJudged(said('nothing-noted')),
  'own-check': (book, reading) => judgeOwnCheck(book, reading)[0] ?? notJudged(said('nothing-noted')),
  defect: judgeDefect,
};

/**
 * What the book says of one reading at one wheel end; of a check by eye, the worst of what it found. What cannot be has no
 * verdict: it is measured again.
 */
export function judgeReading(book: Book, end: WheelEnd | null, reading: Reading): Opinion {
  const odd = implausible(reading);
  if (odd) return notJudged(asWritten(odd), { measured: readingText(reading) });
  return (RULES[reading.kind] as Rule<ReadingKind>)(book, reading, end);
}
