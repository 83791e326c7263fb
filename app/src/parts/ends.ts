import {
  type Axle,
  comparePositions,
  expectedReadings,
  type Finding,
  keyOf,
  MEASURED_KINDS,
  positionCode,
  type Reading,
  readingText,
  SIDES,
  type Side,
  type Tyre,
  type UnitKind,
  type Verdict,
  worst,
} from '@zealous-axle/core';
import type { EndState } from './RunningGear';

/** A judged reading: what the plan is drawn from. One that is taken at no axle end is not on it. */
export interface JudgedReading {
  axle: number | null;
  side: Side | null;
  tyre: Tyre | null;
  kind: string;
  verdict: Verdict;
  value: Reading | null;
}

/** A judged reading at its axle end. */
export interface PlacedReading {
  axle: number;
  side: Side;
  tyre: Tyre | null;
  kind: string;
  verdict: Verdict;
  value: Reading | null;
}

const SHORT: Record<string, string> = {
  'stroke-applied': 'Stroke',
  lining: 'Lining',
  tread: 'Tread',
  'hub-oil': 'Hub',
};
const ORDER: readonly string[] = MEASURED_KINDS;

type Shown = (text: string) => string;

/** Without what the line's own word says already: inches, thirty-seconds of a tread, the rest of a hub. */
const bare = (value: Reading, shown: Shown): string => {
  const text = shown(readingText(value)).replace(/ in$/, '');
  if (value.kind === 'tread') return text.replace(/\/32$/, '');
  return value.kind === 'hub-oil' ? (text.replace(' marks', '').split(', ')[0] ?? '') : text;
};

/** One line for each kind read at an end; the tyres of a dual share theirs, outer first. */
function linesOf(here: readonly PlacedReading[], shown: Shown): string[] {
  return ORDER.flatMap((kind) => {
    const read = here.filter((each) => each.kind === kind && each.value).sort((a, b) => -comparePositions(a, b));
    if (read.length === 0) return [];
    const texts = read.map(({ value }) => (value ? bare(value, shown) : ''));
    return [`${SHORT[kind]} ${texts.join(' · ')}`.replace(/ mm(?= · )/g, '')];
  });
}

/** What is expected at a unit and not among the readings: open, so that no end looks measured before it is. */
function openAt(axles: readonly Axle[], kind: UnitKind, readings: readonly PlacedReading[]): PlacedReading[] {
  const read = new Set(readings.map(keyOf));
  return expectedReadings({ id: '', kind, axles: [...axles] })
    .filter((step) => !read.has(keyOf(step)))
    .map((step) => ({ ...step, verdict: 'not-judged', value: null }));
}

/** What was found at an axle end: of it, of a tyre there, or of its whole axle. */
const foundAt = (findings: readonly Finding[], code: string): Finding[] =>
  findings.filter(
    ({ axle, side }) =>
      axle !== null && SIDES.some((each) => (side ?? each) === each && positionCode({ axle, side: each }) === code),
  );

/**
 * The plan's state by axle end: the readings there in figures as `shown` says them, and its worst truth as its mark – readings, defects, and
 * what comparing it with others found.
 */
export function endsOf(
  unit: { kind: UnitKind; axles: readonly Axle[] },
  readings: readonly JudgedReading[],
  findings: readonly Finding[] = [],
  shown: Shown = (text) => text,
): Record<string, EndState> {
  const placed = readings.filter((each): each is PlacedReading => each.axle !== null && each.side !== null);
  const byEnd = new Map<string, PlacedReading[]>();
  for (const reading of [...placed, ...openAt(unit.axles, unit.kind, placed)]) {
    const code = positionCode({ axle: reading.axle, side: reading.side });
    byEnd.set(code, [...(byEnd.get(code) ?? []), reading]);
  }
  return Object.fromEntries(
    [...byEnd].map(([code, here]) => [
      code,
      {
        verdict: worst([...here, ...foundAt(findings, code)].map(({ verdict }) => verdict)),
        tyres: Object.fromEntries(here.filter(({ tyre }) => tyre).map(({ tyre, verdict }) => [tyre, verdict])),
        lines: linesOf(here, shown),
      },
    ]),
  );
}
