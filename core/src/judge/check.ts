import { checkEntry } from '../catalogue';
import type { Book } from '../limits';
import { foundCodes, LAMP_WORDS, lampsWords, type ReadingOf } from '../reading';
import { judgeDefect } from './defect';
import { notJudged, type Opinion, opinion } from './opinion';
import { compareVerdicts } from './verdict';

const HOW = {
  seen: '',
  'as-other-end': ' Said to look the same as the other end.',
  'as-last-time': ' Seen again, the same as last time.',
};

/** What a check by eye found: one opinion for each defect, or one that it looked good. */
export function judgeCheck(book: Book, reading: ReadingOf<'check'>): Opinion[] {
  const { check, found, how, on, lamps, words } = reading;
  const entry = checkEntry(check);
  if (!entry) return [notJudged(`No check “${check}” in the catalog. Use one that is listed.`)];
  const noted = [on ? `${LAMP_WORDS[on]}.` : '', lamps ? `${lampsWords(lamps)}.` : '', words]
    .filter(Boolean)
    .map((each) => ` ${each}`)
    .join('');
  if (found.length === 0)
    return [
      opinion({
        verdict: 'within',
        measured: 'good',
        rule: 'Check by eye',
        sure: 'practice',
        because: `${entry.name}: ${entry.good.charAt(0).toLowerCase()}${entry.good.slice(1)}.${HOW[how ?? 'seen']}${noted}`,
      }),
    ];
  return foundCodes(reading)
    .map((code) => judgeDefect(book, { code }))
    .map((each) => ({ ...each, because: `${entry.name}: ${each.because}${noted}` }))
    .sort((a, b) => compareVerdicts(a.verdict, b.verdict));
}
