import { type Book, type KeptCheck, ownCheckOf } from '../limits';
import type { ReadingOf } from '../reading';
import { notJudged, type Opinion, opinion } from './opinion';
import { compareVerdicts } from './verdict';

type Read = ReadingOf<'own-check'>;
type Figure = NonNullable<KeptCheck['figure']>;

const RULE = { rule: 'The shop’s own check', sure: 'practice' } as const;

/** Decimals as whole numbers of one scale, so that they compare exactly. */
function scaledTogether(texts: readonly string[]): bigint[] {
  const scale = Math.max(...texts.map((text) => text.split('.')[1]?.length ?? 0));
  return texts.map((text) => {
    const [whole = '', part = ''] = text.split('.');
    return BigInt(`${whole || '0'}${part.padEnd(scale, '0')}`);
  });
}
const isLess = (one: string, other: string): boolean => {
  const [a = 0n, b = 0n] = scaledTogether([one, other]);
  return a < b;
};

function judgeFigure(name: string, { unit, least, most, presses }: Figure, value: string | undefined): Opinion {
  const says = (text: string) => `${text} ${unit}`.trim();
  if (value === undefined) return notJudged(`${name}: nothing was counted or measured.`);
  const measured = says(value);
  const [past, limit, words] =
    least !== undefined && isLess(value, least)
      ? [true, least, 'less than']
      : most !== undefined && isLess(most, value)
        ? [true, most, 'more than']
        : [false, least ?? most ?? null, ''];
  const holds = past && presses === 'hold' ? true : undefined;
  return opinion({
    ...RULE,
    verdict: past ? 'shop-limit' : 'within',
    measured,
    limit: limit === null ? null : says(limit),
    because: past ? `${name}: ${measured} is ${words} ${says(limit ?? '')}.` : `${name}: ${measured}.`,
    holds,
  });
}

/** What a fleet's own check found: one opinion for each sign, one for its figure, or one that it looked good. */
export function judgeOwnCheck(book: Book, { check: name, found, value, words }: Read): Opinion[] {
  const asked = ownCheckOf(book.checks, name);
  const noted = words ? ` ${words}` : '';
  const signs = found.map((sign) => {
    const presses = asked?.signs.find((each) => each.sign === sign)?.presses;
    const holds = presses === 'hold' ? true : undefined;
    return opinion({ ...RULE, verdict: 'shop-limit', measured: sign, because: `${name}: ${sign}.${noted}`, holds });
  });
  if (!asked)
    return signs.length ? signs : [notJudged(`The shop has no check “${name}” any more: look again by one it has.`)];
  const figure = asked.figure ? [judgeFigure(name, asked.figure, value)] : [];
  const all = [...signs, ...figure].sort((a, b) => compareVerdicts(a.verdict, b.verdict));
  if (all.length) return all;
  return [opinion({ ...RULE, verdict: 'within', measured: 'good', because: `${name}: ${asked.good}.${noted}` })];
}
