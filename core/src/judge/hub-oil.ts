import type { Book, HubRule } from '../limits';
import type { ReadingOf } from '../reading';
import { asWritten, listed, type Said, said } from '../said';
import type { WheelEnd } from '../trailer';
import { notJudged, type Opinion, opinion } from './opinion';
import { compareVerdicts } from './verdict';

type Hub = ReadingOf<'hub-oil'>;

const noted = (reading: Hub): Partial<Record<HubRule['field'], string>> => ({
  level: reading.level,
  condition: reading.condition,
  leak: reading.leak,
  cap: reading.cap,
  smoking: reading.smoking ? 'yes' : undefined,
  heat: reading.heat,
});

/** What was not read of a hub; empty when nothing is open. */
function unread(reading: Hub, levelApplies: boolean): Said[] {
  return [
    ...(levelApplies && reading.level === undefined ? [said('hub-level')] : []),
    ...(levelApplies && reading.level === 'unreadable' ? [said('hub-glass')] : []),
    ...(levelApplies && reading.level !== 'unreadable' && reading.condition === undefined
      ? [said('hub-condition')]
      : []),
    ...(reading.leak === undefined ? [said('hub-leaks')] : []),
  ];
}

const sentenceOf = (parts: readonly Said[]): Said => said('sentence', { said: listed(parts, 'semicolon') });
const saysOf = (rules: readonly HubRule[]): Said => sentenceOf(rules.map(({ says }) => asWritten(says)));

/**
 * Judges a hub by everything noted of it: the worst rule decides. What was not read is said with it, and
 * leaves the hub `not-judged` unless something noted already fails. The level means nothing on a grease-packed or sealed hub.
 */
export function judgeHub(book: Book, end: WheelEnd, reading: Hub): Opinion {
  const levelApplies = book.hubOil.levelAppliesTo.includes(end.hub);
  const asked = noted(reading);
  if (!levelApplies) {
    asked.level = undefined;
    asked.condition = undefined;
  }
  const applying = book.hubOil.rules.filter((rule) => rule.is.includes(asked[rule.field] ?? ''));
  const bad = applying
    .filter((rule) => rule.verdict !== 'within')
    .sort((a, b) => compareVerdicts(a.verdict, b.verdict));
  const share = bad.some((rule) => rule.share) ? 1 : 0;
  const measured =
    Object.entries(asked)
      .filter(([, value]) => value !== undefined)
      .map(([field, value]) => (field === 'smoking' ? 'smoking' : `${field} ${value}`))
      .join(', ') || null;
  const open = unread(reading, levelApplies);
  const [first] = bad;
  const parts = listed(open, 'semicolon');
  if (first)
    return opinion({
      measured,
      verdict: first.verdict,
      share,
      rule: first.source,
      sure: first.sure,
      holds: bad.some((rule) => rule.holds) || undefined,
      said: [
        saysOf(bad),
        ...(share ? [said('counts-one')] : []),
        ...(open.length ? [said('also-open', { parts })] : []),
      ],
      open: open.length ? [said('hub-part-open', { parts })] : undefined,
    });
  if (open.length) return notJudged(sentenceOf(open), { measured });
  const [rule] = applying;
  return opinion({
    measured,
    verdict: 'within',
    rule: rule?.source ?? null,
    sure: rule?.sure ?? null,
    said: [saysOf(applying)],
  });
}
