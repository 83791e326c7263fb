import { catalogueEntry, checkEntry } from '../catalogue';
import { parseSubject } from './key';
import { isStepKind, KINDS } from './kinds';
import { AIR_TEST_WORDS, isAirTest } from './kinds/air-test';

/** What is read or looked at, in words: `Lining`, `Jaws`, `Low-air warning`. */
export function subjectWords(subject: { kind: string; item?: string }): string {
  const { kind, item = '' } = subject;
  if (kind === 'check') return checkEntry(item)?.name ?? 'Check by eye';
  if (kind === 'air-test' && isAirTest(item)) return AIR_TEST_WORDS[item];
  return isStepKind(kind) ? KINDS[kind].words : kind;
}

const isPlural = (kind: string): boolean => isStepKind(kind) && KINDS[kind].plural === true;

const COMPARED: Record<string, string> = {
  'dual-tread': 'Duals too far apart in tread',
  'dual-pressure': 'Duals too far apart in pressure',
  'dual-pair': 'Mate of a failing tyre',
  'chamber-match': 'Chambers of one axle differ',
  'adjuster-match': 'Slack adjusters of one axle differ',
};

/** A failed reading's kind in words; null when it is none. */
function failedWords(code: string): string | null {
  const subject = parseSubject(code);
  const named = subject.kind !== 'check' && isStepKind(subject.kind);
  if (!named) return COMPARED[code] ?? null;
  return `${subjectWords(subject)} past ${isPlural(subject.kind) ? 'their' : 'its'} limit`;
}

/** The words for a catalogue code or a failed reading's kind; the code itself when an older catalogue knew it. */
export const defectWords = (code: string): string => catalogueEntry(code)?.words ?? failedWords(code) ?? code;
