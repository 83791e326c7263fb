import { type Book, type KeptCheck, ownCheckOf } from '../limits';
import type { ReadingOf } from '../reading';
import { asWritten, said } from '../said';
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
  if (value === undefined) return notJudged(said('nothing-counted', { name }));
  const measured = says(value);
  const [past, limit, is] =
    least !== undefined && isLess(value, least)
      ? ([true, least, 'less'] as const)
      : most !== undefined && isLess(most, value)
        ? ([true, most, 'more'] as const)
        : ([false, least ?? most ?? null, 'less'] as const);
  const holds = past && presses === 'hold' ? true : undefined;
  return opinion({
    ...RULE,
    verdict: past ? 'shop-limit' : 'within',
    measured,
    limit: limit === null ? null : says(limit),
    said: [
      past
        ? said('own-past', { name, measured, is, limit: says(limit ?? '') })
        : said('own-figure', { name, measured }),
    ],
    holds,
  });
}

/** What a fleet's own check found: one opinion for each sign, one for its figure, or one that it looked good. */
export function judgeOwnCheck(book: Book, { check: name, found, value, words }: Read): Opinion[] {
  const asked = ownCheckOf(book.checks, name);
  const noted = words ? [asWritten(words)] : [];
  const signs = found.map((sign) => {
    const presses = asked?.signs.find((each) => each.sign === sign)?.presses;
    const holds = presses === 'hold' ? true : undefined;
    return opinion({
      ...RULE,
      verdict: 'shop-limit',
      measured: sign,
      said: [said('own-sign', { name, sign }), ...noted],
      holds,
    });
  });
  if (!asked) return signs.length ? signs : [notJudged(said('no-own-check', { name }))];
  const figure = asked.figure ? [judgeFigure(name, asked.figure, value)] : [];
  const all = [...signs, ...figure].sort((a, b) => compareVerdicts(a.verdict, b.verdict));
  if (all.length) return all;
  return [
    opinion({
      ...RULE,
      verdict: 'within',
      measured: 'good',
      said: [said('check-good', { name, good: asked.good }), ...noted],
    }),
  ];
}
