import { checkEntry } from '../catalogue';
import type { Book } from '../limits';
import { foundCodes, LAMP_WORDS, lampsWords, type ReadingOf } from '../reading';
import { asWritten, type Said, said } from '../said';
import { judgeDefect } from './defect';
import { notJudged, type Opinion, opinion } from './opinion';
import { compareVerdicts } from './verdict';

const HOW: Record<NonNullable<ReadingOf<'check'>['how']>, readonly Said[]> = {
  seen: [],
  'as-other-end': [said('as-other-end')],
  'as-last-time': [said('as-last-time')],
};

/** What was found, under the name of what was looked at. */
const ofCheck = (name: string, [first, ...others]: readonly Said[]): readonly Said[] =>
  first ? [said('of-check', { name, said: first }), ...others] : [];

/** What a check by eye found: one opinion for each defect, or one that it looked good. */
export function judgeCheck(book: Book, reading: ReadingOf<'check'>): Opinion[] {
  const { check, found, how, on, lamps, words } = reading;
  const entry = checkEntry(check);
  if (!entry) return [notJudged(said('no-check', { check }))];
  const noted = [on ? `${LAMP_WORDS[on]}.` : '', lamps ? `${lampsWords(lamps)}.` : '', words].flatMap((each) =>
    each ? asWritten(each) : [],
  );
  const { name } = entry;
  if (found.length === 0)
    return [
      opinion({
        verdict: 'within',
        measured: 'good',
        rule: 'Check by eye',
        sure: 'practice',
        said: [
          said('check-good', { name, good: `${entry.good.charAt(0).toLowerCase()}${entry.good.slice(1)}` }),
          ...HOW[how ?? 'seen'],
          ...noted,
        ],
      }),
    ];
  return foundCodes(reading)
    .map((code) => judgeDefect(book, { code }))
    .map((each) => ({ ...each, said: [...ofCheck(name, each.said), ...noted] }))
    .sort((a, b) => compareVerdicts(a.verdict, b.verdict));
}
