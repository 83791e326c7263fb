import { useQueries } from '@tanstack/react-query';
import { DEFAULT_BOOK, isBookId, type JudgeAnswer, judge, judgedTogether, type UnitPage } from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { BrakeSum } from '../../parts/BrakeSum';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ChooseUnit } from '../../parts/ChooseUnit';
import { endsOf } from '../../parts/ends';
import { Notice } from '../../parts/Notice';
import { RunningGear } from '../../parts/RunningGear';
import { goBack, Screen } from '../../parts/Screen';
import { Stepper } from '../../parts/Stepper';
import { Text } from '../../parts/Text';
import { VerdictBadge } from '../../parts/VerdictMark';
import { unitQuery } from '../../server/queries';
import { useBook, useShown } from '../../session/rules';

const MOST_UNITS = 4;
const MOST_OTHER_BRAKES = 20;

/** The units of a combination judged together, by the readings and defects that stand on each. */
function judged(pages: readonly UnitPage[], book: ReturnType<typeof useBook>, assumed: number): JudgeAnswer {
  const readings = pages.flatMap(({ id, standing, defects }) =>
    judgedTogether({ purpose: 'walk', own: [], standing, defects }).map((value) => ({ ...value, unit: id })),
  );
  return judge(
    {
      book: isBookId(book.id) ? book.id : DEFAULT_BOOK,
      units: pages.map(({ id, kind, axles }) => ({ id, kind, axles })),
      readings,
      ...(assumed ? { assumeOtherBrakes: assumed } : {}),
    },
    { book },
  );
}

const rangeWords = (least: number, most: number): string => (most > least ? `${least} to ${most}` : String(least));

/** One unit of the combination: what it meets alone, and its place among the others. */
function UnitCard({
  page,
  answer,
  onForward,
  onTakeOut,
}: {
  page: UnitPage;
  answer: JudgeAnswer | null;
  onForward: (() => void) | null;
  onTakeOut: (() => void) | null;
}) {
  const { shown } = useShown();
  const own = answer?.units.find(({ id }) => id === page.id);
  const findings = answer?.findings.filter(({ unit }) => unit === page.id);
  const brakes = own && own.brakes.outOfServiceAt !== null ? own.brakes : null;
  return (
    <Card title={`${page.number}  ${page.body}`} note={onForward ? undefined : 'In front'}>
      <View className="flex-row flex-wrap gap-2">
        {page.holds.length ? <VerdictBadge verdict="out-of-service" word="Held" /> : null}
        {own ? <VerdictBadge verdict={own.verdict} /> : null}
      </View>
      {brakes ? (
        <Text>{`Alone: ${rangeWords(brakes.defective, brakes.defectiveAtMost)} defective of ${brakes.total}, out of service at ${brakes.outOfServiceAt}.`}</Text>
      ) : null}
      <RunningGear unit={page} ends={endsOf(page, page.standing, findings, shown)} size="medium" />
      <View className="flex-row flex-wrap gap-2">
        <Button
          className="grow"
          label="Forward"
          hint={page.number}
          disabled={!onForward}
          onPress={() => onForward?.()}
        />
        <Button
          className="grow"
          label="Open"
          hint={page.number}
          onPress={() => router.navigate(`/trailer/${page.id}`)}
        />
        <Button
          className="grow"
          label="Take out"
          hint={page.number}
          disabled={!onTakeOut}
          onPress={() => onTakeOut?.()}
        />
      </View>
    </Card>
  );
}

/** What if these units ran together: each judged alone, and the brake count over the whole. Nothing is stored. */
export function Combine() {
  // The combination stands in the address: it survives a reload, with or without a signal.
  const { id, units } = useLocalSearchParams<{ id: string; units?: string }>();
  const book = useBook();
  const ids = units ? units.split(' ') : [id];
  const setIds = (next: readonly string[]) => router.setParams({ units: next.join(' ') });
  const [assumed, setAssumed] = useState(0);
  const [adding, setAdding] = useState(false);
  const queries = useQueries({ queries: ids.map(unitQuery) });
  const pages = queries.flatMap(({ data }) => data ?? []);
  const missing = queries.some(({ data, error }) => data === undefined && error !== null);
  const answer = pages.length === ids.length ? judged(pages, book, assumed) : null;
  const move = (index: number, by: number) => {
    const next = [...ids];
    const [taken] = next.splice(index, 1);
    if (taken) next.splice(index + by, 0, taken);
    setIds(next);
  };
  return (
    <Screen title="What if they ran together" under="By current readings" back={goBack(`/trailer/${id}`)}>
      <Notice>Nothing here is saved. Each unit is also judged alone: on hold stays on hold in any combination.</Notice>
      {missing ? <Notice look="stop">One unit is not saved on this device.</Notice> : null}
      {answer ? (
        <Card title="The whole combination">
          <VerdictBadge large verdict={answer.combination.verdict} />
          {book.brakeCount ? (
            <BrakeSum count={answer.combination.brakes} share={book.brakeCount.fraction} />
          ) : (
            <Text>This book has no brake count over a combination: each unit is judged alone.</Text>
          )}
          <Stepper
            label="Good brakes on units not listed"
            value={assumed}
            least={0}
            most={MOST_OTHER_BRAKES}
            onChange={setAssumed}
          />
        </Card>
      ) : missing ? null : (
        <Text tone="soft">Reading…</Text>
      )}
      {pages.map((page, index) => (
        <UnitCard
          key={page.id}
          page={page}
          answer={answer}
          onForward={index === 0 ? null : () => move(index, -1)}
          onTakeOut={ids.length === 1 ? null : () => setIds(ids.filter((each) => each !== page.id))}
        />
      ))}
      <Button tall look="act" label="Add a unit" disabled={ids.length >= MOST_UNITS} onPress={() => setAdding(true)} />
      {adding ? (
        <ChooseUnit
          title="Add to the combination"
          taken={ids}
          onChoose={({ id: next }) => {
            setAdding(false);
            setIds([...ids, next]);
          }}
          onClose={() => setAdding(false)}
        />
      ) : null}
    </Screen>
  );
}
