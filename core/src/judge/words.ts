import { defectWords, isStepKind, parseKey, parseSubject, subjectOf, subjectWords } from '../reading';
import { placeShort } from '../trailer';
import type { Finding } from './finding';

/** What a finding is about, in words. */
export function findingWords({ kind }: Pick<Finding, 'kind'>): string {
  const subject = parseSubject(kind);
  if (isStepKind(subject.kind)) return subjectWords(subject);
  return kind === 'defect' ? 'Seen' : defectWords(kind);
}

/** What a key names, in words: `Lining, 2R`, `Jaws`. */
export function keyWords(key: string, between = ', '): string {
  const { kind, item, ...place } = parseKey(key);
  const at = placeShort(place);
  return `${findingWords({ kind: subjectOf({ kind, item }) })}${at === 'unit' ? '' : `${between}${at}`}`;
}
