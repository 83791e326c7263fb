import { catalogueEntry } from '../catalogue';
import { type Book, parseOwnCode } from '../limits';
import { defectWords } from '../reading';
import { notJudged, type Opinion, opinion } from './opinion';

/** Judges a defect found by eye, as the catalogue has it for this book. */
export function judgeDefect(book: Book, { code }: { code: string }): Opinion {
  const own = parseOwnCode(code);
  if (own)
    return opinion({
      verdict: 'shop-limit',
      measured: code,
      rule: 'The shop’s own check',
      sure: 'practice',
      because: `${defectWords(code)}.`,
    });
  const entry = catalogueEntry(code);
  const severity = book.severities[code];
  if (!entry || !severity)
    return notJudged(`The catalog has no “${code}”: say it by a code it has, or ask the foreman.`, {
      measured: code,
    });
  const { verdict, share, rule, sure } = severity;
  const counts = share ? ' Counts as one defective brake.' : '';
  return opinion({ measured: code, verdict, share, rule, sure, because: `${entry.words}.${counts}` });
}
