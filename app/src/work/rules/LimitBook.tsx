import {
  BOOKS,
  type Book,
  type BookId,
  bookFor,
  LIMITED,
  LIMITED_WORDS,
  type Limit,
  outOfServiceAt,
  plainBook,
  sourceWords,
  whereWords,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useWide } from '../../look/wide';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Search } from '../../parts/Search';
import { Text } from '../../parts/Text';
import { VerdictBadge } from '../../parts/VerdictMark';
import { useMaySend } from '../../session/may';
import { rulesOf } from '../../session/rules';
import { useSession } from '../../session/session';
import { LimitGroup } from './LimitGroup';
import { OwnLimit } from './OwnLimit';
import { OwnLimits } from './OwnLimits';
import { OwnSigns } from './OwnSigns';
import { WhatIf } from './WhatIf';

const COUNTED = [4, 6, 8, 10, 12, 14, 16, 18, 20, 22];
const BOOK_CHOICE = (Object.keys(BOOKS) as BookId[]).map((id) => ({ value: id, label: BOOKS[id].name }));

function HubCard({ book }: { book: Book }) {
  return (
    <Card title="Hub" note="The worst item noted decides.">
      {book.hubOil.rules.map((rule) => (
        <View key={rule.id} className="flex-row items-center justify-between gap-3 border-t border-line py-2">
          <View className="min-w-0 flex-1">
            <Text>{`${rule.says.charAt(0).toUpperCase()}${rule.says.slice(1)}`}</Text>
            <Text size="small" tone={rule.sure === 'check' ? 'violation' : 'soft'}>
              {sourceWords(rule.source, rule.sure)}
            </Text>
          </View>
          <VerdictBadge verdict={rule.verdict} />
        </View>
      ))}
    </Card>
  );
}

function CountCard({ book }: { book: Book }) {
  const { brakeCount, reservoir } = book;
  if (!brakeCount) return null;
  return (
    <Card title="Brake count" note={sourceWords(brakeCount.source, brakeCount.sure)}>
      <Text>{`A stroke past its limit by less than ${brakeCount.halfBelow} counts as half a brake, otherwise as one.`}</Text>
      {reservoir ? (
        <Text>{`Strokes are judged both ways from ${reservoir.from} to ${reservoir.to} (${reservoir.source}).`}</Text>
      ) : null}
      <View className="flex-row flex-wrap gap-x-5 gap-y-1">
        {COUNTED.map((total) => (
          <Text key={total}>{`${total} brakes: ${outOfServiceAt(book, total)}`}</Text>
        ))}
      </View>
    </Card>
  );
}

/** Every limit the program judges by: what it applies to, its comparison, its source, and how sure it is. */
export function LimitBook() {
  const session = useSession();
  const [id, setId] = useState<BookId>(session.fleet.book);
  const own = id === session.fleet.book;
  const book = own ? bookFor(rulesOf(session)) : plainBook(id);
  const wide = useWide();
  const may = useMaySend('add-fleet-limit') && own;
  const [text, setText] = useState('');
  const [tightening, setTightening] = useState<Limit | null>(null);
  const fits = (limit: Limit) =>
    `${LIMITED_WORDS[limit.reading]} ${whereWords(limit)} ${limit.value} ${limit.source}`
      .toLowerCase()
      .includes(text.trim().toLowerCase());
  const shown = book.limits.filter(fits);
  const groups = LIMITED.filter((reading) => shown.some((limit) => limit.reading === reading)).map((reading) => (
    <LimitGroup
      key={reading}
      reading={reading}
      limits={shown.filter((limit) => limit.reading === reading)}
      found={text.trim() !== ''}
      onTighten={may ? setTightening : null}
    />
  ));
  const rest = text.trim() ? null : (
    <>
      <HubCard book={book} />
      <CountCard book={book} />
    </>
  );
  const search = <Search hint="Search: a size, a brake, a rule" text={text} onChange={setText} />;
  const none = shown.length === 0 ? <Text tone="soft">No limit fits. Clear the search.</Text> : null;
  const first = (
    <>
      <Choice label="Book" hideLabel stacked={!wide} options={BOOK_CHOICE} value={id} onChange={setId} />
      <Notice>{book.caution}</Notice>
      {own ? <OwnLimits own={session.fleet.limits} book={book} /> : null}
      {own ? <OwnSigns /> : null}
      <WhatIf key={id} book={book} />
    </>
  );
  return (
    <Screen title="Limit book" under={`${book.name}, edition ${book.edition}`} back={goBack('/me')}>
      {wide ? (
        <View className="flex-row items-start gap-4">
          <View className="w-[420px] gap-4">
            {first}
            {rest}
          </View>
          <View className="min-w-0 flex-1 gap-4">
            {search}
            {none}
            {groups}
          </View>
        </View>
      ) : (
        <>
          {first}
          {search}
          {none}
          {groups}
          {rest}
        </>
      )}
      {tightening ? <OwnLimit book={book} limit={tightening} onClose={() => setTightening(null)} /> : null}
    </Screen>
  );
}
