import { must, parseFigure } from '../measure';
import type { Place } from '../trailer';
import type { AskedFor, Contradiction, Range } from './kind';
import { kindAs, type Reading, STEP_KINDS } from './kinds';

/** What a reading says against itself, or null: such a reading is refused, since no verdict could rest on it. */
export const contradiction = (reading: Reading): Contradiction | null =>
  kindAs(reading.kind).contradiction?.(reading) ?? null;

/** What is looked at rather than measured: what it finds stands as its report, until that is repaired. */
export const isByEye = (kind: string): boolean => kind === 'check' || kind === 'own-check';

/** Where a reading was taken; what it does not say is null. */
export const readingPlace = (reading: Reading): Required<Place> => ({
  axle: 'axle' in reading ? (reading.axle ?? null) : null,
  side: 'side' in reading ? (reading.side ?? null) : null,
  tyre: 'tyre' in reading ? (reading.tyre ?? null) : null,
});

/** The check, air test or code a reading is about, where its kind has several at one place. */
export const readingItem = (reading: Reading): string | undefined => kindAs(reading.kind).item?.(reading);

/**
 * The figure that is judged of a reading, its smallest point, in nanometres or, of a temperature, thousandths of a kelvin:
 * null where it has no single one.
 */
export function judgedFigure(reading: Reading): number | null {
  const figures = kindAs(reading.kind).figures?.(reading);
  return figures ? Math.min(...figures.map((text) => must(parseFigure(text)))) : null;
}

/** A reading in a few characters, for lists, the plan and print. */
export const readingText = (reading: Reading): string => kindAs(reading.kind).text(reading);

/** A good example of a kind at a place. */
export const goodReading = (kind: Reading['kind'], at: AskedFor): Reading => kindAs(kind).good(at) as Reading;

/** Whether the wheels are chocked before something is read: somebody is beside a wheel whose brake is let go. */
export function isChocked({ kind, item = '' }: { kind: Reading['kind']; item?: string }): boolean {
  const { chocked } = kindAs(kind);
  return chocked === true || (chocked?.includes(item) ?? false);
}

/** Whether whoever took a reading said that the wheels were chocked. */
export const saidChocked = (reading: Reading): boolean => 'chocked' in reading && reading.chocked === true;

/** Who first said it in an inspection, and when; null where nobody was asked. `readings` as their record has them. */
export function chockedBy<R extends { value: Reading; at: string }>(readings: readonly R[]): R | null {
  const said = readings.filter(({ value }) => saidChocked(value));
  return said.reduce<R | null>((first, each) => (first && first.at <= each.at ? first : each), null);
}
/** What is said of it; `who` is a person and a time in words, null where it stands on this device alone. */
export const chockedWords = (who: string | null): string =>
  `Wheels chocked, both ways: said before the first brake was let go${who ? `, by ${who}` : ''}.`;

/** What takes the bench to measure: it is not read on a driver's walk. */
export const BENCH_KINDS: readonly string[] = STEP_KINDS.filter((kind) => kindAs(kind).bench);

const amountOf = (text: string): number => must(parseFigure(text));

/** The range a figure comes nearest to where it can be none of a kind; null where it can. Nothing at all may be `asked` about. */
export function outOfRange(kind: Reading['kind'], amount: number, asked = false): Range | null {
  const ranges = kindAs(kind).plausible ?? [];
  const inside = ({ least, most, orNone }: Range) =>
    (orNone && !asked && amount === 0) ||
    ((least === undefined || amount >= amountOf(least)) && amount <= amountOf(most));
  if (ranges.some(inside)) return null;
  return ranges.find(({ most }) => amount <= amountOf(most)) ?? ranges.at(-1) ?? null;
}

/** Why a reading cannot be, and what to do; null when it can. Such a reading has no verdict. */
export function implausible(reading: Reading): string | null {
  const { figures, odd, plausible, words } = kindAs(reading.kind);
  if (plausible)
    for (const text of figures?.(reading) ?? []) {
      const range = outOfRange(reading.kind, amountOf(text));
      if (!range) continue;
      const from = range.least ? `from ${range.least} to ${range.most}` : `at most ${range.most}`;
      return `${text} is not plausible: ${words.toLowerCase()} is ${from}. Check the unit of measure, then measure again.`;
    }
  return odd?.(reading) ?? null;
}
