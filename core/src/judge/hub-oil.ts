import type { Book, HubRule } from '../limits';
import type { ReadingOf } from '../reading';
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

/** What was not read of a hub, in words; empty when nothing is open. */
function unread(reading: Hub, levelApplies: boolean): string[] {
  return [
    ...(levelApplies && reading.level === undefined ? ['the level was not noted: look through the glass'] : []),
    ...(levelApplies && reading.level === 'unreadable' ? ['the glass cannot be read: clean it and look again'] : []),
    ...(levelApplies && reading.level !== 'unreadable' && reading.condition === undefined
      ? ['the condition of the oil was not noted: look whether it is clear']
      : []),
    ...(reading.leak === undefined ? ['leaks were not looked at: look round the hub and inside of the wheel'] : []),
  ];
}

const said = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;

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
  const openWords = open.length ? ` Also open: ${open.join('; ')}.` : '';
  if (first)
    return opinion({
      measured,
      verdict: first.verdict,
      share,
      rule: first.source,
      sure: first.sure,
      holds: bad.some((rule) => rule.holds) || undefined,
      because: `${said(bad.map((rule) => rule.says).join('; '))}${share ? ' Counts as one defective brake.' : ''}${openWords}`,
      open: open.length ? `Part of this hub is open: ${open.join('; ')}.` : undefined,
    });
  if (open.length) return notJudged(said(open.join('; ')), { measured });
  const [rule] = applying;
  return opinion({
    measured,
    verdict: 'within',
    rule: rule?.source ?? null,
    sure: rule?.sure ?? null,
    because: said(applying.map(({ says }) => says).join('; ')),
  });
}
