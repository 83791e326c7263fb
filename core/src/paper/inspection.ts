import { defectWords } from '../defects';
import { stepWords } from '../judge';
import type { Book, Verdict } from '../limits';
import { KIND_WORDS, placeWords, SIDES, type Side, type StepKind } from '../trailer';
import { type Finding, type Reading, readingKey, type Sheet } from '../wire';
import { readingWords } from './words';

const WORDS: Record<Verdict, string> = {
  'out-of-service': 'Out of service',
  violation: 'Violation',
  'shop-limit': 'Shop limit',
  within: 'Within limits',
  'not-judged': 'Not judged',
};

/** A verdict as a book calls it. Never “safe”. */
export const verdictWords = (book: Pick<Book, 'words'>, verdict: Verdict): string =>
  book.words.verdicts[verdict] ?? WORDS[verdict];

export interface PaperFinding {
  place: string;
  what: string;
  measured: string;
  limit: string;
  margin: string;
  verdict: string;
  because: string;
  rule: string;
}

/** An inspection as it stands on paper: one or two pages, every figure with its rule. */
export interface InspectionPaper {
  title: string;
  facts: [label: string, words: string][];
  verdict: string;
  sentence: string;
  brakes: string | null;
  sides: Record<Side, string>;
  /** The running gear with its values, an axle a row. */
  plan: { axle: string; ends: Record<Side, string[]> }[];
  unit: string[];
  findings: PaperFinding[];
  /** How many readings and checks keep every limit. */
  within: number;
  open: string[];
  skips: string[];
  signatures: string[];
  book: string;
  cautions: string[];
}

export interface PaperFrom {
  sheet: Sheet;
  fleet: { name: string; zone: string };
  book: Book;
}

const SHORT: Partial<Record<StepKind, string>> = {
  'stroke-applied': 'Stroke',
  'stroke-free': 'Free',
  lining: 'Lining',
  drum: 'Drum',
  rotor: 'Rotor',
  tread: 'Tread',
  pressure: 'Pressure',
  'hub-oil': 'Hub',
  'end-play': 'End play',
  'wheel-nuts': 'Nuts',
};

function endLines(readings: readonly Reading[], axle: number, side: Side): string[] {
  const here = readings.filter((each) => 'axle' in each && each.axle === axle && 'side' in each && each.side === side);
  return (Object.keys(SHORT) as StepKind[]).flatMap((kind) => {
    const of = here.filter((each) => each.kind === kind);
    if (of.length === 0) return [];
    const outerFirst = [...of].sort((a, b) => readingKey(b).localeCompare(readingKey(a)));
    return [`${SHORT[kind]} ${outerFirst.map(readingWords).join(' / ')}`];
  });
}

/** What a finding is about, in words. */
export function findingWords({ kind }: Pick<Finding, 'kind'>): string {
  const [first = '', item] = kind.split(':');
  if (first in KIND_WORDS) return stepWords({ kind: first as StepKind, item, axle: null, side: null, tyre: null });
  if (first === 'defect') return 'Seen';
  return defectWords(kind);
}

const SENTENCES: Record<Verdict, string> = {
  'out-of-service': 'Meets an out-of-service criterion. The unit is held.',
  violation: 'Past an in-service limit: repair before it is used.',
  'shop-limit': 'Legal, but past a limit of the shop or the maker.',
  within: 'Everything expected was measured, and every reading is inside its limits.',
  'not-judged': 'Not everything has a verdict. This is not a pass.',
};

const clock = (at: string, zone: string): string =>
  new Intl.DateTimeFormat('en-GB', { timeZone: zone, dateStyle: 'medium', timeStyle: 'short' }).format(new Date(at));

function brakeWords({ brakes }: NonNullable<Sheet['judgement']>): string | null {
  if (brakes.outOfServiceAt === null) return null;
  const range = brakes.defectiveAtMost > brakes.defective ? ` to ${brakes.defectiveAtMost}` : '';
  return `${brakes.full} × 1 + ${brakes.half} × ½ in pairs = ${brakes.defective}${range} defective of ${brakes.total} brakes; out of service at ${brakes.outOfServiceAt}.`;
}

/** Puts an inspection on paper. Pure: the same sheet gives the same paper. */
export function inspectionPaper({ sheet, fleet, book }: PaperFrom): InspectionPaper {
  const live = sheet.readings.filter(({ supersededBy }) => supersededBy === null);
  const values = live.map(({ value }) => value);
  const findings = sheet.judgement?.findings ?? [];
  const faults = findings.filter(({ verdict }) => verdict !== 'within' && verdict !== 'not-judged');
  const verdict = sheet.judgement?.verdict ?? 'not-judged';
  const minutes = Math.round((sheet.sections ?? []).reduce((sum, { seconds }) => sum + seconds, 0) / 60);
  const keyStep = (key: string): string => {
    const [kind = '', place = ''] = key.split('@');
    return `${findingWords({ kind })}, ${place}`;
  };
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
    sentence: SENTENCES[verdict],
    brakes: sheet.judgement ? brakeWords(sheet.judgement) : null,
    sides: book.words.sides as Record<Side, string>,
    plan: sheet.unit.axles.map(({ lift }, index) => ({
      axle: `Axle ${index + 1}${lift ? ', lift' : ''}`,
      ends: Object.fromEntries(SIDES.map((side) => [side, endLines(values, index + 1, side)])) as Record<
        Side,
        string[]
      >,
    })),
    unit: values
      .filter((each) => !('axle' in each && each.axle) && each.kind !== 'check')
      .map((each) => `${findingWords({ kind: readingKey(each).split('@')[0] ?? each.kind })}: ${readingWords(each)}`),
    findings: faults.map((each) => ({
      place: placeWords(each),
      what: findingWords(each),
      measured: each.kind.startsWith('check') || each.kind === 'defect' ? '' : (each.measured ?? ''),
      limit: each.limit ?? '',
      margin: each.margin ?? '',
      verdict: verdictWords(book, each.verdict),
      because: each.because,
      rule: each.rule ?? '',
    })),
    within: findings.filter(({ verdict: each }) => each === 'within').length,
    open: openWords(findings),
    skips: sheet.skips.map(({ key, reason }) => `${keyStep(key)}: ${reason}`),
    signatures: ['Inspected by', 'Foreman'],
    book: `Limit book ${book.name}, edition ${sheet.judgement?.book.edition ?? book.edition}`,
    cautions: [
      book.caution,
      'What was not measured is not a pass. This sheet says what the readings meet; the person who signs answers for it.',
    ],
  };
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
