import { catalogueEntry } from '../catalogue';
import { type Book, parseOwnCode } from '../limits';
import { defectWords } from '../reading';
import { said } from '../said';
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
      said: [said('defect', { code, words: defectWords(code) })],
    });
  const entry = catalogueEntry(code);
  const severity = book.severities[code];
  if (!entry || !severity)
    return notJudged(said('no-code', { code }), {
      measured: code,
    });
  const { verdict, share, rule, sure } = severity;
  const counts = share ? [said('counts-one')] : [];
  const because = [said('defect', { code, words: entry.words }), ...counts];
  return opinion({ measured: code, verdict, share, rule, sure, said: because });
}
