import { CATALOGUE, severityOf } from '../../catalogue';
import { chosen, type Random, randomOf, shuffled } from '../../chance';
import { countBrakes, judgeReading, outOfServiceAt } from '../../judge';
import { type BookId, DEFAULT_BOOK, limitFor, plainBook, type Verdict } from '../../limits';
import { must, parseLength } from '../../measure';
import { asWritten, type Said as Reason } from '../../said';
import type { Chamber, WheelEnd } from '../../trailer';
import { SAID_WORDS, type Said } from './debrief';
import type { Scene } from './drawing/scene';
import { isHidden } from './signs';
import { inches } from './truth';

export const DRILLS = ['gauge', 'limit', 'count', 'units', 'hold-or-go'] as const;
export type Drill = (typeof DRILLS)[number];
export const DRILL_WORDS: Record<Drill, { name: string; says: string }> = {
  gauge: { name: 'Read the gauge', says: 'Twenty drawings: which figure is it?' },
  limit: { name: 'Which limit', says: 'Chamber, stroke and pressure: what does it meet, and what does it count?' },
  count: { name: 'The brake count', says: 'A trailer’s brakes: in or out, and by how much?' },
  units: { name: 'Inch, millimeter, thirty-seconds', says: 'The same length, written another way.' },
  'hold-or-go': { name: 'Hold or go', says: 'What was found: how urgent is it?' },
};
export const DRILL_QUESTIONS = 20;

/** One question: some answers to choose from, one of them right. */
export interface Question {
  drill: Drill;
  ask: string;
  scene: Scene | null;
  options: string[];
  right: number;
  why: readonly Reason[];
  /** Each answer's distance from the right one in divisions of the scale, with its sign; null where it is no figure. */
  off: number[] | null;
}

function ofDivisions(ask: string, scene: Scene, value: number, words: (value: number) => string, least = 0): Question {
  const first = Math.max(least, value - 2);
  const values = [0, 1, 2, 3, 4].map((nth) => first + nth);
  return {
    drill: 'gauge',
    ask,
    scene,
    options: values.map(words),
    right: values.indexOf(value),
    why: [asWritten(`It stands at ${words(value)}.`)],
    off: values.map((each) => each - value),
  };
}

function gauge(random: Random): Question {
  const which = random.below(4);
  if (which === 0) {
    const [released16, stroke16] = [16 + random.below(8), 14 + random.below(24)];
    const scene: Scene = { kind: 'stroke', released16: 0, stroke16: released16 + stroke16, by: 'air' };
    return ofDivisions('How far does the pin stand from the chamber?', scene, released16 + stroke16, (value) =>
      inches(value, 16),
    );
  }
  if (which === 1) {
    const thick = 4 + random.below(22);
    return ofDivisions(
      'How thick is the lining?',
      { kind: 'lining', points32: [thick], places: [''], look: [] },
      thick,
      (value) => inches(value, 32),
    );
  }
  if (which === 2) {
    const deep = 1 + random.below(17);
    return ofDivisions(
      'How deep is the groove?',
      { kind: 'tread', grooves32: [[deep, deep + 1, deep, deep + 2]], cord: false },
      deep,
      (value) => `${value}/32`,
    );
  }
  const psi = 20 + 2 * random.below(60);
  const question = ofDivisions(
    'What does the gauge say?',
    { kind: 'dial', name: 'Gauge', psi, after: null, minutes: 0 },
    psi / 2,
    (value) => `${value * 2} psi`,
  );
  return question;
}

const CHAMBERS: readonly Chamber[] = [
  { type: 'clamp', size: '20', stroke: 'standard' },
  { type: 'clamp', size: '24', stroke: 'standard' },
  { type: 'clamp', size: '24', stroke: 'long' },
  { type: 'clamp', size: '30', stroke: 'standard' },
  { type: 'clamp', size: '30', stroke: 'long' },
];
const VERDICT_OPTIONS = [
  'Within',
  'Past it, counts a half',
  'Past it, counts as one',
  'No verdict: measure again',
] as const;

const endWith = (chamber: Chamber): WheelEnd => ({
  unit: 'drill',
  kind: 'semitrailer',
  axle: 1,
  side: 'left',
  steer: false,
  lift: false,
  brake: 's-cam',
  chamber,
  adjuster: 'automatic',
  tyres: 'dual',
  hub: 'oil',
});

function limit(random: Random, book: BookId): Question {
  const chamber = chosen(random, CHAMBERS);
  const value = inches(24 + random.below(20), 16);
  const psi = chosen(random, [72, 85, 95, 95, 98, 112]);
  const opinion = judgeReading(plainBook(book), endWith(chamber), {
    kind: 'stroke-applied',
    axle: 1,
    side: 'left',
    value,
    reservoir: `${psi} psi`,
  });
  const right = opinion.verdict === 'not-judged' ? 3 : opinion.verdict === 'within' ? 0 : opinion.share === 1 ? 2 : 1;
  const stroke = chamber.stroke === 'long' ? ' long stroke' : '';
  return {
    drill: 'limit',
    ask: `${chamber.size}${stroke} clamp chamber, ${value}, ${psi} psi`,
    scene: null,
    options: [...VERDICT_OPTIONS],
    right,
    why: opinion.said,
    off: null,
  };
}

function count(random: Random, book: BookId): Question {
  const total = chosen(random, [4, 6, 8, 10]);
  const [full, half] = [random.below(3), random.below(4)];
  const brakes = Array.from({ length: total }, (_, nth) => ({
    share: (nth < full ? 1 : nth < full + half ? 0.5 : 0) as 0 | 0.5 | 1,
    measured: true,
    open: false,
  }));
  const told = countBrakes(plainBook(book), brakes);
  const words = (defective: number) => {
    const at = told.outOfServiceAt ?? 0;
    return defective >= at ? `Out: ${defective} of ${at}` : `In: ${defective} of ${at}`;
  };
  const nearby = [
    ...new Set([told.defective, told.defective + 1, Math.max(0, told.defective - 1), told.defective + 2]),
  ];
  const values = nearby.slice(0, 4).sort((a, b) => a - b);
  return {
    drill: 'count',
    ask: `${total} brakes: ${full} that count as one, ${half} that count a half`,
    scene: null,
    options: values.map(words),
    right: values.indexOf(told.defective),
    why: [
      asWritten(`${full} and half of ${half}, rounded down, is ${told.defective}; ${told.outOfServiceAt} put it out.`),
    ],
    off: values.map((each) => each - told.defective),
  };
}

const NM_IN_MM = 1_000_000;

function units(random: Random): Question {
  const parts = chosen(random, [16, 32]);
  const top = 2 + random.below(parts * 2 - 4);
  const nm = must(parseLength(inches(top, parts), 'none'));
  const mm = (value: number) => `${(value / NM_IN_MM).toFixed(1)} mm`;
  const step = must(parseLength(inches(1, 16), 'none'));
  const toMm = random.next() < 0.5;
  const values = [0, 1, -1, 2].map((nth) => nm + nth * step).filter((value) => value > 0);
  const order = shuffled(random, values);
  const thirtySeconds = (value: number) => `${Math.round((value * 32) / 25_400_000)}/32 in`;
  return {
    drill: 'units',
    ask: toMm ? inches(top, parts) : mm(nm),
    scene: null,
    options: order.map(toMm ? mm : thirtySeconds),
    right: order.indexOf(nm),
    why: [asWritten(`${inches(top, parts)} is ${thirtySeconds(nm)}, ${mm(nm)}.`)],
    off: null,
  };
}

const SAID_ORDER: readonly Said[] = ['hold', 'before-use', 'next-visit', 'good'];
const SAID_BY: Record<Verdict, Said> = {
  'out-of-service': 'hold',
  violation: 'before-use',
  'shop-limit': 'next-visit',
  within: 'good',
  'not-judged': 'next-visit',
};

function holdOrGo(random: Random, book: BookId): Question {
  const entry = chosen(
    random,
    CATALOGUE.filter(({ code }) => isHidden(code)),
  );
  const severity = severityOf(entry.code, book);
  return {
    drill: 'hold-or-go',
    ask: entry.words,
    scene: null,
    options: SAID_ORDER.map((each) => SAID_WORDS[each]),
    right: SAID_ORDER.indexOf(SAID_BY[severity?.verdict ?? 'within']),
    why: severity ? [asWritten(`${severity.rule}.`)] : [],
    off: null,
  };
}

const MAKE: Record<Drill, (random: Random, book: BookId) => Question> = {
  gauge,
  limit,
  count,
  units,
  'hold-or-go': holdOrGo,
};

/** The drills a book has figures for: some judge no stroke by the chamber, and count no brakes. */
export function drillsOf(book: BookId): readonly Drill[] {
  const its = plainBook(book);
  const isAsked: Partial<Record<Drill, boolean>> = {
    limit: CHAMBERS.every((chamber) => limitFor(its, 'stroke-applied', endWith(chamber)) !== null),
    count: outOfServiceAt(its, 4) !== null,
  };
  return DRILLS.filter((drill) => isAsked[drill] ?? true);
}

/** The questions of a drill by its seed, answered by a book that has them: see {@link drillsOf}. */
export function drillQuestions(
  drill: Drill,
  seed: number,
  book: BookId = DEFAULT_BOOK,
  questions = DRILL_QUESTIONS,
): Question[] {
  const random = randomOf(seed);
  return Array.from({ length: questions }, () => MAKE[drill](random, book));
}

/** What answers come to: how many were right, and how far off figures were on the whole, with their sign. */
export function drillScore(questions: readonly Question[], answers: readonly number[]) {
  const right = answers.filter((answer, nth) => questions[nth]?.right === answer).length;
  const offs = answers.flatMap((answer, nth) => questions[nth]?.off?.[answer] ?? []);
  const bias = offs.length ? offs.reduce((sum, each) => sum + each, 0) / offs.length : null;
  return { right, of: answers.length, bias };
}

/** Days in a row on which something was practised, up to `today`; plain dates. A day missed ends it. */
export function daysInARow(days: readonly string[], today: string, before: (day: string) => string): number {
  const practised = new Set(days);
  let count = 0;
  for (let day = practised.has(today) ? today : before(today); practised.has(day); day = before(day)) count++;
  return count;
}
