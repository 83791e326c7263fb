import { catalogueEntry, checkEntry, parseOwnCode } from '../catalogue';
import { parseSubject } from './key';
import { comparisonOf, isStepKind, KINDS } from './kinds';
import { AIR_TEST_WORDS, isAirTest } from './kinds/air-test';

/** What is read or looked at, in words: `Lining`, `Jaws`, `Low-air warning`. */
export function subjectWords(subject: { kind: string; item?: string }): string {
  const { kind, item = '' } = subject;
  if (kind === 'check') return checkEntry(item)?.name ?? 'Check by eye';
  if (kind === 'own-check' && item) return item;
  if (kind === 'air-test' && isAirTest(item)) return AIR_TEST_WORDS[item];
  return isStepKind(kind) ? KINDS[kind].words : kind;
}

const isPlural = (kind: string): boolean => isStepKind(kind) && KINDS[kind].plural === true;

/** What is fitted otherwise left and right. */
const UNLIKE: Record<string, string> = {
  'chamber-match': 'Chambers of one axle differ',
  'adjuster-match': 'Slack adjusters of one axle differ',
};

/** A failed reading's kind in words; null when it is none. */
function failedWords(code: string): string | null {
  const own = parseOwnCode(code);
  if (own?.sign) return `${own.check}: ${own.sign}`;
  const subject = parseSubject(code);
  const named = subject.kind !== 'check' && isStepKind(subject.kind);
  if (!named) return comparisonOf(code)?.words ?? UNLIKE[code] ?? null;
  return `${subjectWords(subject)} past ${isPlural(subject.kind) ? 'their' : 'its'} limit`;
}

/** The words for a catalogue code or a failed reading's kind; the code itself when an older catalogue knew it. */
export const defectWords = (code: string): string => catalogueEntry(code)?.words ?? failedWords(code) ?? code;
