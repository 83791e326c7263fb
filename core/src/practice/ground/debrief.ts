import { judge, type UnitReading, worst } from '../../judge';
import { type Book, DEFAULT_BOOK, type Verdict } from '../../limits';
import { formatApart, must, parsePressure } from '../../measure';
import { judgedFigure, keyOf, type Reading, type ReadingKey, readingKey, readingText, type Step } from '../../reading';
import type { Unit } from '../../trailer';
import { judgedTruth, trueReadings } from './make';
import { ownPress, practiceBook } from './own';
import { COST, GOOD, MARKS } from './settings';
import { trueReading } from './truth';
import type { Hidden, MadeUp, MadeUpUnit } from './vehicle';

/** How much a learner says a finding presses. */
export const SAID = ['hold', 'before-use', 'next-visit', 'good'] as const;
export type Said = (typeof SAID)[number];
export const SAID_WORDS: Record<Said, string> = {
  hold: 'Holds',
  'before-use': 'Before use',
  'next-visit': 'Next visit',
  good: 'Good',
};
const SAID_OF: Record<Verdict, Said | null> = {
  'out-of-service': 'hold',
  violation: 'before-use',
  'shop-limit': 'next-visit',
  within: 'good',
  'not-judged': null,
};

/** What a learner did at one step, in the order it was done. */
export interface Taken {
  unit: string;
  key: ReadingKey;
  reading: Reading;
  said: Said;
}

/** A walk round something made up, as it was walked. */
export interface Walked {
  taken: readonly Taken[];
  /** Chocks were laid before anything else. */
  chocked: boolean;
  /** Whether it may go, in the learner's own judgement. */
  mayGo: boolean;
  seconds: number;
}

/** One reading beside the truth. */
export interface Compared {
  unit: string;
  step: Step;
  said: string | null;
  truth: string;
  /** Its true figure in nanometres; null where it is no length. */
  figure: number | null;
  /** How far it is off, with its sign; null where it is no figure, or right. */
  error: string | null;
  right: boolean;
  /** The verdict of what was read is not that of what is. */
  changed: boolean;
  judgedAs: Said | null;
  shouldBe: Said | null;
}

export interface Debrief {
  compared: Compared[];
  found: Hidden[];
  missed: Hidden[];
  /** Steps at which something was found that is not there. */
  invented: Compared[];
  skipped: Compared[];
  /** Steps taken before one that comes earlier on the route. */
  outOfOrder: number;
  chocked: boolean;
  /** What it is by the book. */
  verdict: Verdict;
  byCountAlone: boolean;
  mayGo: boolean;
  decidedRight: boolean;
  /** What the mistakes would cost, in hundredths. */
  cost: number;
  /** Marks of a hundred. */
  marks: number;
  seconds: number;
}

/** What one reading meets by itself; null where it allows no verdict. */
function verdictOf(unit: Unit, reading: Reading, book: Book): Verdict | null {
  const own: UnitReading = { ...reading, unit: unit.id };
  const key = readingKey(reading);
  const { findings } = judge({ book: DEFAULT_BOOK, units: [unit], readings: [own] }, { book });
  const verdicts = findings
    .filter((each) => each.verdict !== 'not-judged' && keyOf(each) === key)
    .map(({ verdict }) => verdict);
  return verdicts.length ? worst(verdicts) : null;
}

const pascals = (reading: Reading): number | null =>
  'value' in reading && reading.kind === 'pressure' ? must(parsePressure(reading.value)) : null;
const PSI_IN_PA = 6_894.757;

/** The signed difference of two figures of one kind; null where they are none, or the same. */
function errorOf(said: Reading, truth: Reading): string | null {
  const sign = (amount: number) => (amount < 0 ? '−' : '+');
  const [one, other] = [pascals(said), pascals(truth)];
  if (one !== null && other !== null) {
    const psi = Math.round((one - other) / PSI_IN_PA);
    return psi === 0 ? null : `${sign(psi)}${Math.abs(psi)} psi`;
  }
  const [long, short] = [judgedFigure(said), judgedFigure(truth)];
  if (long === null || short === null || long === short) return null;
  return `${sign(long - short)}${formatApart(Math.abs(long - short), readingText(truth))}`;
}

/** What was read is what is: the same smallest figure, or the same signs. */
function isRight(said: Reading, truth: Reading): boolean {
  const [one, other] = [judgedFigure(said), judgedFigure(truth)];
  if (one !== null && other !== null) return one === other;
  const [hard, soft] = [pascals(said), pascals(truth)];
  if (hard !== null && soft !== null) return Math.abs(hard - soft) < PSI_IN_PA;
  if (said.kind === 'check' && truth.kind === 'check')
    return [...said.found].sort().join() === [...truth.found].sort().join();
  return readingText(said) === readingText(truth);
}

/** How much a reading presses: as the shop has its own checks, else by the verdict it meets. */
const pressOf = (checks: MadeUp['checks'], reading: Reading, is: Verdict | null): Said | null =>
  ownPress(checks, reading) ?? (is ? SAID_OF[is] : null);

function compare(made: MadeUpUnit, step: Step, { taken }: Walked, checks: MadeUp['checks']): Compared | null {
  const truth = trueReading(made.truth, step, GOOD.targetPsi);
  if (!truth) return null;
  const key = keyOf(step);
  const own = taken.filter((each) => each.unit === made.unit.id && each.key === key).at(-1);
  const book = practiceBook(checks);
  const is = verdictOf(made.fitted, truth, book);
  const shouldBe = pressOf(checks, truth, is);
  const base = { unit: made.unit.id, step, truth: readingText(truth), figure: judgedFigure(truth), shouldBe };
  if (!own) return { ...base, said: null, error: null, right: false, changed: false, judgedAs: null };
  const read = verdictOf(made.unit, own.reading, book);
  return {
    ...base,
    said: readingText(own.reading),
    error: errorOf(own.reading, truth),
    right: isRight(own.reading, truth),
    changed: read !== is,
    judgedAs: own.said,
  };
}

/** Whether a step says that something is wrong there: by what was read, or by how it was judged. */
const saysWrong = ({ said, judgedAs }: Compared, verdict: Verdict | null): boolean =>
  said !== null && ((verdict !== null && verdict !== 'within') || (judgedAs !== null && judgedAs !== 'good'));

/** How many steps were first taken after one that comes later on the route; putting a reading right is no step back. */
function outOfOrderOf(steps: readonly string[], taken: readonly string[]): number {
  const places = [...new Set(taken)].map((each) => steps.indexOf(each)).filter((place) => place >= 0);
  let highest = -1;
  return places.filter((place) => {
    const before = place < highest;
    highest = Math.max(highest, place);
    return before;
  }).length;
}

/** Whether it is held: by the book, or by a check of the shop's own that has to be right before it is used. */
function isHeld(made: MadeUp): boolean {
  const { verdict } = judgedTruth(made);
  if (verdict === 'out-of-service' || verdict === 'violation') return true;
  return trueReadings(made).some((reading) => (ownPress(made.checks, reading) ?? 'next-visit') !== 'next-visit');
}

/**
 * A walk beside the truth, by the arithmetic everything else is judged by. What is not there and was found costs as what
 * is there and was missed does.
 */
export function debrief(made: MadeUp, walked: Walked): Debrief {
  const rows = made.units.flatMap((unit) =>
    unit.steps.flatMap((step) => compare(unit, step, walked, made.checks) ?? []),
  );
  const unitOf = (id: string) => made.units.find(({ unit }) => unit.id === id)?.unit;
  const readings = new Map(walked.taken.map((each) => [`${each.unit} ${each.key}`, each.reading]));
  const verdictRead = (row: Compared): Verdict | null => {
    const [unit, reading] = [unitOf(row.unit), readings.get(`${row.unit} ${keyOf(row.step)}`)];
    return unit && reading ? verdictOf(unit, reading, practiceBook(made.checks)) : null;
  };
  const wrong = new Set(
    rows.filter((row) => saysWrong(row, verdictRead(row))).map((row) => `${row.unit} ${keyOf(row.step)}`),
  );
  const isFound = (hidden: Hidden) => hidden.keys.some((key) => wrong.has(`${hidden.unit} ${key}`));
  const hiddenAt = new Set(made.hidden.flatMap(({ unit, keys }) => keys.map((key) => `${unit} ${key}`)));
  const [found, missed] = [made.hidden.filter(isFound), made.hidden.filter((hidden) => !isFound(hidden))];
  const invented = rows.filter((row) => {
    const name = `${row.unit} ${keyOf(row.step)}`;
    return wrong.has(name) && !hiddenAt.has(name);
  });
  const { verdict, byCountAlone } = judgedTruth(made);
  const held = isHeld(made);
  const decidedRight = walked.mayGo !== held;
  const skipped = rows.filter(({ said }) => said === null);
  const order = made.units.flatMap(({ unit, steps }) => steps.map((step) => `${unit.id} ${keyOf(step)}`));
  const outOfOrder = outOfOrderOf(
    order,
    walked.taken.map(({ unit, key }) => `${unit} ${key}`),
  );
  const read = rows.filter(({ said }) => said !== null);
  const rightShare = rows.length ? rows.filter(({ right }) => right).length / rows.length : 0;
  const foundShare = made.hidden.length ? found.length / made.hidden.length : 1;
  const inventedShare = invented.length / Math.max(1, read.length);
  const inOrder = read.length ? 1 - outOfOrder / read.length : 0;
  const marks =
    MARKS.faults * Math.max(0, foundShare - inventedShare) +
    MARKS.readings * rightShare +
    (decidedRight ? MARKS.decision : 0) +
    (walked.chocked ? MARKS.order * inOrder : 0);
  return {
    compared: rows,
    found,
    missed,
    invented,
    skipped,
    outOfOrder,
    chocked: walked.chocked,
    verdict,
    byCountAlone,
    mayGo: walked.mayGo,
    decidedRight,
    cost:
      missed.length * (held && walked.mayGo ? COST.missedHold : COST.missedOther) +
      invented.length * COST.invented +
      (!held && !walked.mayGo ? COST.heldForNothing : 0),
    marks: Math.round(marks),
    seconds: walked.seconds,
  };
}

/** Everything read as it is, judged as the book does: what a perfect walk would be. */
export function perfectWalk(made: MadeUp): Walked {
  return {
    taken: made.units.flatMap(({ unit, fitted, truth, steps }) =>
      steps.flatMap((step): Taken[] => {
        const reading = trueReading(truth, step, GOOD.targetPsi);
        if (!reading) return [];
        const is = verdictOf(fitted, reading, practiceBook(made.checks));
        return [{ unit: unit.id, key: keyOf(step), reading, said: pressOf(made.checks, reading, is) ?? 'good' }];
      }),
    ),
    chocked: true,
    mayGo: !isHeld(made),
    seconds: 0,
  };
}
