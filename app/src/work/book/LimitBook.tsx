import { BOOKS, type Limit, outOfServiceAt } from '@zealous-axle/core';
import { useState } from 'react';
import { TextInput, View } from 'react-native';
import { useSession } from '../../data/session';
import { useWide } from '../../look/wide';
import { Card } from '../../parts/Card';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { T } from '../../parts/T';
import { VerdictBadge } from '../../parts/VerdictMark';
import { JUDGES_WORDS, limitWords, SURE_WORDS, whereWords } from './words';

const READING_WORDS: Record<Limit['reading'], string> = {
  'stroke-applied': 'Applied stroke',
  'stroke-free': 'Free stroke',
  lining: 'Lining',
  tread: 'Tread',
};
const READINGS = Object.keys(READING_WORDS) as Limit['reading'][];
const COUNTED = [4, 6, 8, 10, 12, 14, 16, 18, 20, 22];

function LimitRow({ limit }: { limit: Limit }) {
  const also = [JUDGES_WORDS[limit.judges], limit.note].filter(Boolean).join('. ');
  return (
    <View className="gap-0.5 border-t border-line py-2">
      <View className="flex-row items-baseline justify-between gap-3">
        <T className="min-w-0 flex-1">{whereWords(limit.where)}</T>
        <T bold className="text-right">
          {limitWords(limit)}
        </T>
      </View>
      {also ? <T size="small">{also}</T> : null}
      <T size="small" tone={limit.sure === 'check' ? 'violation' : 'soft'}>
        {`${limit.source} · ${SURE_WORDS[limit.sure]}`}
      </T>
    </View>
  );
}

function Limits({ title, limits }: { title: string; limits: readonly Limit[] }) {
  if (limits.length === 0) return null;
  return (
    <Card title={title}>
      {limits.map((limit) => (
        <LimitRow key={limit.id} limit={limit} />
      ))}
    </Card>
  );
}

/** Every limit the program judges by: what it applies to, its comparison, its source, and how sure it is. */
export function LimitBook() {
  const { fleet } = useSession();
  const book = BOOKS[fleet.book];
  const wide = useWide();
  const [text, setText] = useState('');
  const fits = (limit: Limit) =>
    `${READING_WORDS[limit.reading]} ${whereWords(limit.where)} ${limit.value} ${limit.source}`
      .toLowerCase()
      .includes(text.trim().toLowerCase());
  const shown = book.limits.filter(fits);
  const columns = wide ? [READINGS.slice(0, 1), READINGS.slice(1)] : [READINGS];
  return (
    <Screen title="Limit book" under={`${book.name}, edition ${book.edition}`} back={goBack('/me')}>
      <Notice>{book.caution}</Notice>
      <TextInput
        aria-label="Search"
        placeholder="Search: a size, a brake, a rule"
        value={text}
        onChangeText={setText}
        inputMode="search"
        className="min-h-12 rounded-xl border-2 border-edge bg-card px-3 font-words text-body text-ink"
      />
      {shown.length === 0 ? <T tone="soft">No limit fits. Clear the search.</T> : null}
      <View className={wide ? 'flex-row items-start gap-4' : 'gap-4'}>
        {columns.map((readings) => (
          <View key={readings[0]} className={wide ? 'min-w-0 flex-1 gap-4' : 'gap-4'}>
            {readings.map((reading) => (
              <Limits
                key={reading}
                title={READING_WORDS[reading]}
                limits={shown.filter((limit) => limit.reading === reading)}
              />
            ))}
          </View>
        ))}
      </View>
      {text.trim() ? null : (
        <>
          <Card title="Hub" note="The worst of what is noted decides.">
            {book.hubOil.rules.map((rule) => (
              <View key={rule.id} className="flex-row items-center justify-between gap-3 border-t border-line py-2">
                <View className="min-w-0 flex-1">
                  <T>{`${rule.says.charAt(0).toUpperCase()}${rule.says.slice(1)}`}</T>
                  <T size="small" tone={rule.sure === 'check' ? 'violation' : 'soft'}>
                    {`${rule.source} · ${SURE_WORDS[rule.sure]}`}
                  </T>
                </View>
                <VerdictBadge verdict={rule.verdict} />
              </View>
            ))}
          </Card>
          <Card title="Brake count" note={`${book.brakeCount.source} · ${SURE_WORDS[book.brakeCount.sure]}`}>
            <T>{`A stroke past its limit by less than ${book.brakeCount.halfBelow} counts as half a brake, otherwise as one.`}</T>
            <T>{`Strokes are judged both ways from ${book.reservoir.from} to ${book.reservoir.to} (${book.reservoir.source}).`}</T>
            <View className="flex-row flex-wrap gap-x-5 gap-y-1">
              {COUNTED.map((total) => (
                <T key={total}>{`${total} brakes: ${outOfServiceAt(book, total)}`}</T>
              ))}
            </View>
          </Card>
        </>
      )}
    </Screen>
  );
}
