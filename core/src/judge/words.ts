import { defectWords, isStepKind, parseSubject, subjectWords } from '../reading';
import type { Finding } from './finding';

/** What a finding is about, in words. */
export function findingWords({ kind }: Pick<Finding, 'kind'>): string {
  const subject = parseSubject(kind);
  if (isStepKind(subject.kind)) return subjectWords(subject);
  return kind === 'defect' ? 'Seen' : defectWords(kind);
}
