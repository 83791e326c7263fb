import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns/format';
import { gaugeWords, type Sheet, unreadWords } from '../inspection';
import { type Finding, findingWords, keyWords, reservoirSays, verdictSentence, verdictWords } from '../judge';
import type { Book } from '../limits';
import { type DisplayUnits, forPeople, inBoth, inUnits, wordsInUnits } from '../measure';
import {
  chockedBy,
  chockedWords,
  kindAs,
  READING_KINDS,
  type Reading,
  readingItem,
  readingKey,
  readingText,
  subjectOf,
} from '../reading';
import { changeWords, placeWords, SIDES, type Side } from '../trailer';
import { sentences } from '../words';

export interface PrintedFinding {
  place: string;
  what: string;
  measured: string;
  limit: string;
  margin: string;
  verdict: string;
  because: string;
  rule: string;
}

/** An inspection as it is printed: one or two pages, every figure with its rule. */
export interface InspectionPrintout {
  title: string;
  facts: [label: string, words: string][];
  verdict: string;
  sentence: string;
  brakes: string | null;
  sides: Record<Side, string>;
  /** The running gear with its values, an axle a row. */
  plan: { axle: string; ends: Record<Side, string[]> }[];
  unit: string[];
  findings: PrintedFinding[];
  /** How many readings and checks keep every limit. */
  within: number;
  open: string[];
  skips: string[];
  /** What was sent by a gauge, and by which. */
  gauges: string[];
  /** Facts of the unit that were changed while it was inspected, or before it was judged last. */
  changes: string[];
  signatures: string[];
  book: string;
  cautions: string[];
}

export interface PrintoutFrom {
  sheet: Sheet;
  fleet: { name: string; zone: string };
  /** The book it was judged by: verdicts keep its words. */
  book: Book;
  /** The units of whoever prints it. */
  units: DisplayUnits;
}

/** What an axle end is printed with, in this order: the kinds that have a short word. */
const PRINTED = READING_KINDS.filter((kind) => kindAs(kind).short);

function endLines(readings: readonly Reading[], units: DisplayUnits, axle: number, side: Side): string[] {
  const here = readings.filter((each) => 'axle' in each && each.axle === axle && 'side' in each && each.side === side);
  return PRINTED.flatMap((kind) => {
    const of = here.filter((each) => each.kind === kind);
    if (of.length === 0) return [];
    const outerFirst = [...of].sort((a, b) => readingKey(b).localeCompare(readingKey(a)));
    return [`${kindAs(kind).short} ${outerFirst.map((each) => inUnits(readingText(each), units)).join(' / ')}`];
  });
}

const clock = (at: string, zone: string): string => format(new TZDate(new Date(at), zone), 'd MMM yyyy, HH:mm');

function brakeWords({ brakes }: NonNullable<Sheet['judgement']>): string | null {
  if (brakes.outOfServiceAt === null) return null;
  const range = brakes.defectiveAtMost > brakes.defective ? ` to ${brakes.defectiveAtMost}` : '';
  return `${brakes.full} × 1 + ${brakes.half} × ½ in pairs = ${brakes.defective}${range} defective of ${brakes.total} brakes; out of service at ${brakes.outOfServiceAt}.`;
}

/** Sets an inspection for print. Pure: the same sheet gives the same printout. */
export function inspectionPrintout({ sheet, fleet, book, units }: PrintoutFrom): InspectionPrintout {
  const live = sheet.readings.filter(({ supersededBy }) => supersededBy === null);
  const values = live.map(({ value }) => value);
  const findings = sheet.judgement?.findings ?? [];
  const faults = findings.filter(({ verdict }) => verdict !== 'within' && verdict !== 'not-judged');
  const verdict = sheet.judgement?.verdict ?? 'not-judged';
  const minutes = Math.round((sheet.sections ?? []).reduce((sum, { seconds }) => sum + seconds, 0) / 60);
  return {
    title: `${sheet.unit.number} – ${sheet.route ?? 'Inspection'}`,
    facts: [
      ['Fleet', fleet.name],
      ['Unit', `${sheet.unit.number}, ${sheet.unit.body}`],
      ['Begun', clock(sheet.startedAt, fleet.zone)],
      ['Closed', sheet.closedAt ? `${clock(sheet.closedAt, fleet.zone)}, ${sheet.outcome}` : 'Not closed'],
      ['Inspected by', sheet.by],
      ...(minutes ? [['Time taken', `${minutes} min`] as [string, string]] : []),
      ...(sheet.because ? [['Incomplete, because', sheet.because] as [string, string]] : []),
    ],
    verdict: verdictWords(book, verdict),
    sentence: [
      verdictSentence({ verdict, complete: sheet.judgement?.complete ?? false }),
      unreadWords(sheet.unit, values),
    ]
      .filter(Boolean)
      .join(' '),
    brakes: sheet.judgement ? brakeWords(sheet.judgement) : null,
    sides: book.words.sides as Record<Side, string>,
    plan: sheet.unit.axles.map(({ lift }, index) => ({
      axle: `Axle ${index + 1}${lift ? ', lift' : ''}`,
      ends: Object.fromEntries(SIDES.map((side) => [side, endLines(values, units, index + 1, side)])) as Record<
        Side,
        string[]
      >,
    })),
    unit: values
      .filter((each) => !('axle' in each && each.axle) && each.kind !== 'check')
      .map(
        (each) =>
          `${findingWords({ kind: subjectOf({ kind: each.kind, item: readingItem(each) }) })}: ${inUnits(readingText(each), units)}`,
      ),
    findings: faults.map((each) => ({
      place: placeWords(each),
      what: wordsInUnits(findingWords(each), units),
      measured: each.kind.startsWith('check') || each.kind === 'defect' ? '' : inBoth(each.measured ?? '', units),
      limit: inBoth(each.limit ?? '', units),
      margin: forPeople(inUnits(each.margin ?? '', units)),
      verdict: verdictWords(book, each.verdict),
      because: sentences(each.said, { shown: (text) => inBoth(text, units) }),
      rule: each.rule ?? '',
    })),
    within: findings.filter(({ verdict: each }) => each === 'within').length,
    open: openWords(findings),
    skips: sheet.skips.map(({ key, reason }) => `${keyWords(key)}: ${reason}`),
    gauges: live.flatMap(({ value, gauge }) => (gauge ? [`${keyWords(readingKey(value))}: ${gaugeWords(gauge)}`] : [])),
    changes: sheet.unitChanges.flatMap(({ facts, by, at, reason }) =>
      facts.map((fact) => `${changeWords(fact)}. ${reason}. ${by}, ${clock(at, fleet.zone)}`),
    ),
    signatures: ['Inspected by', 'Foreman'],
    book: `Limit book ${book.name}, edition ${sheet.judgement?.book.edition ?? book.edition}`,
    cautions: cautionsOf(book, sheet.readings, fleet.zone),
  };
}

/** Who said that the wheels are chocked is whoever said it first, also where that reading was corrected since. */
function cautionsOf(book: Book, readings: Sheet['readings'], zone: string): string[] {
  const chocked = chockedBy(readings);
  const reservoir = reservoirSays(
    book,
    readings.map(({ value }) => value),
  );
  return [
    ...(chocked ? [chockedWords(`${chocked.by}, ${clock(chocked.at, zone)}`)] : []),
    ...(reservoir ? [sentences([reservoir])] : []),
    book.caution,
    'What was not measured is not a pass. This sheet says what the readings meet; the person who signs answers for it.',
  ];
}

/** What has no verdict, one line a kind with its places. */
function openWords(findings: readonly Finding[]): string[] {
  const places = new Map<string, string[]>();
  for (const each of findings.filter(({ verdict }) => verdict === 'not-judged')) {
    const what = findingWords(each);
    places.set(what, [...(places.get(what) ?? []), placeWords(each)]);
  }
  return [...places].map(([what, at]) => `${what}: ${at.join(', ')}`);
}
